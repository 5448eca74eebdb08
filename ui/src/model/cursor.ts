import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { ItemRef } from './planEdit'

/** Where one is: the line, the station on it, and what is selected; one for all views. */
export const useCursor = defineStore('cursor', () => {
  const lineId = ref('')
  const cursorM = ref<number | null>(null)
  const selected = shallowRef<ItemRef | null>(null)

  function leave() {
    selected.value = null
    cursorM.value = null
  }

  return { lineId, cursorM, selected, leave }
})
