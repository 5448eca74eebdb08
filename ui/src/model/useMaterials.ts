import { defineStore, storeToRefs } from 'pinia'
import { computed, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import { spoken, useWords } from './useWords'
import type { Materials } from '@/api/types'

const useStore = defineStore('materials', () => {
  const materials = shallowRef<Materials | null>(null)
  let asked: Promise<void> | null = null

  function load() {
    asked ??= ask(client.GET('/api/materials')).then(
      (m) => void (materials.value = m),
      () => void (asked = null),
    )
  }
  return { materials, load }
})

/** Generic conductors, posts, braces, gates and schools as the core knows them; asked once. */
export function useMaterials() {
  const store = useStore()
  store.load()
  const { materials } = storeToRefs(store)
  const { say } = useWords()
  return computed(() => spoken(materials.value, say))
}
