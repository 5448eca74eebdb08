import type { Failures, FaultCause, FaultNote, FencePart } from '@/api/types'
import { kvText } from '@/shared/units'

export const partWords: Record<FencePart, string> = {
  INSULATOR: 'insulator',
  ROD: 'earth rod or its clamp',
  EARTH_LEAD: 'earth lead',
  UNPOWERED_WIRE: 'unpowered wire touched',
  BRACE: 'brace wire or diagonal touched',
  GATE_CABLE: 'cable or jumper at a gate',
  GATE_HANDLE: 'gate handle or its anchor',
  JOINT: 'joint',
  CUT_OUT: 'cut-out switch',
  WIRE: 'wire',
  LEAD_OUT: 'lead-out',
  POST: 'post',
  BATTERY: 'battery',
  PANEL: 'solar panel',
  ENERGIZER: 'energizer',
  VEGETATION: 'growth',
  OTHER: 'something else',
}

export const causeWords: Record<FaultCause, string> = {
  GROWTH: 'grew into it',
  SUN_AND_AGE: 'sun and age',
  ANIMAL: 'an animal',
  FALLEN_LIMB: 'a limb fell',
  CORROSION: 'corroded',
  WORKMANSHIP: 'put in badly',
  VEHICLE: 'mower or vehicle',
  FROST_OR_FLOOD: 'frost or flood',
  LIGHTNING: 'lightning',
  DRY_GROUND: 'ground dried out',
  UNKNOWN: 'not known',
}

export const placeWords: Record<Failures['byPlace'][number]['place'], string> = {
  GATE: 'at a gate',
  CUT_OUT: 'at a cut-out switch',
  BRANCH: 'at a branch',
  END: 'at an end',
  CORNER: 'at a corner',
  ALONG: 'along the line',
  ELSEWHERE: 'off the line, or no place noted',
}

export const stateWords: Record<FaultNote['state'], string> = {
  OPEN: 'open',
  WATCHED: 'watched',
  MENDED: 'mended',
}

export const weatherWords: Record<NonNullable<FaultNote['before']>['weather'], string> = {
  DRY: 'dry',
  DAMP: 'damp',
  RAIN: 'rain',
  SNOW: 'snow',
  FROST: 'frost',
}

type Gains = {
  gains: { works: FaultNote['works']; gainV: number }[]
  unexplainedV: number
  weatherDiffers: boolean
}

const remedy = (w: FaultNote['works'][number]) =>
  w.part === 'VEGETATION' ? 'growth cleared' : `${w.count} × ${partWords[w.part]}`

/** What came back, and what it is put down to. */
export function gainsText(g: Gains): string {
  const told = g.gains.map(
    (x) =>
      `${x.gainV < 0 ? '−' : '+'}${kvText(Math.abs(x.gainV))} kV put down to ${x.works.map(remedy).join(' and ')}`,
  )
  if (Math.abs(g.unexplainedV) >= 100)
    told.push(
      `${g.unexplainedV < 0 ? '−' : '+'}${kvText(Math.abs(g.unexplainedV))} kV while nothing was done that let it off`,
    )
  if (g.weatherDiffers && told.length) told.push('one reading was taken wet, the other dry: it tells less')
  return told.join('; ')
}

/** What was replaced or mended for nothing. */
export const harmlessText = (n: FaultNote) =>
  n.works
    .filter((w) => w.harmless)
    .map(remedy)
    .join(', ')
