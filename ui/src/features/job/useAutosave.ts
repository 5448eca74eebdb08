import { ref, shallowRef, type Ref } from 'vue'
import { ask, client, Trouble } from '@/api/client'
import type { Plan } from '@/api/types'
import { sameJson } from '@/shared/sameJson'
import { newId } from '@/shared/uuid'

export type SaveState = 'saved' | 'saving' | 'waiting' | 'away' | 'refused' | 'conflict'

interface Draft {
  saveNo: number
  plan: Plan
}

const QUIET_MS = 700
const RETRY_MS = 4000

/** Saves a plan a moment after its last change; keeps it in this browser until the server has it. */
export function useAutosave(jobId: Ref<string>) {
  const state = ref<SaveState>('saved')
  const savedAt = ref<string | null>(null)
  const conflict = shallowRef<{ keptRevision: number; currentRevision: number } | null>(null)
  let saveNo = 0
  let stretch = newId()
  let pending: Plan | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  let running: Promise<void> | null = null

  const key = () => `buckle.draft.${jobId.value}`

  function start(no: number) {
    clearTimeout(timer)
    pending = null
    saveNo = no
    stretch = newId()
    state.value = 'saved'
    conflict.value = null
  }

  function offer(plan: Plan) {
    if (state.value === 'conflict') return
    pending = plan
    state.value = 'waiting'
    localStorage.setItem(key(), JSON.stringify({ saveNo, plan } satisfies Draft))
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), QUIET_MS)
  }

  /** Sends what waits; answers when nothing waits any more or the server refused it. */
  async function flush(): Promise<void> {
    clearTimeout(timer)
    if (running) await running
    if (!pending || state.value === 'conflict') return
    running = send(pending)
    await running
    running = null
    if (pending && state.value === 'waiting') await flush()
  }

  async function send(plan: Plan) {
    const job = jobId.value
    state.value = 'saving'
    try {
      const saved = await ask(
        client.PUT('/api/jobs/{id}/plan', {
          params: { path: { id: job } },
          body: { baseSaveNo: saveNo, stretch, plan },
        }),
      )
      if (job !== jobId.value) return
      saveNo = saved.saveNo
      savedAt.value = saved.savedAt
      settled(plan)
    } catch (e) {
      if (job === jobId.value) failed(e)
    }
  }

  function settled(plan: Plan) {
    if (pending === plan) {
      pending = null
      state.value = 'saved'
      localStorage.removeItem(key())
    } else {
      state.value = 'waiting'
    }
  }

  function failed(e: unknown) {
    if (e instanceof Trouble && e.status === 409) {
      state.value = 'conflict'
      pending = null
      localStorage.removeItem(key())
      conflict.value = e.more as { keptRevision: number; currentRevision: number }
    } else if (e instanceof Trouble && !e.away) {
      state.value = 'refused'
    } else {
      state.value = 'away'
      timer = setTimeout(() => void flush(), RETRY_MS)
    }
  }

  /**
   * A plan left in this browser that the server does not have. It is offered on the save it was built on, so that the
   * server keeps it aside when somebody saved in between.
   */
  function takeDraft(onServer: Plan): Plan | null {
    const text = localStorage.getItem(key())
    if (!text) return null
    localStorage.removeItem(key())
    try {
      const draft = JSON.parse(text) as Draft
      if (sameJson(draft.plan, onServer)) return null
      saveNo = draft.saveNo
      return draft.plan
    } catch {
      return null
    }
  }

  return { state, savedAt, conflict, start, offer, flush, takeDraft }
}
