import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { moveItem, withSpec } from '@/features/job/planEdit'
import type { Observation } from '@/api/types'
import { useReadingDraft } from '@/features/test/useReadingDraft'
import { addFeature } from '@/features/job/landEdit'
import { latestOnly } from '@/shared/latest'
import { fakeServer, settle } from './fakeServer'
import { design, plan, ringClosed } from './fixtures'

const corner = { kind: 'corner', lineId: 'line-1', id: 'c2' } as const

describe('the open job', () => {
  let server: ReturnType<typeof fakeServer>

  beforeEach(() => {
    localStorage.clear()
    setActivePinia(createPinia())
    server = fakeServer()
  })

  async function opened() {
    const { useJob } = await import('@/features/job/jobStore')
    const job = useJob()
    await job.load(server.jobId)
    await settle()
    return job
  }

  it('lays out and saves each change, and takes it back', async () => {
    const job = await opened()
    expect(job.design?.layout.lines).toHaveLength(1)
    job.change((p) => moveItem(p, corner, [1.002, 44]))
    await settle()
    await job.saveNow()
    expect(server.plan.site.lines[0]!.corners[1]!.at).toEqual([1.002, 44])
    expect(job.saveState).toBe('saved')
    job.undo()
    await settle()
    await job.saveNow()
    expect(server.plan.site.lines[0]!.corners[1]!.at).toEqual([1.00125, 44])
    job.redo()
    expect(job.plan?.site.lines[0]!.corners[1]!.at).toEqual([1.002, 44])
  })

  it('one drag is one step to undo, however many pictures it made', async () => {
    const job = await opened()
    const before = job.held()!
    for (let i = 0; i < 10; i++) job.drag(moveItem(before.plan, corner, [1.001 + i * 1e-4, 44]))
    await settle()
    expect(server.moving).toBeGreaterThan(0)
    const posts = (d: typeof job.design) => d!.layout.lines[0]!.posts
    expect(posts(job.design).map((p) => p.stationM)).toEqual(posts(design()).map((p) => p.stationM))
    const rough = posts(job.design).filter((p) => p.kind === 'LINE')
    expect(new Set(rough.map((p) => p.lengthM)).size).toBe(1)
    const braces = (d: typeof job.design) =>
      d!.layout.lines[0]!.braces.map((b) => [b.kind, b.strongStationM, b.braceStationM])
    expect([job.rough, braces(job.design)]).toEqual([true, braces(design())])
    job.drop(before)
    await settle()
    expect([job.rough, job.design]).toEqual([false, design()])
    job.undo()
    expect(job.plan).toEqual(before.plan)
    expect(job.canUndo).toBe(false)
  })

  it('saves a change even when readings are asked about before the core has answered it', async () => {
    const job = await opened()
    job.change((p) => moveItem(p, corner, [1.002, 44]))
    job.change((p) => moveItem(p, corner, [1.003, 44]))
    expect(job.saveState).toBe('waiting')
    await job.addReadings([])
    await vi.waitFor(() => expect(server.plan.site.lines[0]!.corners[1]!.at).toEqual([1.003, 44]), {
      timeout: 4000,
    })
    await vi.waitFor(() => expect(job.saveState).toBe('saved'), { timeout: 4000 })
  })

  it('undoes plan and land in the order they were changed, and saves only what changed', async () => {
    const job = await opened()
    job.changeLand(
      (l) =>
        addFeature(l, 'CREEK', 'LINE', [
          [1, 44],
          [1.001, 44],
        ]).land,
    )
    await settle()
    await job.saveNow()
    await vi.waitFor(() => expect([server.saves, server.landSaves]).toEqual([0, 1]), { timeout: 4000 })
    job.change((p) => moveItem(p, corner, [1.002, 44]))
    await settle()
    await job.saveNow()
    await vi.waitFor(() => expect([server.saves, server.landSaves]).toEqual([1, 1]), { timeout: 4000 })
    job.undo()
    expect(job.land?.features).toHaveLength(1)
    expect(job.plan?.site.lines[0]!.corners[1]!.at).toEqual([1.00125, 44])
    job.undo()
    expect(job.land?.features).toHaveLength(0)
    await settle()
    await job.saveNow()
    await vi.waitFor(() => expect(server.land.features).toHaveLength(0), { timeout: 4000 })
    expect(job.canUndo).toBe(false)
  })

  it('puts the plan back when the core refuses the change', async () => {
    const job = await opened()
    const before = job.plan!
    server.refuse = 'Line Square crosses itself near station 120.0 m.'
    job.change((p) => moveItem(p, corner, [0.9, 44.01]))
    await settle()
    expect(job.problem).toContain('crosses itself')
    expect(job.plan).toEqual(before)
    expect(server.saves).toBe(0)
  })

  it('keeps changes in the browser while the server is away and takes them up again', async () => {
    const job = await opened()
    server.away = true
    job.change((p) => withSpec(p, { preferences: { units: 'METRIC' } }))
    await settle()
    await job.saveNow()
    expect(job.saveState).toBe('away')
    expect(JSON.parse(localStorage.getItem(`buckle.draft.${server.jobId}`)!).doc.spec.preferences.units).toBe(
      'METRIC',
    )
    server.away = false
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.plan?.spec.preferences.units).toBe('METRIC')
    await again.saveNow()
    expect(server.plan.spec.preferences.units).toBe('METRIC')
    expect(localStorage.getItem(`buckle.draft.${server.jobId}`)).toBeNull()
  })

  it('leaves a plan of an older Buckle where it is while the server is away', async () => {
    const key = `buckle.draft.${server.jobId}`
    const left = JSON.stringify({ saveNo: 3, plan: { of: 'before', ring: true } })
    localStorage.setItem(key, left)
    server.upgradesAway = true
    const { useJob } = await import('@/features/job/jobStore')
    const job = useJob()
    await job.load(server.jobId).catch(() => undefined)
    await settle()
    expect(localStorage.getItem(key)).toBe(left)
    expect(localStorage.getItem(`${key}.unread`)).toBeNull()
    server.upgradesAway = false
    server.saveNo = 3
    server.upgraded = ringClosed(plan())
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.plan?.spec.fence.wires.ringClosed).toBe(true)
  })

  it('hands a plan left in the browser to the server to keep, when somebody saved in between', async () => {
    const left = ringClosed(plan())
    localStorage.setItem(`buckle.draft.${server.jobId}`, JSON.stringify({ saveNo: 1, schema: 3, doc: left }))
    server.saveNo = 4
    const job = await opened()
    await job.saveNow()
    expect(job.saveState).toBe('conflict')
    expect(job.conflict?.keptRevision).toBe(7)
  })

  it('has a plan that an older Buckle left in the browser brought up to date, and keeps one nobody can read', async () => {
    const key = `buckle.draft.${server.jobId}`
    localStorage.setItem(key, JSON.stringify({ saveNo: 3, plan: { of: 'before', ring: true } }))
    server.saveNo = 3
    server.upgraded = ringClosed(plan())
    const job = await opened()
    expect(server.older).toEqual({ schema: 1, plan: { of: 'before', ring: true } })
    expect(job.plan?.spec.fence.wires.ringClosed).toBe(true)
    await job.saveNow()
    expect(server.plan.spec.fence.wires.ringClosed).toBe(true)
    server.upgraded = null
    localStorage.setItem(key, JSON.stringify({ saveNo: 3, schema: 99, doc: { of: 'later' } }))
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.failure).toBe('')
    expect(localStorage.getItem(`${key}.unread`)).toContain('later')
  })

  it('says nothing of a plan left in the browser that the server has already', async () => {
    const { circumstances, spec, site, decisions } = plan()
    localStorage.setItem(
      `buckle.draft.${server.jobId}`,
      JSON.stringify({ saveNo: 1, schema: 3, doc: { decisions, circumstances, spec, site } }),
    )
    server.saveNo = 4
    const job = await opened()
    await job.saveNow()
    expect(job.saveState).toBe('saved')
    expect(server.saves).toBe(0)
    expect(localStorage.getItem(`buckle.draft.${server.jobId}`)).toBeNull()
  })

  it('stops at a stale save and settles it either way', async () => {
    const job = await opened()
    server.saveNo = 5
    job.change((p) => ringClosed(p))
    await settle()
    await job.saveNow()
    expect(job.saveState).toBe('conflict')
    expect(job.conflict?.keptRevision).toBe(7)
    await job.settle(false)
    await settle()
    expect(job.saveState).toBe('saved')
    expect(job.plan?.spec.fence.wires.ringClosed).toBe(false)
  })
})

describe('readings', () => {
  async function opened() {
    localStorage.clear()
    setActivePinia(createPinia())
    const server = fakeServer()
    const { useJob } = await import('@/features/job/jobStore')
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
    expect(draft.failure.value).toContain('who takes')
    draft.habits.takenBy = 'Mara'
    draft.kv.value = '61'
    expect(await draft.take()).toBe(false)
    draft.kv.value = '12'
    expect(await draft.take()).toBe(false)
    expect(draft.failure.value).toContain('over range')
    draft.kv.value = '6.1'
    expect(await draft.take()).toBe(true)
    expect(server.readings[0]).toMatchObject({
      at: { testPointId: 'energizer' },
      what: { kind: 'PEAK', peakV: 6100, overRange: false },
      takenBy: 'Mara',
    })
    expect(draft.point.value?.id).toBe('end:line-1:finish')
    server.away = true
    draft.overRange.value = true
    await draft.take()
    expect(draft.unsent.value).toBe(1)
    expect(server.readings).toHaveLength(1)
    server.away = false
    await draft.send()
    expect(draft.unsent.value).toBe(0)
    expect(server.readings[1]).toMatchObject({ what: { peakV: 10000, overRange: true } })
  })

  it('corrects a reading as it was taken: at its place and its time, with its meter', async () => {
    const { server, job } = await opened()
    const taken: Observation = {
      id: 'r1',
      at: { testPointId: 'end:line-1:finish', lineId: 'line-1', stationM: 300, place: [1.0004, 44.0002] },
      what: { kind: 'PEAK', wire: 1, peakV: 3100, overRange: false, rangeV: 10000 },
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
    const { at, meter, openSwitches, takenAt } = taken
    expect(server.readings).toMatchObject([
      { at, meter, openSwitches, takenAt, what: { peakV: 5100, wire: 1 }, corrects: 'r1' },
    ])
    // It was a correction: the next one is a reading of its own, here and now.
    draft.kv.value = '5.2'
    expect(await draft.take()).toBe(true)
    const here = job.testPoints.find((p) => p.id === 'end:line-1:finish')!
    expect(server.readings[1]).toMatchObject({ at: { stationM: here.stationM }, meter: null, corrects: null })
    expect(server.readings[1]!.takenAt > takenAt).toBe(true)
  })
})

describe('latest only', () => {
  it('runs one at a time and skips what was overtaken', async () => {
    const ran: number[] = []
    const done: number[] = []
    const run = latestOnly(
      async (n: number) => (ran.push(n), await new Promise((r) => setTimeout(r, 3)), n),
      (n) => void done.push(n),
      () => undefined,
    )
    for (let n = 1; n <= 6; n++) run(n)
    await settle()
    expect(ran).toEqual([1, 6])
    expect(done).toEqual([1, 6])
  })
})
