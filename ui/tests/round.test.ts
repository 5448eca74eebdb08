import { describe, expect, it } from 'vitest'
import type { FenceDiagnosis, LineLayout, Observation } from '@/api/types'
import type { Habits } from '@/model/habits'
import { heatOf } from '@/model/heat'
import { pathBetween, placeAt } from '@/model/placeAt'
import {
  askText,
  beforeText,
  expectedText,
  kiloSlip,
  roundDays,
  typed,
  valueText,
  type Ask,
} from '@/model/round'

const habits: Habits = {
  takenBy: 'Mara',
  weather: 'DRY',
  growth: 'CLEAN',
  meter: '',
  rangeKv: '9.9',
  resolutionKv: '0.1',
}
const ask = (kind: Ask['kind'], wire = 0): Ask => ({
  kind,
  wire,
  needed: true,
  likely: 6000,
  low: 5500,
  high: 6400,
  reading: null,
  value: null,
  overRange: false,
  before: null,
  need: 'OPEN',
  agrees: 'OPEN',
  says: '',
})

describe('a round', () => {
  it('takes numbers in the unit of what is read', () => {
    expect(typed(ask('PEAK', 2), '6,1', false, habits)).toEqual({
      kind: 'PEAK',
      wire: 2,
      peakV: 6100,
      overRange: false,
      rangeV: 9900,
      resolutionV: 100,
    })
    expect(typed(ask('UNPOWERED', 3), '0', false, habits)).toMatchObject({ kind: 'UNPOWERED', peakV: 0 })
    expect(typed(ask('EARTH_TEST'), '.2', false, habits)).toEqual({
      kind: 'EARTH_TEST',
      peakV: 200,
      fenceV: null,
    })
    expect(typed(ask('BATTERY'), '12.6', false, habits)).toEqual({ kind: 'BATTERY_VOLTAGE', batteryV: 12.6 })
    expect(typed(ask('CURRENT'), '6', false, habits)).toMatchObject({ kind: 'CURRENT', peakA: 6 })
    expect(typed(ask('PEAK'), '', true, habits)).toMatchObject({ peakV: 9900, overRange: true })
  })

  it('is not one with the next for a meter that hangs at one place', () => {
    const read = (day: number, stationM: number) =>
      ({
        at: { lineId: 'a', testPointId: null, stationM },
        takenAt: new Date(2026, 8, day, 10).toISOString(),
      }) as Observation
    const hung = Array.from({ length: 40 }, (_, day) => read(day + 1, 5))
    const walked = [read(3, 60), read(4, 90), read(20, 60), read(22, 5), read(22, 90)]
    expect(roundDays([...hung, ...walked])).toEqual(['2026-09-22', '2026-09-20', '2026-09-04', '2026-09-03'])
    // While nothing but such meters has read it is as it was.
    expect(roundDays(hung)).toHaveLength(40)
    expect(roundDays(walked)).toHaveLength(4)
  })

  it('says what cannot be', () => {
    expect(typed(ask('PEAK'), '5400', false, habits)).toContain('were 5.4 kV meant')
    expect(typed(ask('PEAK'), '99.9', false, habits)).toContain('over its range')
    expect(typed(ask('PEAK'), '9.95', false, habits)).toContain('over range instead')
    expect(typed(ask('PEAK'), 'six', false, habits)).toContain('for example')
    expect(typed(ask('CURRENT'), '501', false, habits)).toContain('500 A')
    expect(typed(ask('BATTERY'), '126', false, habits)).toContain('100 V')
    expect(typed(ask('BATTERY'), '', false, habits)).toContain('in V')
    expect(kiloSlip(20_000)).toBe('')
  })

  it('tells what is asked, expected, read and was read', () => {
    expect(askText(ask('PEAK', 0))).toBe('hot wires')
    expect(askText(ask('UNPOWERED', 4))).toBe('wire 4, without power')
    expect(expectedText(ask('PEAK'))).toBe('5.5 to 6.4 kV')
    expect(expectedText({ ...ask('UNPOWERED'), low: null, high: 200 })).toBe('under 0.2 kV')
    expect(expectedText({ ...ask('BATTERY'), low: 12.6, high: null })).toBe('from 12.6 V')
    expect(expectedText({ ...ask('PEAK'), low: null, high: null })).toBe('not predicted')
    expect(valueText({ ...ask('PEAK'), value: 9900, overRange: true })).toBe('> 9.9')
    expect(beforeText({ ...ask('PEAK'), before: 6100 })).toBe('6.1 before')
  })
})

describe('places of a line', () => {
  const line = {
    closed: true,
    lengthM: 40,
    corners: [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ],
    cornerStationsM: [0, 10, 20, 30],
  } as unknown as LineLayout

  it('lie between its corners, over the closing one too', () => {
    expect(placeAt(line, 5)).toEqual([0.5, 0])
    expect(placeAt(line, 35)).toEqual([0, 0.5])
    expect(placeAt(line, 99)).toEqual([0, 0])
    expect(pathBetween(line, 5, 25)).toEqual([
      [0.5, 0],
      [1, 0],
      [1, 1],
      [0.5, 1],
    ])
  })

  it('are as hot as a fault is probable by the metre', () => {
    const answer = {
      density: [
        { lineId: 'a', fromM: 0, toM: 10, probability: 0.8 },
        { lineId: 'a', fromM: 10, toM: 50, probability: 0.2 },
        { lineId: 'b', fromM: 5, toM: 5, probability: 0 },
      ],
    } as unknown as FenceDiagnosis
    const heat = heatOf(answer).map((h) => h.heat)
    expect(heat[0]).toBe(1)
    expect(heat[1]).toBeCloseTo(Math.sqrt(0.005 / 0.08), 12)
    expect(heat[2]).toBe(0)
  })
})
