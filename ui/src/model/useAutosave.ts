import { ref, shallowRef } from 'vue'
import { RequestFailed } from '@/api/client'
import { announce } from '@/shared/announce'
import { sameJson } from '@/shared/sameJson'
import { newId } from '@/shared/uuid'
import { outbox } from './outbox'

export type SaveState = 'saved' | 'saving' | 'waiting' | 'away' | 'refused' | 'conflict'

/** Where a document is kept, and how it is sent there. */
export interface Store<T> {
  /** Name of the draft kept in this browser. */
  key: () => string
  put: (doc: T, baseSaveNo: number, stretch: string) => Promise<{ saveNo: number; savedAt: string }>
  /** The schema that documents have today. */
  schema: () => number
  /** A document of an older schema, brought up to date. */
  upgrade: (doc: unknown, schema: number) => Promise<T>
}

const QUIET_MS = 700
const RETRY_MS = 4000

/** Saves a document a moment after its last change; keeps it in this browser until the server has it. */
export function useAutosave<T>(store: Store<T>) {
  const state = ref<SaveState>('saved')
  const savedAt = ref<string | null>(null)
  const conflict = shallowRef<{ keptRevision: number; currentRevision: number } | null>(null)
  let saveNo = 0
  let stretch = newId()
  let pending: T | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Saves stand in one line: two at once would build on the same number, and the second be refused. */
  let line: Promise<void> = Promise.resolve()

  function start(no: number) {
    clearTimeout(timer)
    pending = null
    saveNo = no
    stretch = newId()
    state.value = 'saved'
    conflict.value = null
  }

  function offer(doc: T) {
    if (state.value === 'conflict') return
    pending = doc
    state.value = 'waiting'
    void outbox.keepDraft({ key: store.key(), saveNo, schema: store.schema(), doc })
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), QUIET_MS)
  }

  /** Sends what waits, one save after the other; answers when nothing waits any more or the server refused it. */
  function flush(): Promise<void> {
    clearTimeout(timer)
    line = line.then(drain)
    return line
  }

  async function drain() {
    while (pending && state.value !== 'conflict') {
      await send(pending)
      if (state.value === 'away' || state.value === 'refused') return
    }
  }

  async function send(doc: T) {
    const key = store.key()
    state.value = 'saving'
    try {
      const saved = await store.put(doc, saveNo, stretch)
      if (key !== store.key()) return
      saveNo = saved.saveNo
      savedAt.value = saved.savedAt
      settled(doc)
    } catch (e) {
      if (key === store.key()) failed(e)
    }
  }

  function settled(doc: T) {
    if (pending === doc) {
      pending = null
      state.value = 'saved'
      void outbox.dropDraft(store.key())
    } else {
      state.value = 'waiting'
    }
  }

  function failed(e: unknown) {
    if (e instanceof RequestFailed && e.status === 409) {
      state.value = 'conflict'
      pending = null
      void outbox.dropDraft(store.key())
      conflict.value = e.more as { keptRevision: number; currentRevision: number }
    } else if (e instanceof RequestFailed && !e.away) {
      state.value = 'refused'
    } else {
      state.value = 'away'
      timer = setTimeout(() => void flush(), RETRY_MS)
    }
  }

  /**
   * A document left in this browser that the server does not have. It is offered on the save it was built on, so that the
   * server keeps it aside when somebody saved in between.
   */
  async function takeDraft(onServer: T): Promise<T | null> {
    const draft = await outbox.draft(store.key())
    if (!draft) return null
    try {
      const doc =
        draft.schema === store.schema() ? (draft.doc as T) : await store.upgrade(draft.doc, draft.schema)
      if (sameJson(doc, onServer)) {
        await outbox.dropDraft(store.key())
        return null
      }
      // It stays in this browser until it is offered: what else is read on opening may still fail.
      saveNo = draft.saveNo
      return doc
    } catch (e) {
      if (e instanceof RequestFailed && e.away) throw e
      // Nobody can read it now; a later Buckle may.
      await outbox.putAside(draft)
      announce('Changes left in this browser cannot be read by this Buckle; they were put aside here.')
      return null
    }
  }

  return { state, savedAt, conflict, start, offer, flush, takeDraft, saveNo: () => saveNo }
}
