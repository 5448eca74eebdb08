import { vi } from 'vitest'
import type { FaultNote, Land, Plan, Observation } from '@/api/types'
import { design, packed, plan } from './fixtures'
import { noLand } from './openJob'

let servers = 0
/** Questions the stand-in has not answered yet. */
let busy = 0

const upkeep = (notes: FaultNote[]) => ({
  faults: notes.map((n) => ({ stands: n, since: n.notedAt, mendedSince: null, notes: 1, gains: {} })),
  trends: [],
  round: null,
  roundDays: null,
})

/**
 * A small stand-in for the server: holds one plan and its readings, and can be away, refuse or be ahead. Its job has a name
 * of its own, so that a save left under way by one test is a stranger to the next.
 */
export function fakeServer() {
  const jobId = `j${++servers}`
  const propertyId = `p${servers}`
  const state = {
    jobId,
    propertyId,
    saveNo: 1,
    plan: plan(),
    landSaveNo: 1,
    land: noLand,
    landSaves: 0,
    readings: [] as Observation[],
    notes: [] as FaultNote[],
    away: false,
    refuse: '',
    /** Why a reading is refused; empty when it is taken. */
    refuseReading: (reading: Observation): string => (reading.takenBy === '' ? 'nobody' : ''),
    /** What a plan of an older schema is brought up to; null when it cannot be read. */
    upgraded: null as Plan | null,
    older: null as unknown,
    /** The server goes away just when it is asked to. */
    upgradesAway: false,
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
    if (named && named !== 'plan' && named !== jobId && named !== propertyId)
      return json(404, { detail: 'not here', errors: [] })
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
    if (path.endsWith('/readings') && request.method === 'POST') {
      const sent = body as Observation[]
      const refused = sent
        .map((r, index) => ({
          index,
          id: r.id,
          code: 'reading.time',
          message: state.refuseReading(r),
          errors: [],
        }))
        .filter((r) => r.message)
      if (sent.length > 0 && refused.length === sent.length)
        return json(422, {
          detail: refused[0]!.message,
          code: 'reading.time',
          errors: refused.map((r) => ({ code: r.code, path: `[${r.index}].takenAt`, message: r.message })),
        })
      state.readings.push(...sent.filter((r) => state.refuseReading(r) === ''))
      return json(200, { readings: state.readings, refused, doubts: [] })
    }
    if (path.endsWith('/readings')) return json(200, state.readings)
    if (path.endsWith('/log')) {
      const note = body as FaultNote
      if (note.notedBy === '') return json(422, { detail: 'Say who writes this down.', errors: [] })
      if (!state.notes.some((n) => n.id === note.id)) state.notes.push(note)
    }
    if (path.endsWith('/log') || path.endsWith('/upkeep')) return json(200, upkeep(state.notes))
    if (path.endsWith('/failures')) return json(200, { order: [] })
    if (path.endsWith('/plan/upgrade')) {
      if (state.upgradesAway) throw new TypeError('no way there')
      state.older = body
      return state.upgraded
        ? json(200, state.upgraded)
        : json(422, { detail: 'cannot be read', code: 'document.unreadable', errors: [] })
    }
    if (path.endsWith('/catalogue'))
      return json(200, {
        rulebook: 1,
        rules: [],
        presets: [],
        animals: [],
        gateOpeningM: 5,
        planSchema: 3,
        dialect: [],
        usual: plan().spec,
      })
    if (path === `/api/jobs/${jobId}`)
      return json(200, { id: jobId, name: 'Job', client: '', property: '', propertyId })
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

/** Waits until nothing has been asked for a while, however slow the machine is. */
export const settle = async () => {
  for (let quiet = 0; quiet < 12; quiet = busy ? 0 : quiet + 1) await new Promise((r) => setTimeout(r, 5))
}
