import type { Observed } from '@/api/types'
import { kvText } from '@/shared/units'

export const things: Record<Extract<Observed, { kind: 'SEEN' }>['thing'], string> = {
  INSULATOR_CRACKED: 'insulator cracked',
  INSULATOR_MISSING: 'insulator missing',
  WIRE_ON_POST: 'wire on a post',
  WIRE_BROKEN: 'wire broken',
  WIRE_ON_GROUND: 'wire on the ground',
  SOIL_ON_WIRE: 'soil or an ant hill on the wire',
  GROWTH_IN_WIRES: 'growth in the wires',
  JOINT_LOOSE: 'joint loose',
  SWITCH_BURNT: 'switch burnt',
  CABLE_DAMAGED: 'cable damaged',
  POST_DOWN: 'post down',
  LIMB_ON_WIRE: 'limb on the wire',
  WIRE_SLACK: 'wire slack',
  ROD_LOOSE: 'earth rod or its clamp loose',
  GROUND_DRY: 'ground dry at the rods',
  ANIMAL_THROUGH: 'an animal came through',
  OTHER: 'something else',
}
/** What can be taken down, as it is offered. */
export const kinds: { kind: Observed['kind']; text: string }[] = [
  { kind: 'PEAK', text: 'voltage on a hot wire' },
  { kind: 'UNPOWERED', text: 'voltage on an unpowered wire' },
  { kind: 'CURRENT', text: 'current in the hot wires' },
  { kind: 'EARTH_TERMINAL', text: 'voltage at the earth terminal' },
  { kind: 'EARTH_TEST', text: 'earth test, fence shorted far out' },
  { kind: 'BATTERY_VOLTAGE', text: 'battery' },
  { kind: 'RESISTANCE', text: 'resistance' },
  { kind: 'INDICATOR', text: 'light on the fence' },
  { kind: 'SEEN', text: 'something seen' },
]
export const lights = { LIT: 'bright', WEAK: 'weak', DARK: 'dark' }
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
    case 'EARTH_TEST':
      return {
        value: `${kvText(o.peakV)} kV`,
        on: `last earth rod, fence ${o.fenceV === null ? 'shorted' : `at ${kvText(o.fenceV)} kV`}`,
      }
    case 'INDICATOR':
      return { value: lights[o.light], on: 'light on the fence' }
    case 'SEEN':
      return {
        value: '',
        on: `${things[o.thing]}${o.touches === null ? '' : o.touches ? ', touches the wire' : ', does not touch'}`,
      }
    case 'LOOKED_OVER':
      return { value: '', on: 'looked over from here, nothing found' }
    case 'SUPPLY_CHECKED':
      return { value: '', on: 'energizer and earth gone over, nothing found' }
    case 'VOIDED':
      return { value: 'void', on: 'the reading before it' }
    case 'CHECKED':
      return { value: o.inOrder ? 'in order' : 'left open', on: 'before power' }
  }
}
