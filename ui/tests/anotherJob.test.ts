import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { JobTerms, Observation } from '@/api/types'
import { outbox } from '@/model/outbox'
import { moveItem } from '@/model/planEdit'
import { usualTerms, useTerms } from '@/model/terms'
import { fakeServer, settle } from './fakeServer'

const corner = { kind: 'corner', lineId: 'line-1', id: 'c2' } as const

/** On a slow way to the server somebody goes on to another job before all of the first is here or there. */
describe('a job opened after another', () => {
  function twoJobs() {
    const first = fakeServer()
    const askFirst = globalThis.fetch
    const second = fakeServer()
    const askSecond = globalThis.fetch
    const waiting: (() => void)[] = []
    const way = { held: false, away: false, terms: [] as { job: string; body: { terms: JobTerms } }[] }
    vi.stubGlobal('fetch', async (request: Request) => {
      const path = new URL(request.url).pathname
      const ofFirst = path.split('/').some((part) => part === first.jobId || part === first.propertyId)
      if (ofFirst && way.held) await new Promise<void>((go) => waiting.push(go))
      if (way.away) throw new TypeError('no way there')
      if (path.endsWith('/terms')) {
        if (request.method === 'PUT')
          way.terms.push({ job: path.split('/')[3]!, body: await request.clone().json() })
        return new Response(JSON.stringify({ saveNo: way.terms.length, terms: usualTerms }))
      }
      return (ofFirst ? askFirst : askSecond)(request)
    })
    const release = async () => {
      way.held = false
      while (waiting.length) {
        waiting.splice(0).forEach((go) => go())
        await settle()
      }
    }
    return { first, second, way, release }
  }

  beforeEach(async () => {
    await outbox.clear()
    setActivePinia(createPinia())
  })

  it('shows nothing of the first, whose answers come late, and saves nothing to the wrong one', async () => {
    const { first, second, way, release } = twoJobs()
    first.readings.push({ id: 'r', takenAt: '2026-05-02T09:00:00Z' } as Observation)
    const { useJob } = await import('@/model/jobStore')
    const job = useJob()
    way.held = true
    const late = job.load(first.jobId)
    await settle()
    second.plan = moveItem(second.plan, corner, [1.003, 44])
    await job.load(second.jobId)
    await settle()
    await release()
    await late
    expect([job.id, job.propertyId, job.readings]).toEqual([second.jobId, second.propertyId, []])
    expect(job.plan?.site.lines[0]!.corners[1]!.at).toEqual([1.003, 44])
    job.change((p) => moveItem(p, corner, [1.004, 44]))
    await settle()
    await job.saveNow()
    expect([first.saves, second.saves]).toEqual([0, 1])
    expect(second.plan.site.lines[0]!.corners[1]!.at).toEqual([1.004, 44])
  })

  it('leaves what still waits of the first to the first', async () => {
    const { first, second, way, release } = twoJobs()
    const { useJob } = await import('@/model/jobStore')
    const job = useJob()
    await job.load(first.jobId)
    await settle()
    way.held = true
    for (const lon of [1.002, 1.0021]) {
      job.change((p) => moveItem(p, corner, [lon, 44]))
      await settle()
      void job.saveNow()
      await settle()
    }
    const was = second.plan
    void job.load(second.jobId)
    await settle()
    await release()
    await settle()
    expect(first.plan.site.lines[0]!.corners[1]!.at).toEqual([1.0021, 44])
    expect([first.saves, second.saves, second.plan]).toEqual([2, 0, was])
    expect(job.saveState).toBe('saved')
    expect((await outbox.waiting()).drafts).toEqual([])
  })

  it('opened again at once, builds on what was on its way', async () => {
    const { first, way, release } = twoJobs()
    const { useJob } = await import('@/model/jobStore')
    const job = useJob()
    await job.load(first.jobId)
    await settle()
    way.held = true
    job.change((p) => moveItem(p, corner, [1.002, 44]))
    await settle()
    const again = job.load(first.jobId)
    await settle()
    await release()
    await again
    job.change((p) => moveItem(p, corner, [1.0022, 44]))
    await settle()
    await job.saveNow()
    expect(job.saveState).toBe('saved')
    expect(first.plan.site.lines[0]!.corners[1]!.at).toEqual([1.0022, 44])
  })

  it('sends terms that could not be sent again by itself, to the job they are of', async () => {
    const { first, second, way } = twoJobs()
    const terms = useTerms()
    await terms.load(first.jobId)
    vi.useFakeTimers()
    try {
      way.away = true
      await terms.change({ km: 12 })
      expect(terms.problem).toContain('does not answer')
      await vi.advanceTimersByTimeAsync(9000)
      expect(way.terms).toHaveLength(0)
      way.away = false
      await terms.load(second.jobId)
      await vi.advanceTimersByTimeAsync(9000)
      expect(way.terms.map((t) => [t.job, t.body.terms.km])).toEqual([[first.jobId, 12]])
      expect([terms.terms, terms.problem]).toEqual([usualTerms, ''])
    } finally {
      vi.useRealTimers()
    }
  })

  it('leaves terms of the first that still wait to the first', async () => {
    const { first, second, way, release } = twoJobs()
    const terms = useTerms()
    await terms.load(first.jobId)
    way.held = true
    void terms.change({ km: 12 })
    const changed = terms.change({ scope: 'posts by the client' })
    await settle()
    await terms.load(second.jobId)
    await release()
    await changed
    expect(way.terms.map((t) => t.job)).toEqual([first.jobId, first.jobId])
    expect(way.terms.at(-1)!.body.terms).toMatchObject({ km: 12, scope: 'posts by the client' })
    expect(terms.terms).toEqual(usualTerms)
  })
})
