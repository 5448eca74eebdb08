import type { Electrics } from '@/api/types'

/** The pulse at the computed place of a line that is nearest to a station; null where none is known. */
export function nearestPoint(electrics: Electrics | null, lineId: string, stationM: number) {
  const own = electrics?.points.filter((p) => p.lineId === lineId) ?? []
  if (own.length === 0) return null
  return own.reduce((a, b) => (Math.abs(b.stationM - stationM) < Math.abs(a.stationM - stationM) ? b : a))
}
