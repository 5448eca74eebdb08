import { computed, onUnmounted } from 'vue'
import { useJob } from './jobStore'
import { kvText, stationText } from '@/shared/units'
import { useElectrics } from './useElectrics'
import { metWords } from './electricsWords'

/** The weakest point of the fence as a figure of the ledger, up to date wherever the ledger is seen, as soon as nothing moves. */
export function useWeakest() {
  const job = useJob()
  const { electrics, behind, followLightly } = useElectrics()
  onUnmounted(followLightly())
  return computed(() => {
    const e = electrics.value
    const w = e?.weakest
    if (!e || !w) return null
    const line = job.plan?.site.lines.find((l) => l.id === w.lineId)?.name ?? w.lineId
    const range = w.lowV < w.highV ? ` (${kvText(w.lowV)} to ${kvText(w.highV)} kV)` : ''
    const need = e.needV === null ? '' : `, needed ${kvText(e.needV)} kV`
    return {
      key: 'weakest',
      label: 'Weakest point, predicted',
      note: behind.value ? 'follows when nothing moves' : e.needV === null ? '' : metWords[w.met],
      value: `${kvText(w.likelyV)} kV`,
      derivation: `Least of the likely peaks at ${e.points.length} places${range}: at ${stationText(w.stationM, job.units)} of ${line}${need}. Calculated with ${e.energizer.name}, ${e.chosen ? 'as chosen' : 'as recommended'}, on the laid-out wires, cables and rods.`,
      rules: ['V10', 'V11'],
    }
  })
}
