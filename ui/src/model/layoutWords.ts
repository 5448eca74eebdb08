/** The trade's words for what the core names. */

export const postKinds = {
  END: 'End post',
  CORNER: 'Corner post',
  GATE: 'Gate post',
  TEE: 'Tee post',
  INLINE: 'In-line strain post',
  BRACE: 'Brace post',
  LINE: 'Line post',
  TIE_DOWN: 'Tie-down post',
  LIGHT: 'Light post',
}

export const strongKinds = ['END', 'CORNER', 'GATE', 'TEE', 'INLINE']

export const braceKinds = {
  SINGLE_H: 'single H',
  DOUBLE_H: 'double H',
  DIAGONAL: 'diagonal',
  PIPE: 'driven pipe',
  PIPE_CONCRETE: 'pipe in concrete',
  BACK_STAKE: 'back-stake',
  NONE: 'post alone',
}

/** How what the ground holds stands against what is asked. */
export const holdWords = {
  USUAL: 'usual practice',
  LIMIT: 'at the limit',
  MOVES: 'will move',
}

export const jointKinds = {
  FEED: 'feed',
  JUMPER: 'jumper set',
  LINK: 'link',
  CABLE: 'cable',
  HANDLE: 'handle',
  TEE: 'branch',
  CUT_OUT: 'cut-out',
  OPEN: 'open end',
}
