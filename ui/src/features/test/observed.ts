import type { Observed } from '@/api/types'
import { kvText } from '@/shared/units'

const things: Record<Extract<Observed, { kind: 'SEEN' }>['thing'], string> = {
  INSULATOR_CRACKED: 'insulator cracked',
  INSULATOR_MISSING: 'insulator missing',
  WIRE_ON_POST: 'wire on a post',
  WIRE_BROKEN: 'wire broken',
  WIRE_ON_GROUND: 'wire on the ground',
  SOIL_ON_WIRE: 'soil on the wire',
  GROWTH_IN_WIRES: 'growth in the wires',
  JOINT_LOOSE: 'joint loose',
  SWITCH_BURNT: 'switch burnt',
  CABLE_DAMAGED: 'cable damaged',
  POST_DOWN: 'post down',
  OTHER: 'something else',
}
const directions = { TOWARDS_FINISH: ' to the finish', TOWARDS_START: ' to the start', UNKNOWN: '' }

const kv = (o: { peakV: number; overRange: boolean }) => `${o.overRange ? '> ' : ''}${kvText(o.peakV)} kV`

/** What was observed, and on what. */
export function observedText(o: Observed): { value: string; on: string } {
  switch (o.kind) {
    case 'PEAK':
      return { value: kv(o), on: o.wire === 0 ? 'joined' : `wire ${o.wire}` }
    case 'UNPOWERED':
      return { value: kv(o), on: `unpowered wire ${o.wire}` }
    case 'EARTH_TERMINAL':
      return { value: kv(o), on: 'earth terminal' }
    case 'CURRENT':
      return { value: `${o.peakA} A`, on: `current${directions[o.direction]}` }
    case 'BATTERY_VOLTAGE':
      return { value: `${o.batteryV} V`, on: 'battery' }
    case 'RESISTANCE':
      return { value: `${o.ohm} Ω`, on: 'resistance' }
    case 'SEEN':
      return { value: '', on: things[o.thing] }
  }
}
