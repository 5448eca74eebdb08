import type { Position } from '@/api/types'

/** Where a word may stand beside the place it belongs to: pixels to its near edge, and the middle of its height. */
export interface Spot {
  x: number
  y: number
  align: 'left' | 'center' | 'right'
}

/** A word on the plan. */
export interface Word {
  at: Position
  text: string
  font: string
  color: string
  /** Where there is not room for all, the higher one stays. */
  rank: number
  /** The best first. */
  spots: Spot[]
  /** Along a line: radians, clockwise. */
  turned?: number
}

/** Something no word may cover, a post, a gate, a cut-out: a square about a place, pixels. */
export interface Sign {
  at: Position
  y: number
  half: number
}

/** A part of the plan: what the map draws, the words beside it, and what they keep clear of. */
export interface Drawing<F> {
  features: F[]
  words: Word[]
  signs: Sign[]
  /** Lines of the fence. */
  paths: Position[][]
}

export const emptyDrawing = <F>(): Drawing<F> => ({ features: [], words: [], signs: [], paths: [] })

/** Which words stay where there is not room for all. */
export const wordRank = { feature: 1, reading: 2, place: 3, corner: 4, feed: 5, weakest: 6 }

/** A word that stands where it was placed: its middle, pixels. */
export interface Placed {
  word: Word
  x: number
  y: number
}

export interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

const HEIGHT_PX = 15
/** How much worse a spot is that cannot be seen than one that covers a line. */
const HIDDEN_COST = 12
/** Where all spots beside a place are taken, there may be room a little further off. */
const FURTHER_PX = 15
const FURTHER_COST = 0.6

/** Spots on all sides, a gap away; the first side named is the best. */
export function beside(gapPx: number, first: 'right' | 'above' | 'below' = 'right'): Spot[] {
  const lift = gapPx + HEIGHT_PX / 2
  const right: Spot = { x: gapPx, y: 0, align: 'left' }
  const left: Spot = { x: -gapPx, y: 0, align: 'right' }
  const above: Spot = { x: 0, y: -lift, align: 'center' }
  const below: Spot = { x: 0, y: lift, align: 'center' }
  const slant = gapPx * 0.7
  const slanting: Spot[] = [
    { x: slant, y: -lift, align: 'left' },
    { x: slant, y: lift, align: 'left' },
    { x: -slant, y: -lift, align: 'right' },
    { x: -slant, y: lift, align: 'right' },
  ]
  const straight = {
    right: [right, above, below, left],
    above: [above, below, right, left],
    below: [below, above, right, left],
  }
  return [...straight[first], ...slanting]
}

/** Spots for the name of a corner: outside of the turn between its two sides first. Places on the map, where north is up. */
export function outside(
  at: Position,
  before: Position | undefined,
  after: Position | undefined,
  gapPx: number,
): Spot[] {
  let x = 0
  let y = 0
  for (const other of [before, after]) {
    if (!other) continue
    const length = Math.hypot(other[0]! - at[0]!, other[1]! - at[1]!) || 1
    x -= (other[0]! - at[0]!) / length
    // Down on the screen is south on the map.
    y += (other[1]! - at[1]!) / length
  }
  const length = Math.hypot(x, y)
  if (length < 0.05) return beside(gapPx, 'above')
  const away: Spot = { x: (x / length) * gapPx, y: (y / length) * gapPx, align: 'center' }
  return [away, { x: -away.x, y: -away.y, align: 'center' }, ...beside(gapPx)]
}

/**
 * Finds each word a spot where it covers no other word and no sign, and as few lines as can be. A word without such a spot is left out
 * (it is said when the pointer rests on its place), and so is one of the lowest ranks that could be seen only in part.
 *
 * @param covers what lies over the plan on the screen
 */
export function placeWords(
  drawings: Drawing<unknown>[],
  pixel: (at: Position) => Position,
  widthOf: (word: Word) => number,
  size: Position,
  covers: Box[] = [],
): Placed[] {
  const words = drawings.flatMap((d) => d.words).sort((a, b) => b.rank - a.rank)
  const signs = drawings.flatMap((d) => d.signs.map((s) => square(pixel(s.at), s)))
  const sides = drawings.flatMap((d) => d.paths.flatMap((path) => sidesOf(path.map(pixel))))
  const taken: Box[] = []
  const placed: Placed[] = []
  for (const word of words) {
    const at = pixel(word.at)
    if (!within(at, size)) continue
    const width = widthOf(word)
    const reach = reachOf(at, word, width)
    const near = {
      signs: signs.filter((b) => overlap(b, reach)),
      sides: sides.filter((x) => touches(x, reach)),
    }
    let best: { cost: number; x: number; y: number; boxes: Box[] } | null = null
    for (const spot of [...word.spots, ...word.spots.map(further)]) {
      const { x, y } = middle(at, spot, width, word.turned ?? 0)
      const boxes = covered(x, y, width, word.turned ?? 0)
      if (boxes.some((b) => taken.some((t) => overlap(b, t)) || near.signs.some((t) => overlap(b, t))))
        continue
      const hidden = boxes.some((b) => !inside(b, size) || covers.some((c) => overlap(b, c)))
      const off = (hidden ? HIDDEN_COST : 0) + (word.spots.includes(spot) ? 0 : FURTHER_COST)
      const cost = boxes.reduce((sum, b) => sum + near.sides.filter((side) => crosses(side, b)).length, off)
      if (best && cost >= best.cost) continue
      best = { cost, x, y, boxes }
      if (cost === 0) break
    }
    if (!best || (best.cost >= HIDDEN_COST && word.rank <= wordRank.reading)) continue
    taken.push(...best.boxes)
    placed.push({ word, x: best.x, y: best.y })
  }
  return placed
}

/** The same spot a little further off. */
function further(spot: Spot): Spot {
  const length = Math.hypot(spot.x, spot.y) || 1
  return {
    ...spot,
    x: spot.x + (spot.x / length) * FURTHER_PX,
    y: spot.y + (spot.y / length) * FURTHER_PX,
  }
}

/** All that a word may cover, wherever it comes to stand. */
function reachOf(at: Position, word: Word, width: number): Box {
  const far =
    word.spots.reduce((most, s) => Math.max(most, Math.abs(s.x), Math.abs(s.y)), 0) +
    FURTHER_PX +
    width +
    HEIGHT_PX
  return box(at[0]!, at[1]!, far, far)
}

function middle(at: Position, spot: Spot, width: number, turned: number) {
  const shift = spot.align === 'left' ? width / 2 : spot.align === 'right' ? -width / 2 : 0
  const x = spot.x + shift
  const cos = Math.cos(turned)
  const sin = Math.sin(turned)
  return { x: at[0]! + x * cos - spot.y * sin, y: at[1]! + x * sin + spot.y * cos }
}

/** What a word covers: one box, or a row of small ones when it is turned. */
export function covered(x: number, y: number, width: number, turned: number): Box[] {
  if (turned === 0) return [box(x, y, width / 2, HEIGHT_PX / 2)]
  const count = Math.max(1, Math.ceil(width / HEIGHT_PX))
  return Array.from({ length: count }, (_, i) => {
    const along = ((i + 0.5) / count - 0.5) * width
    return box(x + along * Math.cos(turned), y + along * Math.sin(turned), HEIGHT_PX / 2, HEIGHT_PX / 2)
  })
}

const box = (x: number, y: number, across: number, up: number): Box => ({
  left: x - across,
  top: y - up,
  right: x + across,
  bottom: y + up,
})

const square = (at: Position, sign: Sign): Box => box(at[0]!, at[1]! + sign.y, sign.half, sign.half)

export const overlap = (a: Box, b: Box) =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

const inside = (b: Box, size: Position) =>
  b.left >= 0 && b.top >= 0 && b.right <= size[0]! && b.bottom <= size[1]!

const within = (at: Position, size: Position) =>
  at[0]! > -100 && at[1]! > -40 && at[0]! < size[0]! + 100 && at[1]! < size[1]! + 40

type Side = [x1: number, y1: number, x2: number, y2: number]

const sidesOf = (path: Position[]): Side[] =>
  path.slice(1).map((b, i) => [path[i]![0]!, path[i]![1]!, b[0]!, b[1]!])

/** Whether a side's own box meets another. */
const touches = ([x1, y1, x2, y2]: Side, b: Box) =>
  Math.min(x1, x2) <= b.right &&
  Math.max(x1, x2) >= b.left &&
  Math.min(y1, y2) <= b.bottom &&
  Math.max(y1, y2) >= b.top

/** Whether a side runs through a box: it is cut down to it on both axes. */
function crosses([x1, y1, x2, y2]: Side, b: Box): boolean {
  let from = 0
  let to = 1
  for (const [p, d, low, high] of [
    [x1, x2 - x1, b.left, b.right],
    [y1, y2 - y1, b.top, b.bottom],
  ] as const) {
    if (d === 0) {
      if (p < low || p > high) return false
      continue
    }
    const a = (low - p) / d
    const c = (high - p) / d
    from = Math.max(from, Math.min(a, c))
    to = Math.min(to, Math.max(a, c))
  }
  return from <= to
}
