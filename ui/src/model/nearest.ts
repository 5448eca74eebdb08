import type { Electrics } from '@/api/types'
import { kvText } from '@/shared/units'

type Point = Electrics['points'][number]

/** The pulse at the computed place of a line that is nearest to a station; null where none is known. */
export function nearestPoint(electrics: Electrics | null, lineId: string, stationM: number): Point | null {
  const own = electrics?.points.filter((p) => p.lineId === lineId) ?? []
  if (own.length === 0) return null
  return own.reduce((a, b) => (Math.abs(b.stationM - stationM) < Math.abs(a.stationM - stationM) ? b : a))
}

/** What a meter is expected to show there. */
export const foretoldText = (p: Point): string =>
  p.likelyV < 1 ? 'no pulse predicted' : `predicted ${kvText(p.lowV)} to ${kvText(p.highV)} kV`
