import { shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { Materials } from '@/api/types'

const materials = shallowRef<Materials | null>(null)
let asked: Promise<void> | null = null

/** Generic conductors, posts, braces, gates and schools as the core knows them; asked once. */
export function useMaterials() {
  asked ??= ask(client.GET('/api/materials')).then(
    (m) => void (materials.value = m),
    () => void (asked = null),
  )
  return materials
}
