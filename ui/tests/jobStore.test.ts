import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { moveItem, withSpec } from '@/features/job/planEdit'
import { useReadingDraft } from '@/features/test/useReadingDraft'
import type { Land, Plan, Reading } from '@/api/types'
import { addFeature } from '@/features/job/landEdit'
import { latestOnly } from '@/shared/latest'
import { design, packed, plan } from './fixtures'

let servers = 0
/** Questions the stand-in has not answered yet. */
let busy = 0

/**
 * A small stand-in for the server: holds one plan and its readings, and can be away, refuse or be ahead. Its job has a name
 * of its own, so that a save left under way by one test is a stranger to the next.
 */
function fakeServer() {
  const jobId = `j${++servers}`
  const propertyId = `p${servers}`
  const state = {
    jobId,
    saveNo: 1,
    plan: plan(),
    landSaveNo: 1,
    land: noLand,
    landSaves: 0,
    readings: [] as Reading[],
    away: false,
    refuse: '',
    saves: 0,
    designs: 0,
    moving: 0,
  }
  const json = (status: number, body: unknown) =>
    new Response(JSON.stringify(body), {
      status,
      headers: { 'Content-Type': status < 400 ? 'application/json' : 'application/problem+json' },
    })
  vi.stubGlobal('fetch', async (request: Request) => {
    busy++
    try {
      return await respond(request)
    } finally {
      busy--
    }
  })
  async function respond(request: Request) {
    if (state.away) throw new TypeError('no way there')
    const path = new URL(request.url).pathname
    const named = /^\/api\/(?:jobs|properties)\/([^/]+)/.exec(path)?.[1]
    if (named && named !== jobId && named !== propertyId) return json(404, { detail: 'not here', errors: [] })
    const body = request.method === 'GET' ? null : await request.clone().json()
    if (path.endsWith('/design') || path.endsWith('/design/moving')) {
      state.designs++
      if (state.refuse) return json(422, { detail: state.refuse, code: 'line.crosses-itself', errors: [] })
      const points = design().layout.testPoints.map((p) => ({
        testPointId: p.id,
        standing: 'OPEN',
        readingId: null,
        peakV: null,
        why: '',
      }))
      const assessment = { needV: 4500, needWhy: '', points, sections: [] }
      if (path.endsWith('/design')) return json(200, { design: design(), assessment })
      state.moving++
      return json(200, { ...packed(design()), assessment })
    }
    if (path.endsWith('/readings') && request.method === 'POST') state.readings.push(...(body as Reading[]))
    if (path.endsWith('/readings')) return json(200, state.readings)
    if (path.endsWith('/catalogue'))
      return json(200, {
        rulebook: 1,
        rules: [],
        presets: [],
        animals: [],
        gateOpeningM: 5,
        usual: plan().spec,
      })
    if (path === '/api/jobs')
      return json(200, [{ id: jobId, name: 'Job', client: '', property: '', propertyId }])
    if (path.endsWith('/land')) {
      if (request.method === 'PUT') {
        const save = body as { baseSaveNo: number; land: Land }
        if (save.baseSaveNo !== state.landSaveNo)
          return json(409, { detail: 'stale', code: 'land.stale', keptRevision: 4, currentRevision: 2 })
        state.landSaves++
        state.landSaveNo++
        state.land = save.land
      }
      return json(200, {
        propertyId,
        client: '',
        name: '',
        revision: 1,
        saveNo: state.landSaveNo,
        land: state.land,
        savedAt: '2026-11-01T10:00:00Z',
        jobs: 1,
      })
    }
    if (request.method === 'PUT') {
      const save = body as { baseSaveNo: number; plan: Plan }
      if (save.baseSaveNo !== state.saveNo)
        return json(409, { detail: 'stale', code: 'plan.stale', keptRevision: 7, currentRevision: 3 })
      state.saves++
      state.saveNo++
      state.plan = save.plan
    }
    return json(200, { revision: 2, saveNo: state.saveNo, plan: state.plan, savedAt: '2026-11-01T10:00:00Z' })
  }
  return state
}

const noLand: Land = {
  features: [],
  spotHeights: [],
  grid: null,
  declinationDeg: null,
  underlays: [],
  tapes: [],
}

/** Waits until nothing has been asked for a while, however slow the machine is. */
const settle = async () => {
  for (let quiet = 0; quiet < 12; quiet = busy ? 0 : quiet + 1) await new Promise((r) => setTimeout(r, 5))
}
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
    job.change((p) => withSpec(p, { units: 'METRIC' }))
    await settle()
    await job.saveNow()
    expect(job.saveState).toBe('away')
    expect(JSON.parse(localStorage.getItem(`buckle.draft.${server.jobId}`)!).doc.spec.units).toBe('METRIC')
    server.away = false
    setActivePinia(createPinia())
    const again = await opened()
    expect(again.plan?.spec.units).toBe('METRIC')
    await again.saveNow()
    expect(server.plan.spec.units).toBe('METRIC')
    expect(localStorage.getItem(`buckle.draft.${server.jobId}`)).toBeNull()
  })

  it('hands a plan left in the browser to the server to keep, when somebody saved in between', async () => {
    const left = withSpec(plan(), { ringClosed: true })
    localStorage.setItem(`buckle.draft.${server.jobId}`, JSON.stringify({ saveNo: 1, plan: left }))
    server.saveNo = 4
    const job = await opened()
    await job.saveNow()
    expect(job.saveState).toBe('conflict')
    expect(job.conflict?.keptRevision).toBe(7)
  })

  it('says nothing of a plan left in the browser that the server has already', async () => {
    const { spec, site, decisions } = plan()
    localStorage.setItem(
      `buckle.draft.${server.jobId}`,
      JSON.stringify({ saveNo: 1, plan: { decisions, spec, site } }),
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
    job.change((p) => withSpec(p, { ringClosed: true }))
    await settle()
    await job.saveNow()
    expect(job.saveState).toBe('conflict')
    expect(job.conflict?.keptRevision).toBe(7)
    await job.settle(false)
    await settle()
    expect(job.saveState).toBe('saved')
    expect(job.plan?.spec.ringClosed).toBe(false)
  })
})

describe('readings', () => {
  it('are checked, sent, kept while the server is away, and sent once it is back', async () => {
    localStorage.clear()
    setActivePinia(createPinia())
    const server = fakeServer()
    const { useJob } = await import('@/features/job/jobStore')
    const job = useJob()
    await job.load(server.jobId)
    await settle()
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
      testPointId: 'energizer',
      peakV: 6100,
      takenBy: 'Mara',
      overRange: false,
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
    expect(server.readings[1]).toMatchObject({ peakV: 10000, overRange: true })
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
