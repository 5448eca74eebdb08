import type { LineLayout, Position } from '@/api/types'

/** A station of a line on the ground: along the straight sides between its corners. */
export function placeAt(line: LineLayout, stationM: number): Position | null {
  const path = pathOf(line)
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1]!, path[i]!]
    if (stationM <= b.stationM + 1e-6) {
      const t = b.stationM > a.stationM ? (stationM - a.stationM) / (b.stationM - a.stationM) : 0
      return between(a.at, b.at, Math.min(1, Math.max(0, t)))
    }
  }
  return path.at(-1)?.at ?? null
}

/** The corners between two stations, with both ends. */
export function pathBetween(line: LineLayout, fromM: number, toM: number): Position[] {
  const ends = [placeAt(line, fromM), placeAt(line, toM)]
  if (!ends[0] || !ends[1]) return []
  const inner = pathOf(line)
    .filter((p) => p.stationM > fromM + 0.01 && p.stationM < toM - 0.01)
    .map((p) => p.at)
  return [ends[0], ...inner, ends[1]]
}

const between = (a: Position, b: Position, t: number): Position => [
  a[0]! + t * (b[0]! - a[0]!),
  a[1]! + t * (b[1]! - a[1]!),
]

/** Corners with their stations; a closed line ends where it begins. */
function pathOf(line: LineLayout): { stationM: number; at: Position }[] {
  const path = line.corners.map((at, i) => ({ stationM: line.cornerStationsM[i] ?? line.lengthM, at }))
  return line.closed && path[0] ? [...path, { stationM: line.lengthM, at: path[0].at }] : path
}
