import { ref, shallowRef } from 'vue'
import { RequestFailed } from '@/api/client'
import { announce } from '@/shared/announce'
import { sameJson } from '@/shared/sameJson'
import { newId } from '@/shared/uuid'
import { outbox } from './outbox'

export type SaveState = 'saved' | 'saving' | 'waiting' | 'away' | 'refused' | 'conflict'

/** Where one document is kept, and how it is sent there. */
export interface Store<T> {
  /** Name of the draft kept in this browser. */
  key: string
  put: (doc: T, baseSaveNo: number, stretch: string) => Promise<{ saveNo: number; savedAt: string }>
  /** The schema that documents have today. */
  schema: () => number
  /** A document of an older schema, brought up to date. */
  upgrade: (doc: unknown, schema: number) => Promise<T>
}

const QUIET_MS = 700
const RETRY_MS = 4000

/** A document from its opening on. */
interface Opened<T> {
  store: Store<T>
  saveNo: number
  stretch: string
  pending: T | null
  state: SaveState
}

/**
 * Saves a document a moment after its last change; keeps it in this browser until the server has it. What still waits of a document when
 * another is opened goes on to where it belongs.
 *
 * @param at where the document is kept that is opened now
 */
export function useAutosave<T>(at: () => Store<T>) {
  const state = ref<SaveState>('saved')
  const savedAt = ref<string | null>(null)
  const conflict = shallowRef<{ keptRevision: number; currentRevision: number } | null>(null)
  let open = opened(0)
  let timer: ReturnType<typeof setTimeout> | undefined
  /** Saves stand in one line: two at once would build on the same number, and the second be refused. */
  let line: Promise<void> = Promise.resolve()

  function opened(saveNo: number): Opened<T> {
    return { store: at(), saveNo, stretch: newId(), pending: null, state: 'saved' }
  }

  function start(no: number) {
    clearTimeout(timer)
    const before = open
    open = opened(no)
    if (before.store.key === open.store.key) before.pending = null
    state.value = 'saved'
    conflict.value = null
  }

  function tell(of: Opened<T>, now: SaveState) {
    of.state = now
    if (of === open) state.value = now
  }

  function offer(doc: T) {
    if (open.state === 'conflict') return
    open.pending = doc
    tell(open, 'waiting')
    const { store, saveNo } = open
    void outbox.keepDraft({ key: store.key, saveNo, schema: store.schema(), doc })
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), QUIET_MS)
  }

  /** Sends what waits, one save after the other; answers when nothing waits any more or the server refused it. */
  function flush(): Promise<void> {
    clearTimeout(timer)
    const of = open
    line = line.then(() => drain(of))
    return line
  }

  async function drain(of: Opened<T>) {
    while (of.pending && of.state !== 'conflict') {
      await send(of, of.pending)
      if (of.state === 'away' || of.state === 'refused') return
    }
  }

  async function send(of: Opened<T>, doc: T) {
    tell(of, 'saving')
    try {
      const saved = await of.store.put(doc, of.saveNo, of.stretch)
      of.saveNo = saved.saveNo
      if (of === open) savedAt.value = saved.savedAt
      settled(of, doc)
    } catch (e) {
      failed(of, e)
    }
  }

  function settled(of: Opened<T>, doc: T) {
    if (of.pending === doc) {
      of.pending = null
      tell(of, 'saved')
      void outbox.dropDraft(of.store.key)
    } else {
      tell(of, 'waiting')
    }
  }

  function failed(of: Opened<T>, e: unknown) {
    if (e instanceof RequestFailed && e.status === 409) {
      tell(of, 'conflict')
      of.pending = null
      // Of one that was open before it stays here, and is asked about when that is opened again.
      if (of !== open) return
      void outbox.dropDraft(of.store.key)
      conflict.value = e.more as { keptRevision: number; currentRevision: number }
    } else if (e instanceof RequestFailed && !e.away) {
      tell(of, 'refused')
    } else {
      tell(of, 'away')
      if (of === open) timer = setTimeout(() => void flush(), RETRY_MS)
    }
  }

  /**
   * A document left in this browser that the server does not have. It is offered on the save it was built on, so that the
   * server keeps it aside when somebody saved in between.
   */
  async function takeDraft(onServer: T): Promise<T | null> {
    const of = open
    const { store } = of
    const draft = await outbox.draft(store.key)
    if (!draft) return null
    try {
      const doc =
        draft.schema === store.schema() ? (draft.doc as T) : await store.upgrade(draft.doc, draft.schema)
      if (sameJson(doc, onServer)) {
        await outbox.dropDraft(store.key)
        return null
      }
      // It stays in this browser until it is offered: what else is read on opening may still fail.
      of.saveNo = draft.saveNo
      return doc
    } catch (e) {
      if (e instanceof RequestFailed && e.away) throw e
      // Nobody can read it now; a later Buckle may.
      await outbox.putAside(draft)
      announce('Changes left in this browser cannot be read by this Buckle; they were put aside here.')
      return null
    }
  }

  return { state, savedAt, conflict, start, offer, flush, takeDraft, saveNo: () => open.saveNo }
}
