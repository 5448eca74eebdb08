import { defineStore, storeToRefs } from 'pinia'
import { ref } from 'vue'

export type FaultSheetId = 'where' | 'log' | 'falling'

/** The sheets of the faults, in working order. */
export const faultSheets: { id: FaultSheetId; text: string; wide: boolean }[] = [
  { id: 'where', text: 'Where it must be', wide: true },
  { id: 'log', text: 'Log', wide: true },
  { id: 'falling', text: 'Trend', wide: true },
]

/** Which sheet of the faults is open; it travels in the address. */
const useFaultSheetStore = defineStore('faultSheets', () => {
  const sheet = ref<FaultSheetId>('where')

  function open(id: string) {
    const known = faultSheets.find((s) => s.id === id)
    if (known) sheet.value = known.id
  }

  return { sheet, open }
})

export function useFaultSheets() {
  const store = useFaultSheetStore()
  return { sheet: storeToRefs(store).sheet, open: store.open }
}
