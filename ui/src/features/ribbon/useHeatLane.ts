import { computed, type Ref } from 'vue'
import type { FenceDiagnosis } from '@/api/types'
import { heatOf } from '@/model/heat'
import { useJob } from '@/model/jobStore'
import type { RibbonScale } from './ribbonGeometry'

interface Part {
  lineId: string
  fromM: number
  toM: number
}

/** Where a fault is probable on the line, behind what was read there. */
export function useHeatLane(
  scale: Ref<RibbonScale | null>,
  shown: { fromM: Ref<number>; toM: Ref<number> },
  answer: () => FenceDiagnosis | null,
) {
  const job = useJob()
  return computed(() => {
    const s = scale.value
    const found = answer()
    if (!s || !found?.enough) return null
    const box = (r: Part) => ({ x: s.x(r.fromM), width: Math.max(1, s.x(r.toM) - s.x(r.fromM)) })
    const here = <T extends Part>(all: T[]) =>
      all.filter(
        (r) => r.lineId === job.line?.lineId && r.toM > shown.fromM.value && r.fromM < shown.toM.value,
      )
    return {
      parts: here(heatOf(found)).map((h) => ({ ...box(h), heat: h.heat })),
      region: here(found.region90).map(box),
    }
  })
}
