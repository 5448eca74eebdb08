import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { RequestFailed, ask, client, failureText } from '@/api/client'
import type { JobTerms } from '@/api/types'

export const usualTerms: JobTerms = {
  km: null,
  marginPercent: null,
  agreed: null,
  extras: [],
  options: [],
  scope: '',
  cutting: 'EACH',
}

const RETRY_MS = 4000
const opened = (jobId: string) => ({
  jobId,
  saveNo: 0,
  wanted: usualTerms,
  again: undefined as ReturnType<typeof setTimeout> | undefined,
})

/** What the price of the open job has of its own. Stored at once when it is changed; while the server is away it is tried again. */
export const useTerms = defineStore('terms', () => {
  const terms = shallowRef<JobTerms>(usualTerms)
  const problem = ref('')
  /** The job that is open, the save its terms are on, what they are to be, and when that is sent again. */
  let open = opened('')
  let saving = Promise.resolve()

  async function load(jobId: string) {
    const before = open
    const of = (open = opened(jobId))
    terms.value = usualTerms
    problem.value = ''
    // What is on its way of this very job is waited for.
    if (before.jobId === jobId) await (before.again === undefined ? saving : send(before))
    await read(of)
  }

  async function read(of: typeof open) {
    try {
      const found = await ask(client.GET('/api/jobs/{id}/terms', { params: { path: { id: of.jobId } } }))
      if (of !== open) return
      terms.value = of.wanted = found.terms
      of.saveNo = found.saveNo
      problem.value = ''
    } catch (e) {
      // Priced by the house's rates until the terms can be read.
      if (of === open) problem.value = e instanceof RequestFailed ? e.message : ''
    }
  }

  async function save(of: typeof open) {
    clearTimeout(of.again)
    of.again = undefined
    try {
      const stored = await ask(
        client.PUT('/api/jobs/{id}/terms', {
          params: { path: { id: of.jobId } },
          body: { baseSaveNo: of.saveNo, terms: of.wanted },
        }),
      )
      of.saveNo = stored.saveNo
      if (of === open) problem.value = ''
    } catch (e) {
      if (e instanceof RequestFailed && e.away) of.again = setTimeout(() => void send(of), RETRY_MS)
      if (of !== open) return
      problem.value = failureText(e, '')
      if (e instanceof RequestFailed && e.status === 409) await read(of)
    }
  }

  function send(of: typeof open) {
    saving = saving.then(() => save(of))
    return saving
  }

  function change(next: Partial<JobTerms>) {
    const of = open
    terms.value = of.wanted = { ...terms.value, ...next }
    return send(of)
  }

  /** Until what was changed is stored. */
  const stored = () => saving

  return { terms, problem, load, change, stored }
})
