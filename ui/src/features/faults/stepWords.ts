import type { NextStep } from '@/model/search'
import type { UnitSystem } from '@/api/types'
import { stationText } from '@/shared/units'

/** As somebody says it before they set out. */
export function minutesText(minutes: number): string {
  const whole = Math.max(1, Math.round(minutes))
  if (whole < 60) return `${whole} min`
  const rest = whole % 60
  return rest ? `${Math.floor(whole / 60)} h ${rest} min` : `${whole / 60} h`
}

/** A thing to do next. */
export function stepText(
  s: NextStep,
  nameOf: (lineId: string | null) => string,
  cutOutOf: (id: string | null) => string,
  units: UnitSystem,
): string {
  const at = (m: number) => stationText(m, units)
  switch (s.action) {
    case 'READ':
      return `Read the voltage on ${nameOf(s.lineId)} at ${at(s.fromM)}.`
    case 'OPEN':
      return `Open ${cutOutOf(s.cutOut)} on ${nameOf(s.lineId)}, read on its live side at ${at(s.fromM)}, close it again.`
    case 'LOOK_OVER':
      return `Look over ${nameOf(s.lineId)} from ${at(s.fromM)} to ${at(s.toM)}: it is there in ${Math.round(100 * s.chance)} of 100.`
    case 'ENERGIZER':
      return `Go over the energizer, its supply and the earth first: it is there in ${Math.round(100 * s.chance)} of 100.`
  }
}
