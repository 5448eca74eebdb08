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
  const jobId = ref('')
  const terms = shallowRef<JobTerms>(usualTerms)
  const saveNo = ref(0)
  const problem = ref('')
  let saving = Promise.resolve()

  async function load(id: string) {
    jobId.value = id
    terms.value = usualTerms
    saveNo.value = 0
    problem.value = ''
    try {
      const found = await ask(client.GET('/api/jobs/{id}/terms', { params: { path: { id } } }))
      if (jobId.value === id) take(found)
    } catch (e) {
      // Priced by the house's rates until the terms can be read.
      problem.value = e instanceof RequestFailed ? e.message : ''
    }
  }

  function take(found: { saveNo: number; terms: JobTerms }) {
    terms.value = found.terms
    saveNo.value = found.saveNo
    problem.value = ''
  }

  async function save() {
    const id = jobId.value
    try {
      const stored = await ask(
        client.PUT('/api/jobs/{id}/terms', {
          params: { path: { id } },
          body: { baseSaveNo: saveNo.value, terms: terms.value },
        }),
      )
      if (jobId.value !== id) return
      saveNo.value = stored.saveNo
      problem.value = ''
    } catch (e) {
      problem.value = failureText(e, '')
      if (e instanceof RequestFailed && e.status === 409) await load(id)
    }
  }

  function change(next: Partial<JobTerms>) {
    terms.value = { ...terms.value, ...next }
    saving = saving.then(save)
    return saving
  }

  /** Until what was changed is stored. */
  const stored = () => saving

  return { terms, saveNo, problem, load, change, stored }
})
