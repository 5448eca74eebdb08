import { sameJson } from '@/shared/sameJson'
import { outbox } from './outbox'

/**
 * Undo that survives a reload: the steps lie in this browser's database beside the state they belong to. Unchanged parts
 * are shared between steps, and stay so when stored, so many steps take little room.
 */
export interface KeptSteps<T> {
  now: T
  past: T[]
  future: T[]
}

const QUIET_MS = 400

export function useKeptSteps<T>(key: () => string, steps: () => KeptSteps<T> | null) {
  let timer: ReturnType<typeof setTimeout> | undefined

  async function write() {
    clearTimeout(timer)
    const kept = steps()
    if (kept) await outbox.keepSteps(key(), kept)
  }

  return {
    /** Writes the steps a moment later. */
    keep() {
      clearTimeout(timer)
      timer = setTimeout(() => void write(), QUIET_MS)
    },
    write,
    /** The steps that lead to this very state; those of another one are dropped. */
    async taken(now: T): Promise<{ past: T[]; future: T[] } | null> {
      const kept = (await outbox.steps(key())) as KeptSteps<T> | undefined
      if (!kept) return null
      if (sameJson(kept.now, now)) return { past: kept.past, future: kept.future }
      await outbox.dropSteps(key())
      return null
    },
  }
}
