import { computed, ref, watch, type Ref } from 'vue'
import { useTool } from '@/model/tool'
import { useKeys } from '@/shared/keys'

const LEAST_M = 6
const STEP = 1.6

/** Which part of the line the ribbon shows: all of it, down to one span. It follows the cursor. */
export function useRibbonWindow(lengthM: Ref<number>, cursorM: Ref<number | null>, lineId: Ref<string>) {
  const times = ref(1)
  const middleM = ref(0)
  const shownM = computed(() => Math.max(LEAST_M, lengthM.value / times.value))
  const fromM = computed(() =>
    times.value === 1
      ? 0
      : Math.min(Math.max(0, middleM.value - shownM.value / 2), Math.max(0, lengthM.value - shownM.value)),
  )
  const toM = computed(() =>
    times.value === 1 ? lengthM.value : Math.min(lengthM.value, fromM.value + shownM.value),
  )

  function zoom(by: number, aboutM?: number) {
    const most = Math.max(1, lengthM.value / LEAST_M)
    const next = Math.min(most, Math.max(1, times.value * by))
    const about = aboutM ?? cursorM.value ?? (fromM.value + toM.value) / 2
    const share = (about - fromM.value) / Math.max(0.1, toM.value - fromM.value)
    times.value = next < 1.05 ? 1 : next
    middleM.value = about + (0.5 - share) * Math.max(LEAST_M, lengthM.value / times.value)
  }
  const slide = (byM: number) => (middleM.value = (fromM.value + toM.value) / 2 + byM)

  const { tool } = useTool()
  useKeys((e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || tool.value === 'draw') return false
    if (e.key === '+') return (zoom(STEP), true)
    if (e.key === '-') return (zoom(1 / STEP), true)
    if (e.key === '0') return ((times.value = 1), true)
    return false
  })
  watch(lineId, () => (times.value = 1))
  watch(cursorM, (at) => {
    if (at === null || times.value === 1 || (at >= fromM.value && at <= toM.value)) return
    middleM.value = at
  })
  return {
    times,
    fromM,
    toM,
    closer: (aboutM?: number) => zoom(STEP, aboutM),
    wider: (aboutM?: number) => zoom(1 / STEP, aboutM),
    whole: () => (times.value = 1),
    slide,
  }
}
