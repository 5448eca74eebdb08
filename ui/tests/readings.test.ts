import { createPinia, setActivePinia } from 'pinia'
import { describe, expect, it } from 'vitest'
import type { Observation } from '@/api/types'
import { useReadingDraft } from '@/features/test/useReadingDraft'
import { forgetHabits } from '@/model/habits'
import { bringOverAgain, outbox } from '@/model/outbox'
import { useReadings } from '@/model/readings'
import { fakeServer, settle } from './fakeServer'

describe('readings', () => {
  async function opened() {
    await outbox.clear()
    localStorage.clear()
    forgetHabits()
    setActivePinia(createPinia())
    const server = fakeServer()
    const { useJob } = await import('@/model/jobStore')
    const job = useJob()
    await job.load(server.jobId)
    await settle()
    return { server, job }
  }

  it('are checked, sent, kept while the server is away, and sent once it is back', async () => {
    const { server } = await opened()
    const draft = useReadingDraft()
    draft.kv.value = '6.1'
    expect(await draft.take()).toBe(false)
    expect(draft.failure.value).toContain('who took')
    draft.habits.takenBy = 'Mara'
    draft.kv.value = '61'
    expect(await draft.take()).toBe(false)
    draft.kv.value = '12'
    expect(await draft.take()).toBe(false)
    expect(draft.failure.value).toContain('over range')
    draft.kv.value = '6.1'
    expect(await draft.take()).toBe(true)
    await settle()
    expect(server.readings[0]).toMatchObject({
      at: { testPointId: 'energizer' },
      what: { kind: 'PEAK', peakV: 6100, overRange: false },
      takenBy: 'Mara',
    })
    expect(draft.point.value?.id).toBe('end:line-1:finish')
    server.away = true
    draft.overRange.value = true
    await draft.take()
    await settle()
    expect(draft.unsent.value).toBe(1)
    expect(server.readings).toHaveLength(1)
    server.away = false
    await draft.send()
    expect(draft.unsent.value).toBe(0)
    expect(server.readings[1]).toMatchObject({ what: { peakV: 10000, overRange: true } })
  })

  /** One that is refused stays here with its reason; the good ones beside it are stored. */
  it('of several that waited the good ones are stored, and the bad one stays with its reason', async () => {
    const { server } = await opened()
    const draft = useReadingDraft()
    const readings = useReadings()
    draft.habits.takenBy = 'Mara'
    server.away = true
    for (const kv of ['6.1', '5.9', '5.7']) {
      draft.kv.value = kv
      await draft.take()
    }
    await settle()
    expect(draft.unsent.value).toBe(3)
    server.away = false
    server.refuseReading = (r) => ('peakV' in r.what && r.what.peakV === 5900 ? 'Check the clock.' : '')
    await draft.send()
    expect(server.readings.map((r) => 'peakV' in r.what && r.what.peakV)).toEqual([6100, 5700])
    expect(draft.unsent.value).toBe(0)
    expect(readings.refused.map((r) => r.refused)).toEqual(['Check the clock.'])
    // It is still there after a reload, and is not sent again by itself.
    setActivePinia(createPinia())
    const again = useReadings()
    await again.load(server.jobId)
    await again.send()
    expect([again.refused.length, server.readings.length]).toEqual([1, 2])
    await again.drop(again.refused[0]!.id)
    expect(await outbox.readings(server.jobId)).toEqual([])
  })

  it('that wait of another job are sent without opening it, and go to it', async () => {
    const { server } = await opened()
    const readings = useReadings()
    const reading = (id: string) => ({ id, takenAt: '2026-11-02T08:30:00Z', takenBy: 'Mara' }) as Observation
    // Another job is opened while the device still keeps it.
    const kept = readings.keep([reading('mine')])
    const other = readings.load('another').catch(() => undefined)
    await Promise.all([kept, other])
    expect(readings.waiting).toEqual([])
    expect((await outbox.waiting()).readings.map((r) => [r.id, r.jobId])).toEqual([['mine', server.jobId]])
    await readings.sendEverything()
    expect(server.readings.map((r) => r.id)).toEqual(['mine'])
    expect((await outbox.waiting()).readings).toEqual([])
  })

  it('that an older Buckle kept in this browser are brought over and sent', async () => {
    const { server, job } = await opened()
    const old: Observation = {
      id: 'old-1',
      at: { testPointId: 'energizer', lineId: 'line-1', stationM: 0, place: [1, 44] },
      what: { kind: 'PEAK', wire: 0, peakV: 7000, overRange: false, rangeV: null, resolutionV: null },
      meter: null,
      openSwitches: null,
      takenAt: '2026-11-02T08:30:00.000Z',
      takenBy: 'Mara',
      weather: 'DRY',
      growth: 'CLEAN',
      note: '',
      corrects: null,
    }
    localStorage.setItem('buckle.readings.waiting', JSON.stringify({ [server.jobId]: [old] }))
    await bringOverAgain()
    expect(localStorage.getItem('buckle.readings.waiting')).toBeNull()
    await job.load(server.jobId)
    await useReadings().send()
    expect(server.readings.map((r) => r.id)).toEqual(['old-1'])
  })

  it('corrects a reading as it was taken: at its place and its time, with its meter', async () => {
    const { server, job } = await opened()
    const taken: Observation = {
      id: 'r1',
      at: { testPointId: 'end:line-1:finish', lineId: 'line-1', stationM: 300, place: [1.0004, 44.0002] },
      what: { kind: 'PEAK', wire: 1, peakV: 3100, overRange: false, rangeV: 10000, resolutionV: null },
      meter: 'green-meter',
      openSwitches: ['cut-1'],
      takenAt: '2026-11-02T08:30:00.000Z',
      takenBy: 'Mara',
      weather: 'RAIN',
      growth: 'CLEAN',
      note: '',
      corrects: null,
    }
    const draft = useReadingDraft()
    draft.habits.takenBy = 'Mara'
    draft.correct(taken)
    expect(draft.kv.value).toBe('3.1')
    draft.kv.value = '5.1'
    expect(await draft.take()).toBe(true)
    await settle()
    const { at, meter, openSwitches, takenAt } = taken
    expect(server.readings).toMatchObject([
      { at, meter, openSwitches, takenAt, what: { peakV: 5100, wire: 1 }, corrects: 'r1' },
    ])
    // It was a correction: the next one is a reading of its own, here and now.
    draft.kv.value = '5.2'
    expect(await draft.take()).toBe(true)
    await settle()
    const here = job.testPoints.find((p) => p.id === 'end:line-1:finish')!
    expect(server.readings[1]).toMatchObject({ at: { stationM: here.stationM }, meter: null, corrects: null })
    expect(server.readings[1]!.takenAt > takenAt).toBe(true)
  })
})
