import type { LineLayout, Wire } from '@/api/types'
import { roundStep } from '@/features/plan/geometry'

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
}

export interface RibbonScale {
  x: (stationM: number) => number
  station: (x: number) => number
  ground: (stationM: number) => number
  wire: (stationM: number, heightM: number) => number
  groundTimes: number
}

export function ribbonScale(line: LineLayout, topM: number, frame: RibbonFrame): RibbonScale {
  const span = frame.width - frame.left - frame.right
  const perM = span / Math.max(line.lengthM, 1)
  const heights = line.profile.map((p) => p.heightM)
  const low = heights.length ? Math.min(...heights) : 0
  const high = heights.length ? Math.max(...heights) : 0
  const heightPx = high > low ? Math.min(frame.groundPx / (high - low), perM * 8) : 0
  const x = (stationM: number) => frame.left + stationM * perM
  const ground = (stationM: number) => frame.baseY - 10 - (heightAt(line, stationM, low) - low) * heightPx
  return {
    x,
    station: (px) => Math.min(line.lengthM, Math.max(0, (px - frame.left) / perM)),
    ground,
    wire: (stationM, heightM) => ground(stationM) - (heightM / topM) * frame.wirePx,
    groundTimes: perM > 0 ? heightPx / perM : 0,
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

function stationsBetween(scale: RibbonScale, fromM: number, toM: number): number[] {
  const steps = Math.max(1, Math.round((scale.x(toM) - scale.x(fromM)) / 6))
  return Array.from({ length: steps + 1 }, (_, i) => fromM + ((toM - fromM) * i) / steps)
}

export function groundPath(line: LineLayout, scale: RibbonScale, baseY: number): string {
  const top = stationsBetween(scale, 0, line.lengthM).map((s) => at(scale.x(s), scale.ground(s)))
  return `M${at(scale.x(0), baseY)}L${top.join('L')}L${at(scale.x(line.lengthM), baseY)}Z`
}

/** One wire over all pulls: it stops at gates. */
export function wirePath(line: LineLayout, scale: RibbonScale, wire: Wire): string {
  return line.pulls
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
    if (!kinds.includes(post.kind)) continue
    const x = scale.x(post.stationM)
    if (x - lastX < leastPx) continue
    lastX = x
    path += `M${at(x, scale.ground(post.stationM) + 5)}V${(scale.wire(post.stationM, topM) - aboveTop).toFixed(1)}`
  }
  return path
}

/** H braces: the rail near the top, the diagonal from the strong post's foot to the brace post's top. */
export function bracePath(line: LineLayout, scale: RibbonScale, topM: number): string {
  return line.braces
    .map((b) => {
      const strongX = scale.x(b.strongStationM)
      const braceX = scale.x(b.braceStationM)
      const rail = `M${at(strongX, scale.wire(b.strongStationM, topM * 0.85))}L${at(braceX, scale.wire(b.braceStationM, topM * 0.85))}`
      const foot = `M${at(strongX, scale.ground(b.strongStationM))}L${at(braceX, scale.wire(b.braceStationM, topM))}`
      return rail + foot
    })
    .join('')
}

/** Stations to write under the ribbon, in metres, a round number of feet or metres apart. */
export function axisStations(lengthM: number, unitM: number, widthPx: number): number[] {
  const most = Math.max(2, Math.floor(widthPx / 90))
  const step = roundStep(lengthM / unitM / most) * unitM
  const stations: number[] = []
  for (let s = step; s < lengthM - step * 0.35; s += step) stations.push(s)
  return stations
}
