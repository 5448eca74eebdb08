import { computed, ref, shallowRef, watch } from 'vue'
import type { LineLayout, Observation, Observed } from '@/api/types'
import { useFaults } from '@/model/faults'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { typed } from '@/model/round'
import { useSearch, type NextStep } from '@/model/search'
import { parseLengthM, stationText, unitM } from '@/shared/units'

type Direction = Extract<Observed, { kind: 'CURRENT' }>['direction']
const sameStep = (a: NextStep, b: NextStep) =>
  a.action === b.action &&
  a.lineId === b.lineId &&
  a.fromM === b.fromM &&
  a.toM === b.toM &&
  a.cutOut === b.cutOut

/** What came of a step: at the place it names, or wherever the crew went instead. */
export function useStepEntry(step: () => NextStep) {
  const job = useJob()
  const search = useSearch()
  const faults = useFaults()
  const habits = useHabits()
  const lines = computed(() => job.design?.layout.lines ?? [])
  const lineId = ref('')
  const from = ref('')
  const to = ref('')
  const cutOut = ref('')
  const kv = ref('')
  const overRange = ref(false)
  const amperes = ref('')
  const direction = ref<Direction>('UNKNOWN')
  /** At the earth terminal, of whoever goes over the energizer. */
  const earthKv = ref('')
  const failure = ref('')
  const line = computed(() => lines.value.find((l) => l.lineId === lineId.value))
  /** One on another line may be open as well. */
  const cutOuts = computed(() => lines.value.flatMap((l) => l.cutOuts))
  /** What the fields are of: what somebody has begun to enter stays at its place whatever is advised meanwhile. */
  const held = shallowRef(step())
  const reads = computed(() => held.value.action === 'READ' || held.value.action === 'OPEN')
  const field = (m: number) => String(Math.round(m / unitM(job.units)))
  const shown = computed(() => ({
    lineId: held.value.lineId ?? lines.value[0]?.lineId ?? '',
    from: field(held.value.fromM),
    to: field(held.value.toM),
  }))
  const begun = computed(
    () =>
      kv.value.trim() !== '' ||
      amperes.value.trim() !== '' ||
      earthKv.value.trim() !== '' ||
      overRange.value ||
      cutOut.value !== (held.value.cutOut ?? '') ||
      lineId.value !== shown.value.lineId ||
      from.value.trim() !== shown.value.from ||
      to.value.trim() !== shown.value.to,
  )
  const overtaken = computed(() => !sameStep(held.value, step()))

  function fill(s: NextStep) {
    held.value = s
    lineId.value = shown.value.lineId
    from.value = shown.value.from
    to.value = shown.value.to
    cutOut.value = s.cutOut ?? ''
    kv.value = ''
    overRange.value = false
    amperes.value = ''
    earthKv.value = ''
    direction.value = 'UNKNOWN'
    failure.value = ''
  }
  fill(step())
  watch(step, (s) => {
    if (!begun.value) fill(s)
  })

  /** What is left as it was filled in stands for the exact place, which is shown rounded. */
  function metres(text: string, filledIn: string, exactM: number): number | null {
    return text.trim() === filledIn && lineId.value === shown.value.lineId
      ? exactM
      : parseLengthM(text, job.units)
  }
  const fromM = () => metres(from.value, shown.value.from, held.value.fromM)
  const toM = () => metres(to.value, shown.value.to, held.value.toM)
  /** The end of a line is shown rounded too. */
  const beyond = (m: number, l: LineLayout) => m < 0 || m > l.lengthM + unitM(job.units) / 2
  const runs = (l: LineLayout) => `${l.name} runs from 0 to ${stationText(l.lengthM, job.units)}.`

  /** The step as it was really taken, or what is missing. */
  function taken(): NextStep | string {
    const s = held.value
    if (s.action === 'ENERGIZER') return s
    const l = line.value
    const a = fromM()
    const b = reads.value ? a : toM()
    if (!l) return 'Say on which line.'
    if (a === null || b === null) return `Enter the station, for example ${field(l.lengthM / 2)}.`
    if (beyond(a, l) || beyond(b, l)) return runs(l)
    if (!reads.value && Math.abs(a - b) < 0.5) return 'Enter from where to where it was looked over.'
    const on = (m: number) => Math.min(m, l.lengthM)
    return {
      ...s,
      lineId: l.lineId,
      fromM: on(a),
      toM: on(b),
      cutOut: reads.value ? cutOut.value || null : null,
    }
  }

  /** What the meter showed: kilovolts, amperes or both, or what is wrong with it. */
  function readings(): Observed[] | string {
    const all: Observed[] = []
    const showsA = search.crew.currents && amperes.value.trim() !== ''
    if (kv.value.trim() !== '' || overRange.value || !showsA) {
      const volts = typed({ kind: 'PEAK', wire: 0 }, kv.value, overRange.value, habits)
      if (typeof volts === 'string') return volts
      all.push(volts)
    }
    if (showsA) {
      const current = typed({ kind: 'CURRENT', wire: 0 }, amperes.value, false, habits)
      if (typeof current === 'string') return current
      all.push(current.kind === 'CURRENT' ? { ...current, direction: direction.value } : current)
    }
    return all
  }

  /** What was read at the energizer, if anything; of the rods a meter tells more than looking at them. */
  function earth(): Observed[] | string {
    if (held.value.action !== 'ENERGIZER' || earthKv.value.trim() === '') return []
    const volts = typed({ kind: 'PEAK', wire: 0 }, earthKv.value, false, habits)
    if (typeof volts === 'string') return volts
    const { peakV, overRange, rangeV, resolutionV } = volts as Extract<Observed, { kind: 'PEAK' }>
    return [{ kind: 'EARTH_TERMINAL', peakV, overRange, rangeV, resolutionV }]
  }

  /** Says where it will be read once that is known, so that what follows is told at once. */
  function expect() {
    const s = taken()
    if (reads.value && typeof s !== 'string') void search.expect(s)
  }

  async function take(): Promise<boolean> {
    const s = taken()
    const what = reads.value ? readings() : earth()
    failure.value =
      habits.takenBy.trim() === ''
        ? 'Enter who is on the fence.'
        : typeof s === 'string'
          ? s
          : typeof what === 'string'
            ? what
            : ''
    if (failure.value || typeof s === 'string' || typeof what === 'string') return false
    const done = reads.value
      ? what.map((w) => search.reading(s, w, habits))
      : what.length
        ? what.map((w) => search.atEnergizer(w, habits))
        : [search.lookedOver(s, habits)]
    const kept = done.filter((o): o is Observation => o !== null)
    if (!kept.length) return false
    faults.goOn()
    await job.takeReadings(kept)
    fill(step())
    return true
  }

  return {
    lines,
    lineId,
    from,
    to,
    cutOut,
    cutOuts,
    kv,
    overRange,
    amperes,
    direction,
    earthKv,
    failure,
    held,
    reads,
    overtaken,
    fill,
    expect,
    take,
  }
}
