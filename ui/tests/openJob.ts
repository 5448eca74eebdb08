import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'
import type { Land } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { design, plan } from './fixtures'

export const noLand: Land = {
  features: [],
  spotHeights: [],
  grid: null,
  declinationDeg: null,
  underlays: [],
  tapes: [],
}
export const stubs = {
  VBtn: { template: '<button type="button" v-bind="$attrs"><slot /></button>' },
  RuleChips: true,
}

/** The open job without a server: every design answers the same layout. */
export function openJob(land = noLand) {
  setActivePinia(createPinia())
  const sent: { path: string; body: unknown }[] = []
  const answers: Record<string, unknown> = {
    '/api/design': { design: design(), assessment: { needV: null, needWhy: '', points: [], sections: [] } },
  }
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = new URL(request.url).pathname
    sent.push({ path, body: request.method === 'GET' ? null : await request.clone().json() })
    const answer = answers[path] ?? { saveNo: 2, savedAt: '', revision: 2 }
    return new Response(JSON.stringify(answer), { headers: { 'Content-Type': 'application/json' } })
  })
  const job = useJob()
  job.id = 'j'
  job.propertyId = 'p'
  job.plan = plan()
  job.land = land
  job.design = design()
  job.lineId = 'line-1'
  return { job, sent, answers }
}
