import { defineStore, storeToRefs } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { LandKind, LandShape } from '@/api/types'

export type Tool = 'select' | 'draw' | 'corner' | 'split' | 'gate' | 'cutOut' | 'energizer'

/** What a click on the plan does. */
export const tools: { id: Tool; text: string; key: string }[] = [
  { id: 'select', text: 'Select', key: 'V' },
  { id: 'draw', text: 'Fence line', key: 'D' },
  { id: 'corner', text: 'Add corner', key: 'A' },
  { id: 'split', text: 'Split line', key: 'X' },
  { id: 'gate', text: 'Gate', key: 'G' },
  { id: 'cutOut', text: 'Cut-out', key: 'C' },
  { id: 'energizer', text: 'Energizer', key: 'E' },
]

/** What the draw tool draws: a fence line, a feature of the land, or something that only wants the points. */
export type DrawFor =
  | { what: 'line' }
  | { what: 'land'; kind: LandKind; shape: LandShape }
  | { what: 'points'; count: number; say: string; done: (points: number[][]) => void }

const useToolStore = defineStore('tool', () => {
  const tool = ref<Tool>('select')
  const drawFor = shallowRef<DrawFor>({ what: 'line' })
  /** Whether what is drawn bends smoothly through its points. */
  const curved = ref(false)
  /** Goes up each time the whole job is to be shown. */
  const fits = ref(0)
  return { tool, drawFor, curved, fits }
})

export function useTool() {
  const { tool, drawFor, curved, fits } = storeToRefs(useToolStore())
  return {
    tool,
    drawFor,
    curved,
    fits,
    choose: (t: Tool) => {
      drawFor.value = { what: 'line' }
      tool.value = t
    },
    draw: (what: DrawFor) => {
      drawFor.value = what
      tool.value = 'draw'
    },
    fit: () => (fits.value += 1),
  }
}

/** What each tool asks for. */
export const hints = {
  select: 'Drag a corner, gate, cut-out, feature or the energizer. Click a post to go there.',
  draw: 'Click corner by corner, or type a side below. Click the first again to close, Enter to end, Backspace for one back, Escape to drop. Alt: no snapping.',
  corner: 'Click a side to put a corner into it.',
  split: 'Click where to split the line.',
  gate: 'Click a side where the gate goes, or press Enter at the cursor.',
  cutOut: 'Click the line where the cut-out goes, or press Enter at the cursor.',
  energizer: 'Click where the energizer stands, or press Enter at the cursor.',
}
