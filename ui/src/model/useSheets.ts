import { defineStore, storeToRefs } from 'pinia'
import { ref } from 'vue'

export type SheetId =
  'bring' | 'lines' | 'land' | 'ground' | 'tape' | 'square' | 'setout' | 'dayone' | 'history'

/** The sheets of the survey, in working order. */
export const sheets: { id: SheetId; text: string; wide: boolean }[] = [
  { id: 'bring', text: 'Import', wide: false },
  { id: 'lines', text: 'Lines', wide: false },
  { id: 'land', text: 'What is there', wide: false },
  { id: 'ground', text: 'Ground', wide: false },
  { id: 'tape', text: 'Tape book', wide: true },
  { id: 'square', text: 'Square', wide: false },
  { id: 'setout', text: 'Set out', wide: true },
  { id: 'dayone', text: 'Day one', wide: false },
  { id: 'history', text: 'Revisions', wide: true },
]

/** Which sheet of the survey is open; it travels in the address. */
const useSheetStore = defineStore('sheets', () => {
  const sheet = ref<SheetId>('bring')

  function open(id: string) {
    const known = sheets.find((s) => s.id === id)
    if (known) sheet.value = known.id
  }

  return { sheet, open }
})

export function useSheets() {
  const store = useSheetStore()
  return { sheet: storeToRefs(store).sheet, open: store.open }
}
