import { defineStore, storeToRefs } from 'pinia'
import { ref } from 'vue'

export type TestSheetId = 'list' | 'round' | 'sections' | 'yardstick' | 'certificate' | 'meter'

/** The sheets of the test, in working order. */
export const testSheets: { id: TestSheetId; text: string; wide: boolean }[] = [
  { id: 'list', text: 'Before power', wide: true },
  { id: 'round', text: 'Measuring round', wide: true },
  { id: 'sections', text: 'Sections', wide: true },
  { id: 'yardstick', text: 'Yardstick', wide: true },
  { id: 'certificate', text: 'Certificate', wide: true },
  { id: 'meter', text: 'Meter', wide: true },
]

/** Which sheet of the test is open; it travels in the address. */
const useTestSheetStore = defineStore('testSheets', () => {
  const sheet = ref<TestSheetId>('sections')

  function open(id: string) {
    const known = testSheets.find((s) => s.id === id)
    if (known) sheet.value = known.id
  }

  return { sheet, open }
})

export function useTestSheets() {
  const store = useTestSheetStore()
  return { sheet: storeToRefs(store).sheet, open: store.open }
}
