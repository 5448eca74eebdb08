import { computed, type Ref } from 'vue'
import { useElectrics } from '@/model/useElectrics'
import { useJob } from '@/model/jobStore'
import { kvText } from '@/shared/units'
import type { RibbonScale } from './ribbonGeometry'
import { carried, predicted } from './usePulseLane'

const TOP_Y = 28
const BOTTOM_Y = 66

/** Measured voltages over the ribbon, against what the animal needs and what is predicted for the fence as it is set. */
export function useReadingLane(scale: Ref<RibbonScale | null>) {
  const job = useJob()
  const { electrics } = useElectrics()
  const need = computed(() => job.assessment?.needV ?? null)
  const points = computed(() => carried(electrics.value, job.line?.lineId))
  const most = computed(() =>
    Math.max(
      1000,
      (need.value ?? 0) * 1.2,
      ...(job.assessment?.points ?? []).map((p) => p.peakV ?? 0),
      ...points.value.map((p) => p.highV),
    ),
  )
  const y = (volts: number) => BOTTOM_Y - (volts / most.value) * (BOTTOM_Y - TOP_Y)
  const dots = computed(() => {
    const places = new Map(job.testPoints.map((p) => [p.id, p]))
    const found = (job.assessment?.points ?? []).flatMap((p) => {
      const place = places.get(p.testPointId)
      if (p.peakV === null || !scale.value || place?.lineId !== job.line?.lineId || !place) return []
      return [
        {
          id: p.testPointId,
          x: scale.value.x(place.stationM),
          y: y(p.peakV),
          standing: p.standing,
          text: kvText(p.peakV),
        },
      ]
    })
    return found.map((d, i) => ({ ...d, ...label(d.x, found[i - 1]?.x, found[i + 1]?.x) }))
  })
  const curve = computed(() => scale.value && predicted(points.value, scale.value, y))
  return { need, y, dots, curve }
}

/** Two readings side by side, as at a gate, are written away from each other; one at the edge is written inward. */
function label(x: number, before = -Infinity, after = Infinity) {
  if (after - x < 26) return { anchor: 'end', shift: 4 }
  if (x - before < 26) return { anchor: 'start', shift: -4 }
  return { anchor: 'middle', shift: 0 }
}
