import { computed, type Ref } from 'vue'
import { useElectrics } from '@/features/electrics/useElectrics'
import { useJob } from '@/features/job/jobStore'
import type { RibbonScale } from './ribbonGeometry'

const TOP_Y = 24
const BOTTOM_Y = 66
/** Numbers stand at least so far apart. */
const LABEL_PX = 34

/** The predicted pulse over the ribbon: likely as a line, low to high as a band, the need across. */
export function usePulseLane(scale: Ref<RibbonScale | null>) {
  const job = useJob()
  const { electrics } = useElectrics()
  const points = computed(() =>
    (electrics.value?.points ?? []).filter((p) => p.lineId === job.line?.lineId && p.likelyV >= 1),
  )
  const need = computed(() => electrics.value?.needV ?? null)
  const most = computed(() =>
    Math.max(1000, (need.value ?? 0) * 1.2, ...(electrics.value?.points ?? []).map((p) => p.highV)),
  )
  const y = (volts: number) => BOTTOM_Y - (volts / most.value) * (BOTTOM_Y - TOP_Y)
  const path = (of: (p: (typeof points.value)[number]) => number) =>
    points.value
      .map((p, i) => `${i ? 'L' : 'M'}${scale.value!.x(p.stationM).toFixed(1)} ${y(of(p)).toFixed(1)}`)
      .join('')
  const drawn = computed(() => {
    if (!scale.value || points.value.length < 2) return null
    const back = [...points.value]
      .reverse()
      .map((p) => `L${scale.value!.x(p.stationM).toFixed(1)} ${y(p.lowV).toFixed(1)}`)
      .join('')
    return { likely: path((p) => p.likelyV), band: `${path((p) => p.highV)}${back}Z` }
  })
  /** Its ends and its lowest point carry numbers. */
  const labels = computed(() => {
    const all = points.value
    if (all.length === 0 || !scale.value) return []
    const low = all.reduce((a, b) => (b.likelyV < a.likelyV ? b : a))
    const near = (a: typeof low, b: typeof low) =>
      Math.abs(scale.value!.x(a.stationM) - scale.value!.x(b.stationM)) < LABEL_PX
    const ends = [all[0]!, all.at(-1)!].filter((p) => !near(p, low))
    return [low, ...ends].map((p) => ({
      x: scale.value!.x(p.stationM),
      y: y(p.likelyV) - 5,
      text: (p.likelyV / 1000).toFixed(1),
      met: p.met,
    }))
  })
  return { drawn, need, y, labels }
}
