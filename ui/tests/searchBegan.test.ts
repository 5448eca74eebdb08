import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import type { JobUpkeep, LoggedFault, Observation } from '@/api/types'
import { useFaults } from '@/model/faults'
import { searchBegan, wrongTimes } from '@/model/searchBegan'
import { useReadings } from '@/model/readings'
import { useUpkeep } from '@/model/upkeep'
import { openJob } from './openJob'

const done = (kind: Observation['what']['kind'], takenAt: string, more: Partial<Observation> = {}) =>
  ({ id: `${kind} ${takenAt}`, takenAt, what: { kind }, corrects: null, ...more }) as Observation
const inOrder = done('PEAK', '2026-09-01T10:00:00Z')
const low = done('PEAK', '2026-11-20T10:00:00Z')
const gone = done('SUPPLY_CHECKED', '2026-11-22T10:00:00Z')
const nextDay = done('PEAK', '2026-11-23T10:00:00Z')

const fault = (state: 'OPEN' | 'WATCHED' | 'MENDED', since: string, mendedSince: string | null = null) =>
  ({ stands: { state, notedAt: mendedSince ?? since }, since, mendedSince }) as LoggedFault
const mended = (at: string) => fault('MENDED', at, at)

describe('a search that goes on another day', () => {
  it('began with the reading before what was gone over first', () => {
    expect(searchBegan([inOrder, low], [])).toBe('')
    expect(searchBegan([inOrder, low, gone, nextDay], [])).toBe('2026-11-20')
    // Taken back, mended since, or long ago it is none.
    const back = done('VOIDED', '2026-11-22T11:00:00Z', { corrects: gone.id })
    expect(searchBegan([inOrder, low, gone, back, nextDay], [])).toBe('')
    expect(searchBegan([inOrder, low, gone, nextDay], [mended('2026-11-22T12:00:00Z')])).toBe('')
    expect(searchBegan([inOrder, low, gone, done('PEAK', '2026-12-20T10:00:00Z')], [])).toBe('')
    // What was read months before says nothing of it, nor what was read before something else was mended.
    expect(searchBegan([inOrder, gone, nextDay], [])).toBe('')
    expect(searchBegan([inOrder, low, gone, nextDay], [mended('2026-11-21T12:00:00Z')])).toBe('')
  })

  it('began on the day on which somebody wrote down that something is wrong', () => {
    const open = fault('OPEN', '2026-11-20T18:00:00Z')
    expect(searchBegan([inOrder, low, nextDay], [open])).toBe('2026-11-20')
    // Written down the day after it was read.
    const later = fault('OPEN', '2026-11-22T18:00:00Z')
    later.stands.before = { peakV: 3000, weather: 'DRY', readingId: low.id }
    expect(searchBegan([inOrder, low, nextDay], [later])).toBe('2026-11-20')
    // Told by telephone: what was read in order before is not of it.
    const told = fault('OPEN', '2026-11-21T07:00:00Z')
    expect(searchBegan([inOrder, low, nextDay], [told])).toBe('2026-11-23')
    expect(searchBegan([inOrder, low], [told])).toBe('')
    // Still open a month later it is the same search, two crews' or one's.
    expect(searchBegan([inOrder, low, done('PEAK', '2026-12-19T10:00:00Z')], [open])).toBe('2026-11-20')
    expect(searchBegan([inOrder, low, done('PEAK', '2026-12-22T10:00:00Z')], [open])).toBe('')
    // One that is watched, mended or was left open long ago keeps no search going.
    expect(searchBegan([inOrder, low, nextDay], [fault('WATCHED', open.since)])).toBe('')
    expect(searchBegan([inOrder, low, nextDay], [mended(open.since)])).toBe('')
    expect(searchBegan([inOrder, low, nextDay], [fault('OPEN', '2026-09-01T18:00:00Z')])).toBe('')
  })

  it('leaves out what was read until it was mended, a search that led to it among that', () => {
    const [first, second] = [done('PEAK', '2026-11-19T15:00:00Z'), done('PEAK', '2026-11-20T09:00:00Z')]
    const log = [mended('2026-11-20T16:00:00Z'), fault('OPEN', '2026-11-22T10:00:00Z')]
    expect(wrongTimes([inOrder, first, second, nextDay], log)).toEqual([
      { from: first.takenAt, to: '2026-11-20T16:00:00Z' },
    ])
    // A meter that sends every hour was in order the week before.
    const sent = Array.from({ length: 24 * 7 }, (_, i) =>
      done('PEAK', new Date(Date.UTC(2026, 10, 14, i)).toISOString()),
    )
    const [only] = wrongTimes(sent, [mended('2026-11-20T16:30:00Z')])
    expect(only!.from).toBe('2026-11-17T17:00:00.000Z')
  })

  describe('on the device of whoever searches', () => {
    beforeEach(() => localStorage.clear())

    function opened(readings: Observation[]) {
      setActivePinia(createPinia())
      openJob()
      const taken = useReadings()
      taken.stored = readings
      return { faults: useFaults(), taken }
    }

    it('goes on from the day it began, also when nothing was gone over, until it is mended', async () => {
      const { faults, taken } = opened([inOrder, low])
      expect(faults.since).toBe('2026-11-20')
      faults.goOn()
      const today = done('PEAK', new Date().toISOString())
      taken.stored = [inOrder, low, today]
      expect(faults.since).toBe('2026-11-20')
      await nextTick()
      // Opened again tomorrow it is the same.
      expect(opened([inOrder, low, today]).faults.since).toBe('2026-11-20')
      useUpkeep().answer = { faults: [mended('2099-01-01T00:00:00Z')] } as JobUpkeep
      expect(useFaults().since).not.toBe('2026-11-20')
    })

    it('ends when the log says mended: what is read then is of the fence as it is now', () => {
      const noon = done('PEAK', '2026-11-23T12:00:00Z')
      const { faults, taken } = opened([inOrder, low, gone, nextDay, noon])
      expect([faults.since, faults.mended]).toEqual(['2026-11-20', ''])
      useUpkeep().answer = { faults: [mended('2026-11-23T12:30:15.5Z')] } as JobUpkeep
      expect([faults.mended, faults.begin]).toEqual(['2026-11-23T12:30:15.5Z', ''])
      // As it was before, for whoever wants to see that.
      faults.asBefore()
      expect([faults.mended, faults.begin.slice(0, 10)]).toEqual(['', '2026-11-20'])
      useUpkeep().answer = { faults: [mended('2099-11-23T12:30:15.5Z')] } as JobUpkeep
      expect(faults.mended).not.toBe('')
      useUpkeep().answer = { faults: [mended('2026-11-23T12:30:15.5Z')] } as JobUpkeep
      const fresh = opened([inOrder, low, gone, nextDay, noon])
      useUpkeep().answer = { faults: [mended('2026-11-23T12:30:15.5Z')] } as JobUpkeep
      // Read again in the afternoon: neither the search before nor what was read in it is of the fence in order.
      const after = done('PEAK', '2026-11-23T12:31:00Z')
      fresh.taken.stored = [...taken.stored, after]
      expect([fresh.faults.mended, fresh.faults.begin]).toEqual(['', '2026-11-23T12:30:15.000Z'])
      expect(fresh.faults.counted.map((r) => r.id)).toEqual([inOrder.id, after.id])
    })

    it('ends with the reading after the mend, which is taken before anybody writes', () => {
      const noon = done('PEAK', '2026-11-23T12:00:07.25Z')
      const { faults } = opened([inOrder, low, gone, nextDay, noon])
      const note = mended('2026-11-23T18:30:00Z')
      note.stands.after = { peakV: 5800, weather: 'DRY', readingId: noon.id }
      useUpkeep().answer = { faults: [note] } as JobUpkeep
      expect([faults.mended, faults.begin]).toEqual(['', '2026-11-23T12:00:07.000Z'])
      expect(faults.counted.map((r) => r.id)).toEqual([inOrder.id, noon.id])
      faults.asBefore()
      expect(faults.begin.slice(0, 10)).toBe('2026-11-20')
      note.stands.after.readingId = 'of nothing here'
      useUpkeep().answer = { faults: [{ ...note }] } as JobUpkeep
      expect(opened([inOrder, low, gone, nextDay, noon]).faults.mended).toBe('')
      useUpkeep().answer = { faults: [{ ...note }] } as JobUpkeep
      expect(useFaults().mended).toBe('2026-11-23T18:30:00Z')
    })

    it('is that of the day somebody chose', async () => {
      const { faults } = opened([inOrder, low, gone, nextDay])
      expect(faults.since).toBe('2026-11-20')
      faults.pick('2026-11-23')
      expect(faults.since).toBe('2026-11-23')
      // In order in the morning, wrong after noon.
      faults.hour = '13:00'
      expect([faults.since, new Date(faults.begin).getHours()]).toEqual(['2026-11-23', 13])
      faults.pick('2026-11-20')
      expect(faults.hour).toBe('00:00')
      // Looked up, it is forgotten with the page; gone on with, it is not.
      expect(opened([inOrder, low, gone, nextDay]).faults.since).toBe('2026-11-20')
      useFaults().pick('2026-11-23')
      useFaults().hour = '14:00'
      useFaults().goOn()
      await nextTick()
      const again = opened([inOrder, low, gone, nextDay]).faults
      expect([again.since, again.hour]).toEqual(['2026-11-23', '14:00'])
      expect(faults.days).toEqual(['2026-11-23', '2026-11-20', '2026-09-01'])
    })
  })
})
