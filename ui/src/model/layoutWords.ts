/** The trade's words for what the core names. */
import type { Wire } from '@/api/types'

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

/** Posts that are marked alike. */
export const postSorts = {
  STRONG: 'strong',
  BRACE: 'brace',
  LINE: 'line',
  LIGHT: 'light',
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
  LEAD: 'lead',
  TEE: 'branch',
  CUT_OUT: 'cut-out',
  OPEN: 'open end',
}

/** How wire is run along a line. */
export const wireWays = {
  PULL_BY_PULL: 'ends at each strong post',
  RUNS_ON: 'runs on round corners',
  OUT_AND_BACK: 'one wire, out and back',
  ROUND_AND_ROUND: 'one wire, round and round',
}

export const tighteners = {
  BY_LENGTH: 'by length: midway or at the end',
  AT_END: 'at the end',
  MIDWAY: 'one midway on each wire',
  EACH_SIDE: 'one on each side',
  NONE: 'none, pulled by hand',
}

export const wireEnds = {
  KNOT: 'knot',
  TWIST: 'twist',
  ONE_SLEEVE: 'one sleeve',
  TWO_SLEEVES: 'two sleeves',
}

/** What holds a wire on a post. */
export const fastenings: Record<NonNullable<Wire['fastening']>, string> = {
  INSULATOR: 'insulators',
  STAPLE: 'staples',
  CLIP: 'clips',
  OWN: "the posts' own clips, slots or holes",
}
