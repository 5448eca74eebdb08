import { ref } from 'vue'

export type ElectricsSheetId = 'energizer' | 'pulse' | 'earth' | 'supply' | 'whatif'

/** The sheets of the electrics, in working order. */
export const electricsSheets: { id: ElectricsSheetId; text: string; wide: boolean }[] = [
  { id: 'energizer', text: 'Energizer', wide: true },
  { id: 'pulse', text: 'Pulse', wide: false },
  { id: 'earth', text: 'Earth & shock', wide: true },
  { id: 'supply', text: 'Battery & sun', wide: true },
  { id: 'whatif', text: 'What if', wide: true },
]

const sheet = ref<ElectricsSheetId>('energizer')

/** Which sheet of the electrics is open; it travels in the address. */
export function useElectricsSheets() {
  return {
    sheet,
    open: (id: string) => {
      const known = electricsSheets.find((s) => s.id === id)
      if (known) sheet.value = known.id
    },
  }
}
