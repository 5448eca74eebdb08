import type { UnitSystem } from '@/api/types'
import { parseLengthM } from '@/shared/units'

/** How a bare angle is meant: from true north, as a turn off the last side, or as the angle inside the corner. */
export type AngleKind = 'bearing' | 'turn' | 'corner'

export interface Leg {
  lengthM: number
  /** Null: straight on. */
  angle: { kind: AngleKind; deg: number } | null
}

/**
 * What somebody typed for the next side: `84 ft 6 in`, `84 ft 6 in @ 92°`, `25 m @ 92 left`, `25 m @ n 45`. After the angle,
 * `right` or `left` make it a turn; `n` before it a bearing. Null when it cannot be read.
 */
export function parseLeg(text: string, units: UnitSystem, kind: AngleKind): Leg | null {
  const [length, angle, ...rest] = text.split('@')
  const lengthM = parseLengthM(length ?? '', units)
  if (lengthM === null || lengthM <= 0 || rest.length > 0) return null
  if (angle === undefined) return { lengthM, angle: null }
  const said = /^\s*(n(?:orth)?\s+)?([-+]?\d+(?:[.,]\d+)?)\s*°?\s*(r|right|l|left)?\s*$/i.exec(angle)
  if (!said) return null
  const deg = Number(said[2]!.replace(',', '.'))
  const side = said[3]?.toLowerCase()
  if (said[1]) return { lengthM, angle: { kind: 'bearing', deg } }
  if (side && kind === 'corner')
    return { lengthM, angle: { kind: 'turn', deg: (180 - deg) * (side.startsWith('l') ? -1 : 1) } }
  if (side) return { lengthM, angle: { kind: 'turn', deg: side.startsWith('l') ? -deg : deg } }
  return { lengthM, angle: { kind, deg } }
}

/** Bearing of the next side, from that of the last one; without a last side everything counts from north. */
export function legBearing(leg: Leg, lastDeg: number | null): number {
  if (!leg.angle) return lastDeg ?? 0
  if (leg.angle.kind === 'bearing' || lastDeg === null) return leg.angle.deg
  return lastDeg + (leg.angle.kind === 'turn' ? leg.angle.deg : 180 - leg.angle.deg)
}
