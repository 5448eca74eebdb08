import { computed, shallowRef } from 'vue'

/** Steps back and forth through values that are never changed in place. */
export function useHistory<T>(limit = 200, changed: () => void = () => {}) {
  const past = shallowRef<T[]>([])
  const future = shallowRef<T[]>([])

  function put(newPast: T[], newFuture: T[]) {
    past.value = newPast
    future.value = newFuture
    changed()
  }

  return {
    canUndo: computed(() => past.value.length > 0),
    canRedo: computed(() => future.value.length > 0),
    /** Remembers what was there before a change. */
    remember(before: T) {
      put([...past.value, before].slice(-limit), [])
    },
    undo(now: T): T | undefined {
      const before = past.value.at(-1)
      if (before === undefined) return undefined
      put(past.value.slice(0, -1), [...future.value, now])
      return before
    },
    redo(now: T): T | undefined {
      const next = future.value.at(-1)
      if (next === undefined) return undefined
      put([...past.value, now], future.value.slice(0, -1))
      return next
    },
    /** Takes back the last remembering: the change came to nothing. */
    forget() {
      put(past.value.slice(0, -1), future.value)
    },
    clear() {
      past.value = []
      future.value = []
    },
    steps: () => ({ past: past.value, future: future.value }),
    restore(steps: { past: T[]; future: T[] }) {
      past.value = steps.past
      future.value = steps.future
    },
  }
}
