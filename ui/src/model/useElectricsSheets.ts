import { defineStore, storeToRefs } from 'pinia'
import { ref } from 'vue'

export type ElectricsSheetId = 'energizer' | 'pulse' | 'earth' | 'supply' | 'whatif'

/** The sheets of the electrics, in working order. */
export const electricsSheets: { id: ElectricsSheetId; text: string; wide: boolean }[] = [
  { id: 'energizer', text: 'Energizer', wide: true },
  { id: 'pulse', text: 'Pulse', wide: true },
  { id: 'earth', text: 'Earth & shock', wide: true },
  { id: 'supply', text: 'Battery & sun', wide: true },
  { id: 'whatif', text: 'What if', wide: true },
]

/** Which sheet of the electrics is open; it travels in the address. */
const useElectricsSheetStore = defineStore('electricsSheets', () => {
  const sheet = ref<ElectricsSheetId>('energizer')

  function open(id: string) {
    const known = electricsSheets.find((s) => s.id === id)
    if (known) sheet.value = known.id
  }

  return { sheet, open }
})

export function useElectricsSheets() {
  const store = useElectricsSheetStore()
  return { sheet: storeToRefs(store).sheet, open: store.open }
}
