import { defineStore, storeToRefs } from 'pinia'
import { ref } from 'vue'

export type LayoutSheetId =
  'build' | 'material' | 'pole' | 'posts' | 'braces' | 'joints' | 'schools' | 'findings'

/** The sheets of the layout, in working order. */
export const layoutSheets: { id: LayoutSheetId; text: string; wide: boolean }[] = [
  { id: 'build', text: 'Built of', wide: false },
  { id: 'material', text: 'Material & season', wide: false },
  { id: 'pole', text: 'Wires & story pole', wide: false },
  { id: 'posts', text: 'Posts', wide: false },
  { id: 'braces', text: 'Braces & pulls', wide: true },
  { id: 'joints', text: 'Gates & jumpers', wide: true },
  { id: 'schools', text: 'Schools', wide: true },
  { id: 'findings', text: 'Findings', wide: true },
]

/** Which sheet of the layout is open; it travels in the address. */
const useLayoutSheetStore = defineStore('layoutSheets', () => {
  const sheet = ref<LayoutSheetId>('build')

  function open(id: string) {
    const known = layoutSheets.find((s) => s.id === id)
    if (known) sheet.value = known.id
  }

  return { sheet, open }
})

export function useLayoutSheets() {
  const store = useLayoutSheetStore()
  return { sheet: storeToRefs(store).sheet, open: store.open }
}
