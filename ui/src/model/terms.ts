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

/** What the price of the open job has of its own. Stored at once when it is changed. */
export const useTerms = defineStore('terms', () => {
  const terms = shallowRef<JobTerms>(usualTerms)
  const problem = ref('')
  /** The job that is open, the save its terms are on, and what they are to be. */
  let open = { jobId: '', saveNo: 0, wanted: usualTerms }
  let saving = Promise.resolve()

  async function load(jobId: string) {
    const before = open.jobId
    const of = (open = { jobId, saveNo: 0, wanted: usualTerms })
    terms.value = usualTerms
    problem.value = ''
    // What is on its way of this very job is waited for.
    if (before === jobId) await saving
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
      if (of !== open) return
      problem.value = failureText(e, '')
      if (e instanceof RequestFailed && e.status === 409) await read(of)
    }
  }

  function change(next: Partial<JobTerms>) {
    const of = open
    terms.value = of.wanted = { ...terms.value, ...next }
    saving = saving.then(() => save(of))
    return saving
  }

  /** Until what was changed is stored. */
  const stored = () => saving

  return { terms, problem, load, change, stored }
})
