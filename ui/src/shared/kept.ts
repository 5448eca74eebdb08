import { ref, watch, type Ref } from 'vue'

/** What this browser keeps of a person's habits. Without a storage, or with a broken one, it lasts as long as the page. */
export function keptText(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}

export function keepText(key: string, text: string) {
  try {
    localStorage.setItem(key, text)
  } catch {
    // It lasts as long as the page.
  }
}

/** Something kept as JSON; what cannot be read, or does not fit, is as if it were not there. */
export function keptRef<T>(key: string, usual: T, fits: (value: unknown) => value is T): Ref<T> {
  let value = usual
  try {
    const kept: unknown = JSON.parse(keptText(key) ?? 'null')
    if (fits(kept)) value = kept
  } catch {
    // As if it were not there.
  }
  const kept = ref(value) as Ref<T>
  watch(kept, (now) => keepText(key, JSON.stringify(now)), { deep: true })
  return kept
}
