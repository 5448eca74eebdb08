import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { moveItem, withSpec } from '@/model/planEdit'
import type { Plan } from '@/api/types'
import { bringOverAgain, outbox } from '@/model/outbox'
import { addFeature } from '@/model/landEdit'
import { latestOnly } from '@/shared/latest'
import { fakeServer, settle } from './fakeServer'
import { design, plan, ringClosed } from './fixtures'

const corner = { kind: 'corner', lineId: 'line-1', id: 'c2' } as const

describe('the open job', () => {
  let server: ReturnType<typeof fakeServer>

  beforeEach(async () => {
    await outbox.clear()
    localStorage.clear()
    setActivePinia(createPinia())
    server = fakeServer()
  })

  async function opened() {
    const { useJob } = await import('@/model/jobStore')
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
    job.reassess()
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
    const kept = await outbox.draft(`buckle.draft.${server.jobId}`)
    expect((kept!.doc as Plan).spec.preferences.units).toBe('METRIC')
    server.away = false
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.plan?.spec.preferences.units).toBe('METRIC')
    await again.saveNow()
    expect(server.plan.spec.preferences.units).toBe('METRIC')
    expect(await outbox.draft(`buckle.draft.${server.jobId}`)).toBeUndefined()
  })

  it('leaves a plan of an older Buckle where it is while the server is away', async () => {
    const key = `buckle.draft.${server.jobId}`
    localStorage.setItem(key, JSON.stringify({ saveNo: 3, plan: { of: 'before', ring: true } }))
    await bringOverAgain()
    expect(localStorage.getItem(key)).toBeNull()
    const left = await outbox.draft(key)
    server.upgradesAway = true
    const { useJob } = await import('@/model/jobStore')
    const job = useJob()
    await job.load(server.jobId).catch(() => undefined)
    await settle()
    expect(await outbox.draft(key)).toEqual(left)
    expect(await outbox.unread(key)).toBeUndefined()
    server.upgradesAway = false
    server.saveNo = 3
    server.upgraded = ringClosed(plan())
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.plan?.spec.fence.wires.ringClosed).toBe(true)
  })

  it('hands a plan left in the browser to the server to keep, when somebody saved in between', async () => {
    const left = ringClosed(plan())
    await outbox.keepDraft({ key: `buckle.draft.${server.jobId}`, saveNo: 1, schema: 3, doc: left })
    server.saveNo = 4
    const job = await opened()
    await job.saveNow()
    expect(job.saveState).toBe('conflict')
    expect(job.conflict?.keptRevision).toBe(7)
  })

  it('has a plan that an older Buckle left in the browser brought up to date, and keeps one nobody can read', async () => {
    const key = `buckle.draft.${server.jobId}`
    localStorage.setItem(key, JSON.stringify({ saveNo: 3, plan: { of: 'before', ring: true } }))
    await bringOverAgain()
    server.saveNo = 3
    server.upgraded = ringClosed(plan())
    const job = await opened()
    expect(server.older).toEqual({ schema: 1, plan: { of: 'before', ring: true } })
    expect(job.plan?.spec.fence.wires.ringClosed).toBe(true)
    await job.saveNow()
    expect(server.plan.spec.fence.wires.ringClosed).toBe(true)
    server.upgraded = null
    await outbox.keepDraft({ key, saveNo: 3, schema: 99, doc: { of: 'later' } })
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.failure).toBe('')
    expect((await outbox.unread(key))?.doc).toEqual({ of: 'later' })
  })

  it('says nothing of a plan left in the browser that the server has already', async () => {
    const { circumstances, spec, site, decisions } = plan()
    await outbox.keepDraft({
      key: `buckle.draft.${server.jobId}`,
      saveNo: 1,
      schema: 3,
      doc: { decisions, circumstances, spec, site },
    })
    server.saveNo = 4
    const job = await opened()
    await job.saveNow()
    expect(job.saveState).toBe('saved')
    expect(server.saves).toBe(0)
    expect(await outbox.draft(`buckle.draft.${server.jobId}`)).toBeUndefined()
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

describe('latest only', () => {
  function counted() {
    const ran: number[] = []
    const done: number[] = []
    const run = latestOnly(
      async (n: number) => (ran.push(n), await new Promise((r) => setTimeout(r, 3)), n),
      (n) => void done.push(n),
      () => undefined,
    )
    return { ran, done, run }
  }

  it('runs one at a time and skips what was overtaken', async () => {
    const { ran, done, run } = counted()
    for (let n = 1; n < 6; n++) void run(n)
    await run(6)
    expect(ran).toEqual([1, 6])
    expect(done).toEqual([1, 6])
  })

  it('answers nobody what was ordered before it was to forget', async () => {
    const { ran, done, run } = counted()
    void run(1)
    void run(2)
    run.forget()
    await run(3)
    expect(ran).toEqual([1, 3])
    expect(done).toEqual([3])
  })
})
