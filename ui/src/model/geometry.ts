import type { FenceLine, LineLayout, Position } from '@/api/types'

/** Drawing geometry only: where to put things on the screen. Lengths that people read come from the core. */

/** Longitudes continue across the date line, so that a line there is drawn in one piece. */
export function unwrap(lon: number, near: number): number {
  const turn = Math.round((lon - near) / 360)
  return lon - turn * 360
}

/** The place of a station: stations of the core's corners, straight between them. */
export function placeAt(line: FenceLine, laid: LineLayout, stationM: number): { at: Position; side: number } {
  const stations = laid.cornerStationsM
  const count = line.corners.length
  let side = 0
  while (side + 1 < stations.length && stations[side + 1]! <= stationM) side++
  const last = side + 1 >= count
  if (last && !line.closed) side = count - 2
  const corners = laid.corners.length === count ? laid.corners : line.corners.map((c) => c.at)
  const from = corners[side]!
  const to = corners[(side + 1) % count]!
  const start = stations[side]!
  const end = side + 1 < stations.length ? stations[side + 1]! : laid.lengthM
  const share = end > start ? Math.min(1, Math.max(0, (stationM - start) / (end - start))) : 0
  const toLon = unwrap(to[0]!, from[0]!)
  return { at: [from[0]! + (toLon - from[0]!) * share, from[1]! + (to[1]! - from[1]!) * share], side }
}

export interface Nearest {
  lineId: string
  side: number
  share: number
  at: Position
  distance: number
}

/** The place on any line nearest to a point; coordinates in whatever plane the caller draws in. */
export function nearestOnLines(
  lines: { id: string; closed: boolean; path: Position[] }[],
  point: Position,
): Nearest | null {
  let best: Nearest | null = null
  for (const line of lines) {
    const count = line.closed ? line.path.length : line.path.length - 1
    for (let side = 0; side < count; side++) {
      const a = line.path[side]!
      const b = line.path[(side + 1) % line.path.length]!
      const dx = b[0]! - a[0]!
      const dy = b[1]! - a[1]!
      const square = dx * dx + dy * dy
      const share =
        square === 0
          ? 0
          : Math.min(1, Math.max(0, ((point[0]! - a[0]!) * dx + (point[1]! - a[1]!) * dy) / square))
      const at = [a[0]! + dx * share, a[1]! + dy * share]
      const distance = Math.hypot(point[0]! - at[0]!, point[1]! - at[1]!)
      if (!best || distance < best.distance) best = { lineId: line.id, side, share, at, distance }
    }
  }
  return best
}

/** Station of a place on a side, by the core's corner stations. */
export function stationOf(laid: LineLayout, side: number, share: number): number {
  const start = laid.cornerStationsM[side] ?? 0
  const end = laid.cornerStationsM[side + 1] ?? laid.lengthM
  return start + (end - start) * share
}

/** A round step for grid and axis: 1, 2 or 5 times a power of ten, at least the given size. */
export function roundStep(least: number): number {
  const power = 10 ** Math.floor(Math.log10(least))
  for (const factor of [1, 2, 5, 10]) if (factor * power >= least) return factor * power
  return 10 * power
}
