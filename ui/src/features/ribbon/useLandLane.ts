import { computed, type Ref } from 'vue'
import { useJob } from '@/model/jobStore'
import type { RibbonScale } from './ribbonGeometry'

/** What of the property the line meets; names where they do not run into each other. */
export function useLandLane(scale: Ref<RibbonScale | null>, hidden: () => boolean) {
  const job = useJob()
  return computed(() => {
    const s = scale.value
    const line = job.line
    if (!s || !line || hidden()) return []
    let lastEnd = -Infinity
    return line.land.map((l) => {
      const x = Math.min(s.x(l.fromM), s.x(l.toM) - 3)
      const width = Math.max(3, s.x(l.toM) - x)
      const half = l.title.length * 3.1
      const middle = x + width / 2
      const free = middle - half > lastEnd + 6 && middle - half > 0
      const label = free && middle + half < s.x(line.lengthM) + 26 ? l.title : ''
      if (label) lastEnd = middle + half
      return { ...l, x, width, label }
    })
  })
}
