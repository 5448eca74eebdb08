import { defineStore, storeToRefs } from 'pinia'
import { ref } from 'vue'

export type TakeoffSheetId = 'counts' | 'reach' | 'price' | 'variants' | 'quote' | 'cuts' | 'load'

/** The sheets of the takeoff, in working order. */
export const takeoffSheets: { id: TakeoffSheetId; text: string; wide: boolean }[] = [
  { id: 'counts', text: 'Counts', wide: true },
  { id: 'reach', text: 'Material on hand', wide: true },
  { id: 'price', text: 'Price', wide: true },
  { id: 'variants', text: 'Variants', wide: true },
  { id: 'quote', text: 'Quote', wide: true },
  { id: 'cuts', text: 'Cuts', wide: true },
  { id: 'load', text: 'Load and return', wide: true },
]

/** Which sheet of the takeoff is open; it travels in the address. */
const useTakeoffSheetStore = defineStore('takeoffSheets', () => {
  const sheet = ref<TakeoffSheetId>('counts')

  function open(id: string) {
    const known = takeoffSheets.find((s) => s.id === id)
    if (known) sheet.value = known.id
  }

  return { sheet, open }
})

export function useTakeoffSheets() {
  const store = useTakeoffSheetStore()
  return { sheet: storeToRefs(store).sheet, open: store.open }
}
