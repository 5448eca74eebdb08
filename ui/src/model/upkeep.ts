import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { Failures, FaultNote, JobUpkeep } from '@/api/types'

/** What became of the open job's fence since it was handed over. */
export const useUpkeep = defineStore('upkeep', () => {
  const answer = shallowRef<JobUpkeep | null>(null)
  const failures = shallowRef<Failures | null>(null)
  const problem = ref('')
  /** Whether the log of the open job was asked for, with or without an answer. */
  const known = ref(false)
  let jobId = ''

  async function load(id: string) {
    if (id !== jobId) {
      answer.value = null
      known.value = false
    }
    jobId = id
    try {
      const found = await ask(client.GET('/api/jobs/{id}/upkeep', { params: { path: { id } } }))
      if (id === jobId) answer.value = found
      failures.value = await ask(client.GET('/api/failures'))
      problem.value = ''
    } catch (e) {
      if (id === jobId) problem.value = failureText(e, 'The log could not be read.')
    }
    if (id === jobId) known.value = true
  }

  /** Asks again for what somebody else wrote, where the log is shown already. */
  async function reload(id: string) {
    if (known.value && id === jobId) await load(id)
  }

  /** Whether the server has it now; what it said otherwise is in {@link problem}. */
  async function write(note: FaultNote): Promise<boolean> {
    const id = jobId
    try {
      const found = await ask(client.POST('/api/jobs/{id}/log', { params: { path: { id } }, body: note }))
      if (id === jobId) answer.value = found
      problem.value = ''
      failures.value = await ask(client.GET('/api/failures')).catch(() => failures.value)
      return true
    } catch (e) {
      problem.value = failureText(e, 'The server is away; what is written stays here until it is back.')
      return false
    }
  }

  async function agree(days: number | null) {
    const id = jobId
    try {
      const found = await ask(
        client.PUT('/api/jobs/{id}/rounds', { params: { path: { id } }, body: { days } }),
      )
      if (id === jobId) answer.value = found
      problem.value = ''
    } catch (e) {
      problem.value = failureText(e, 'That could not be kept.')
    }
  }

  return { answer, failures, problem, known, load, reload, write, agree }
})
