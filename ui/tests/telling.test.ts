import { describe, expect, it } from 'vitest'
import type { Observation, Plan } from '@/api/types'
import { tellingOf } from '@/model/telling'

const DAY_MS = 86_400_000
const END = Date.parse('2026-11-20T12:00:00Z')
let count = 0
const read = (agoDays: number, more: Partial<Observation> = {}) =>
  ({
    id: `r${count++}`,
    at: { testPointId: null, lineId: 'a', stationM: 10, place: [0, 0] },
    what: { kind: 'PEAK', wire: 0, peakV: 6000 },
    weather: 'DRY',
    openSwitches: null,
    takenAt: new Date(END - agoDays * DAY_MS).toISOString(),
    corrects: null,
    ...more,
  }) as Observation
const plan = (...readings: string[]) => ({ circumstances: { yardstick: { readings } } }) as unknown as Plan

describe('readings that things are worked out from', () => {
  /** Two years of a reading every two hours. */
  const sent = Array.from({ length: 730 * 12 }, (_, i) => read(730 - (i + 1) / 12))

  it('are all that people read', () => {
    const few = sent.slice(0, 1000)
    expect(tellingOf(null, few)).toBe(few)
  })

  it('are few of a meter that sends by itself, the last ones among them', () => {
    const told = tellingOf(null, sent)
    // A fortnight of three a day, then one a day up to 400 days; both ends of each lie in a day.
    expect(told.length).toBeGreaterThanOrEqual(14 * 3 + 386)
    expect(told.length).toBeLessThanOrEqual(15 * 3 + 387)
    expect(told.at(-1)).toBe(sent.at(-1))
    expect(Math.min(...told.map((r) => Date.parse(r.takenAt)))).toBeGreaterThan(END - 401 * DAY_MS)
    expect(told.map((r) => r.takenAt)).toEqual(told.map((r) => r.takenAt).toSorted())
    expect(tellingOf(null, sent)).toBe(told)
  })

  it('leave out nothing that is told of elsewhere, in other weather, by a yardstick, or that was seen', () => {
    const old = [
      read(700, { at: { testPointId: 'end', lineId: 'b', stationM: 5, place: [0, 0] } }),
      read(3, { weather: 'RAIN' }),
      read(3, { openSwitches: ['cut-1'] }),
      read(3, { what: { kind: 'PEAK', wire: 2, peakV: 6000 } as Observation['what'] }),
      read(600, { what: { kind: 'LOOKED_OVER' } as Observation['what'] }),
    ]
    const voided = read(0, { what: { kind: 'VOIDED' }, corrects: sent.at(-1)!.id })
    const told = new Set(tellingOf(plan(sent[5]!.id), [...sent, ...old, voided]).map((r) => r.id))
    for (const r of [...old, sent[5]!, voided, sent.at(-2)!]) expect(told).toContain(r.id)
    expect(told).not.toContain(sent.at(-1)!.id)
  })
})
