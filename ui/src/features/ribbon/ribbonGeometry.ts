import type { LineLayout, Wire } from '@/api/types'
import { roundStep } from '@/model/geometry'

/** Turns a laid-out line into paths of the ribbon: stations to the right, ground and wires above. Pixels. */
export interface RibbonFrame {
  width: number
  left: number
  right: number
  /** Bottom of the ground band. */
  baseY: number
  /** Pixels for the height of the top wire. */
  wirePx: number
  /** Most pixels the ground may rise. */
  groundPx: number
  /** Part of the line that is shown; all of it when left out. */
  fromM?: number
  toM?: number
}

export interface RibbonScale {
  x: (stationM: number) => number
  station: (x: number) => number
  ground: (stationM: number) => number
  wire: (stationM: number, heightM: number) => number
  groundTimes: number
  fromM: number
  toM: number
  /** Pixels for a metre along the line. */
  perM: number
}

export function ribbonScale(line: LineLayout, topM: number, frame: RibbonFrame): RibbonScale {
  const span = frame.width - frame.left - frame.right
  const fromM = Math.max(0, frame.fromM ?? 0)
  const toM = Math.min(line.lengthM, frame.toM ?? line.lengthM)
  const perM = span / Math.max(toM - fromM, 1)
  const shown = line.profile.filter((p) => p.stationM >= fromM && p.stationM <= toM)
  const heights = [...shown.map((p) => p.heightM), heightAt(line, fromM, 0), heightAt(line, toM, 0)]
  const low = heights.reduce((a, b) => Math.min(a, b))
  const high = heights.reduce((a, b) => Math.max(a, b))
  const heightPx = high > low ? Math.min(frame.groundPx / (high - low), perM * 8) : 0
  const x = (stationM: number) => frame.left + (stationM - fromM) * perM
  const ground = (stationM: number) => frame.baseY - 10 - (heightAt(line, stationM, low) - low) * heightPx
  return {
    x,
    station: (px) => Math.min(line.lengthM, Math.max(0, fromM + (px - frame.left) / perM)),
    ground,
    wire: (stationM, heightM) => ground(stationM) - (heightM / topM) * frame.wirePx,
    groundTimes: perM > 0 ? heightPx / perM : 0,
    fromM,
    toM,
    perM,
  }
}

/** Height of the ground at a station, straight between known points. */
export function heightAt(line: LineLayout, stationM: number, otherwise: number): number {
  const p = line.profile
  if (p.length === 0) return otherwise
  let low = 0
  let high = p.length - 1
  while (high - low > 1) {
    const mid = (low + high) >> 1
    if (p[mid]!.stationM <= stationM) low = mid
    else high = mid
  }
  const a = p[low]!
  const b = p[high]!
  const share =
    b.stationM > a.stationM
      ? Math.min(1, Math.max(0, (stationM - a.stationM) / (b.stationM - a.stationM)))
      : 0
  return a.heightM + (b.heightM - a.heightM) * share
}

const at = (x: number, y: number) => `${x.toFixed(1)} ${y.toFixed(1)}`

/** Stations a few pixels apart in the part that is shown; on level ground its ends will do. */
function stationsBetween(scale: RibbonScale, from: number, to: number): number[] {
  const fromM = Math.max(from, scale.fromM)
  const toM = Math.min(to, scale.toM)
  if (toM <= fromM) return []
  if (scale.groundTimes === 0) return [fromM, toM]
  const steps = Math.max(1, Math.round((scale.x(toM) - scale.x(fromM)) / 6))
  return Array.from({ length: steps + 1 }, (_, i) => fromM + ((toM - fromM) * i) / steps)
}

export function groundPath(line: LineLayout, scale: RibbonScale, baseY: number): string {
  const top = stationsBetween(scale, 0, line.lengthM).map((s) => at(scale.x(s), scale.ground(s)))
  return `M${at(scale.x(scale.fromM), baseY)}L${top.join('L')}L${at(scale.x(scale.toM), baseY)}Z`
}

/** One wire over all pulls: it stops at gates. */
export function wirePath(line: LineLayout, scale: RibbonScale, wire: Wire): string {
  return line.pulls
    .filter((pull) => pull.toM > scale.fromM && pull.fromM < scale.toM)
    .map(
      (pull) =>
        'M' +
        stationsBetween(scale, pull.fromM, pull.toM)
          .map((s) => at(scale.x(s), scale.wire(s, wire.heightM)))
          .join('L'),
    )
    .join('')
}

/** All posts of the given kinds in one path; line posts are thinned where they would run together. */
export function postPath(
  line: LineLayout,
  scale: RibbonScale,
  kinds: string[],
  aboveTop: number,
  topM: number,
  leastPx: number,
): string {
  let path = ''
  let lastX = -Infinity
  for (const post of line.posts) {
    if (!kinds.includes(post.kind) || post.stationM < scale.fromM || post.stationM > scale.toM) continue
    const x = scale.x(post.stationM)
    if (x - lastX < leastPx) continue
    lastX = x
    path += `M${at(x, scale.ground(post.stationM) + 5)}V${(scale.wire(post.stationM, topM) - aboveTop).toFixed(1)}`
  }
  return path
}

/** Braces as built: rails near the top with their diagonals, or a rail down to its foot, or a stake behind the post. */
export function bracePath(line: LineLayout, scale: RibbonScale, topM: number): string {
  return line.braces
    .filter((b) => b.strongStationM >= scale.fromM - 30 && b.strongStationM <= scale.toM + 30)
    .map((b) => braceShape(b, scale, topM))
    .join('')
}

function braceShape(b: LineLayout['braces'][number], scale: RibbonScale, topM: number): string {
  const from = b.strongStationM
  const foot = (s: number) => at(scale.x(s), scale.ground(s))
  const high = (s: number, share: number) => at(scale.x(s), scale.wire(s, topM * share))
  if (b.kind === 'DIAGONAL') return `M${high(from, 0.9)}L${foot(b.braceStationM)}`
  if (b.kind === 'BACK_STAKE') {
    const x = scale.x(from)
    return `M${high(from, 0.7)}L${at(x - 5, scale.ground(from))}`
  }
  const frames = b.kind === 'DOUBLE_H' ? 2 : b.kind === 'SINGLE_H' ? 1 : 0
  let path = ''
  for (let k = 0; k < frames; k++) {
    const a = from + ((b.braceStationM - from) * k) / frames
    const c = from + ((b.braceStationM - from) * (k + 1)) / frames
    path += `M${high(a, 0.85)}L${high(c, 0.85)}M${foot(a)}L${high(c, 1)}`
  }
  return path
}

/** Stations to write under the ribbon, in metres, a round number of feet or metres apart. */
export function axisStations(fromM: number, toM: number, unitM: number, widthPx: number): number[] {
  const most = Math.max(2, Math.floor(widthPx / 90))
  const step = Math.max(1, roundStep((toM - fromM) / unitM / most)) * unitM
  const stations: number[] = []
  for (let s = Math.ceil((fromM + 0.01) / step) * step; s < toM - step * 0.35; s += step) stations.push(s)
  return stations
}
