import { computed, type Ref } from 'vue'
import type { Electrics } from '@/api/types'
import { useElectrics } from '@/model/useElectrics'
import { useJob } from '@/model/jobStore'
import type { RibbonScale } from './ribbonGeometry'

const TOP_Y = 24
const BOTTOM_Y = 66
/** Numbers stand at least so far apart. */
const LABEL_PX = 34

type Point = Electrics['points'][number]

/** Where a line carries a pulse. */
export const carried = (electrics: Electrics | null, lineId: string | undefined): Point[] =>
  (electrics?.points ?? []).filter((p) => p.lineId === lineId && p.likelyV >= 1)

/** What is predicted along a line: likely as a path, low to high as an area. Nothing with fewer than two places. */
export function predicted(points: Point[], scale: RibbonScale, y: (volts: number) => number) {
  if (points.length < 2) return null
  const place = (p: Point, volts: number) => `${scale.x(p.stationM).toFixed(1)} ${y(volts).toFixed(1)}`
  const path = (of: (p: Point) => number) =>
    points.map((p, i) => `${i ? 'L' : 'M'}${place(p, of(p))}`).join('')
  const back = points.toReversed().map((p) => `L${place(p, p.lowV)}`)
  return { likely: path((p) => p.likelyV), band: `${path((p) => p.highV)}${back.join('')}Z` }
}

/** The predicted pulse over the ribbon: likely as a line, low to high as a band, the need across. */
export function usePulseLane(scale: Ref<RibbonScale | null>) {
  const job = useJob()
  const { electrics } = useElectrics()
  const points = computed(() => carried(electrics.value, job.line?.lineId))
  const need = computed(() => electrics.value?.needV ?? null)
  const most = computed(() =>
    Math.max(1000, (need.value ?? 0) * 1.2, ...(electrics.value?.points ?? []).map((p) => p.highV)),
  )
  const y = (volts: number) => BOTTOM_Y - (volts / most.value) * (BOTTOM_Y - TOP_Y)
  const drawn = computed(() => scale.value && predicted(points.value, scale.value, y))
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
