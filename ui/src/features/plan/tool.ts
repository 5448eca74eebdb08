import { ref } from 'vue'

export type Tool = 'select' | 'draw' | 'corner' | 'gate' | 'cutOut' | 'energizer'

/** What a click on the plan does. */
export const tools: { id: Tool; text: string; key: string }[] = [
  { id: 'select', text: 'Select', key: 'V' },
  { id: 'draw', text: 'Fence line', key: 'D' },
  { id: 'corner', text: 'Add corner', key: 'A' },
  { id: 'gate', text: 'Gate', key: 'G' },
  { id: 'cutOut', text: 'Cut-out', key: 'C' },
  { id: 'energizer', text: 'Energizer', key: 'E' },
]

const tool = ref<Tool>('select')
const fits = ref(0)

export function useTool() {
  return {
    tool,
    /** Goes up each time the whole job shall be shown. */
    fits,
    choose: (t: Tool) => (tool.value = t),
    fit: () => (fits.value += 1),
  }
}
