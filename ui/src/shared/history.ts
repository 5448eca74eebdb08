import { computed, shallowRef } from 'vue'

/** Steps back and forth through values that are never changed in place. */
export function useHistory<T>(limit = 200) {
  const past = shallowRef<T[]>([])
  const future = shallowRef<T[]>([])

  return {
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    /** Remembers what was there before a change. */
    remember(before: T) {
      past.value = [...past.value, before].slice(-limit)
      future.value = []
    },
    undo(now: T): T | undefined {
      const before = past.value.at(-1)
      if (before === undefined) return undefined
      past.value = past.value.slice(0, -1)
      future.value = [...future.value, now]
      return before
    },
    redo(now: T): T | undefined {
      const next = future.value.at(-1)
      if (next === undefined) return undefined
      future.value = future.value.slice(0, -1)
      past.value = [...past.value, now]
      return next
    },
    /** Takes back the last remembering: the change came to nothing. */
    forget() {
      past.value = past.value.slice(0, -1)
    },
    clear() {
      past.value = []
      future.value = []
    },
  }
}
