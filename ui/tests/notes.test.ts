import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import type { Observation } from '@/api/types'
import { useNoteDraft } from '@/features/faults/useNoteDraft'
import { forgetHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { outbox } from '@/model/outbox'
import { useReadings } from '@/model/readings'
import { useUpkeep } from '@/model/upkeep'
import { fakeServer, settle } from './fakeServer'

describe('a note of a fault', () => {
  beforeEach(async () => {
    await outbox.clear()
    localStorage.clear()
    forgetHabits()
    setActivePinia(createPinia())
  })

  async function opened() {
    const server = fakeServer()
    await useJob().load(server.jobId)
    await settle()
    const upkeep = useUpkeep()
    await upkeep.load(server.jobId)
    const draft = useNoteDraft()
    draft.begin(null)
    draft.habits.takenBy = 'Mara'
    return { server, upkeep, draft }
  }

  const noted = (draft: ReturnType<typeof useNoteDraft>) => {
    const note = draft.made()
    if (typeof note === 'string') throw new Error(note)
    return note
  }

  it('is kept here while the server is away, over a reload too, and sent once when it is back', async () => {
    const { server, upkeep, draft } = await opened()
    server.away = true
    expect(await upkeep.write(noted(draft))).toBe(true)
    expect(upkeep.kept).toHaveLength(1)
    setActivePinia(createPinia())
    const again = useUpkeep()
    await again.load(server.jobId)
    expect([again.kept.length, again.known, again.answer]).toEqual([1, true, null])
    server.away = false
    await Promise.all([again.load(server.jobId), again.sendNotes()])
    expect(again.kept).toHaveLength(0)
    expect(server.notes.map((n) => n.notedBy)).toEqual(['Mara'])
    expect(again.answer?.faults).toHaveLength(1)
    await again.sendNotes()
    expect(server.notes).toHaveLength(1)
  })

  it('that is refused stays where it is written; one that waited stays here with the reason until it is deleted', async () => {
    const { server, upkeep, draft } = await opened()
    const bad = { ...noted(draft), id: 'bad', notedBy: '' }
    expect(await upkeep.write(bad)).toBe(false)
    expect([upkeep.problem, upkeep.kept.length]).toEqual(['Say who writes this down.', 0])
    server.away = true
    await upkeep.write(bad)
    await upkeep.write(noted(draft))
    // The first of another job, which this page does not show.
    const elsewhere = { ...noted(draft), id: 'of another job' }
    await outbox.keepNote({ id: elsewhere.id, jobId: 'another', note: elsewhere, refused: '' })
    server.away = false
    await upkeep.sendNotes()
    expect(server.notes.map((n) => n.id)).toEqual([noted(draft).id])
    expect(upkeep.kept.map((n) => n.refused)).toEqual(['Say who writes this down.'])
    expect((await outbox.waiting()).notes.map((n) => n.jobId)).toEqual([server.jobId, 'another'])
    await upkeep.drop(bad.id)
    expect(upkeep.kept).toHaveLength(0)
  })

  it('begins with what the search said: its weakest reading and its minutes', async () => {
    const { server } = await opened()
    const read = (id: string, ago: number, peakV: number, more: Partial<Observation> = {}) =>
      ({
        id,
        at: { testPointId: null, lineId: 'line-1', stationM: 40, place: [0, 0] },
        what: { kind: 'PEAK', wire: 0, peakV, overRange: false, rangeV: null, resolutionV: null },
        weather: 'RAIN',
        openSwitches: [],
        takenAt: new Date(Date.now() - ago * 60_000).toISOString(),
        corrects: null,
        ...more,
      }) as Observation
    useReadings().add(server.jobId, [
      read('morning', 200, 900),
      read('first', 30, 3400),
      read('weakest', 20, 3180),
      read('cut open', 15, 1000, { openSwitches: ['cut-1'] }),
      read('wrong', 10, 200),
      read('voided', 9, 0, { what: { kind: 'VOIDED' }, corrects: 'wrong' }),
      read('over', 5, 0, { what: { kind: 'LOOKED_OVER' } as Observation['what'] }),
    ])
    const draft = useNoteDraft()
    draft.begin(null)
    expect([draft.search.value, draft.before.value, draft.beforeWeather.value]).toEqual(['25', '0.9', 'RAIN'])
    useReadings().add(server.jobId, [read('void', 1, 0, { what: { kind: 'VOIDED' }, corrects: 'morning' })])
    draft.begin(null)
    expect([draft.before.value, draft.readAt.value]).toEqual(['3.2', 'Square, 131 ft'])
    expect(noted(draft).before).toEqual({ peakV: 3180, weather: 'RAIN', readingId: 'weakest' })
    // Mended and read there again, then written down.
    useReadings().add(server.jobId, [
      read('again', 0.5, 5800, { weather: 'DRY' }),
      read('still', 0.4, 3300),
      read('elsewhere', 0.3, 6500, {
        at: { testPointId: null, lineId: 'line-1', stationM: 60, place: [0, 0] },
      }),
    ])
    draft.state.value = 'MENDED'
    await nextTick()
    expect([draft.after.value, draft.afterWeather.value]).toEqual(['5.8', 'DRY'])
    draft.part.value = 'JOINT'
    expect(noted(draft).after).toEqual({ peakV: 5800, weather: 'DRY', readingId: 'again' })
    draft.after.value = '5.7'
    expect(noted(draft).after).toEqual({ peakV: 5700, weather: 'DRY', readingId: null })
    draft.state.value = 'OPEN'
    draft.before.value = '3.3'
    expect([draft.readAt.value, noted(draft).before?.readingId]).toEqual(['', null])
    // Of yesterday's it is not told.
    useReadings().stored = [read('yesterday', 1500, 3000)]
    draft.begin(null)
    expect([draft.search.value, draft.before.value]).toEqual(['', ''])
  })
})
