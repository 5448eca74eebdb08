import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import type { JobUpkeep, Observation } from '@/api/types'
import { useFaults } from '@/model/faults'
import { searchBegan } from '@/model/searchBegan'
import { useReadings } from '@/model/readings'
import { useUpkeep } from '@/model/upkeep'
import { openJob } from './openJob'

const done = (kind: Observation['what']['kind'], takenAt: string, more: Partial<Observation> = {}) =>
  ({ id: `${kind} ${takenAt}`, takenAt, what: { kind }, corrects: null, ...more }) as Observation
const inOrder = done('PEAK', '2026-09-01T10:00:00Z')
const low = done('PEAK', '2026-11-20T10:00:00Z')
const gone = done('SUPPLY_CHECKED', '2026-11-22T10:00:00Z')
const nextDay = done('PEAK', '2026-11-23T10:00:00Z')

describe('a search that goes on another day', () => {
  it('began with the reading before what was gone over first', () => {
    expect(searchBegan([inOrder, low], '')).toBe('')
    expect(searchBegan([inOrder, low, gone, nextDay], '')).toBe('2026-11-20')
    // Taken back, mended since, or long ago it is none.
    const back = done('VOIDED', '2026-11-22T11:00:00Z', { corrects: gone.id })
    expect(searchBegan([inOrder, low, gone, back, nextDay], '')).toBe('')
    expect(searchBegan([inOrder, low, gone, nextDay], '2026-11-22T12:00:00Z')).toBe('')
    expect(searchBegan([inOrder, low, gone, done('PEAK', '2026-12-20T10:00:00Z')], '')).toBe('')
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
      const mended = { stands: { state: 'MENDED', notedAt: '2099-01-01T00:00:00Z' } }
      useUpkeep().answer = { faults: [mended] } as JobUpkeep
      expect(useFaults().since).not.toBe('2026-11-20')
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
