import { ref, watch } from 'vue'

const KEY = 'buckle.ribbon'
const folded = ref(localStorage.getItem(KEY) === 'folded')

watch(folded, (is) => localStorage.setItem(KEY, is ? 'folded' : 'open'))

/** Whether the ribbon shows only its figures (curve, letters, sections, stations) and leaves the room to the sheet above. */
export function useFold() {
  return { folded, toggleFold: () => (folded.value = !folded.value) }
}
