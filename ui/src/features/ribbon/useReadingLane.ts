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
    found.sort((a, b) => a.x - b.x)
    return found.map((d, i) => ({ ...d, ...label(d, found[i - 1]?.x, found[i + 1]?.x) }))
  })
  const curve = computed(() => scale.value && predicted(points.value, scale.value, y))
  return { need, y, dots, curve }
}

/** Two readings side by side, as at a gate, are written away from each other; one between two others has no room. */
function label({ x, text }: { x: number; text: string }, before = -Infinity, after = Infinity) {
  const follows = x - before < 30
  const leads = after - x < 30
  if (follows && leads) return { anchor: 'middle', shift: 0, text: '' }
  if (leads) return { anchor: 'end', shift: -1, text }
  if (follows) return { anchor: 'start', shift: 1, text }
  return { anchor: 'middle', shift: 0, text }
}
