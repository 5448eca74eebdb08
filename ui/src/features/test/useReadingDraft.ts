import { computed, reactive, ref, shallowRef, watch } from 'vue'
import type { Observation, TestPoint } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useReadings } from '@/model/readings'
import { keepText, keptText } from '@/shared/kept'
import { kvText, parseKvV } from '@/shared/units'

interface Habits {
  takenBy: string
  weather: Observation['weather']
  growth: Observation['growth']
  rangeKv: string
}

const KEY = 'buckle.reading.habits'

function remembered(): Habits {
  let kept: Partial<Habits> = {}
  try {
    kept = (JSON.parse(keptText(KEY) ?? '{}') as Partial<Habits> | null) ?? {}
  } catch {
    // As if nothing were kept.
  }
  return {
    takenBy: kept.takenBy ?? '',
    weather: kept.weather ?? 'DRY',
    growth: kept.growth ?? 'CLEAN',
    rangeKv: kept.rangeKv ?? '10',
  }
}

/** A reading being written down: what the meter says, who reads, and where. Kept here until the server has it. */
export function useReadingDraft() {
  const job = useJob()
  const habits = reactive(remembered())
  watch(habits, (h) => keepText(KEY, JSON.stringify(h)))
  const pointId = ref('')
  const kv = ref('')
  const wire = ref(0)
  const overRange = ref(false)
  const note = ref('')
  /** When it was read, as the field has it; empty for now. */
  const when = ref('')
  /** The reading that is being corrected. */
  const corrects = shallowRef<Observation | null>(null)
  const failure = ref('')
  const readings = useReadings()
  const unsent = computed(() => readings.waiting.length)

  const point = computed<TestPoint | undefined>(
    () => job.testPoints.find((p) => p.id === pointId.value) ?? job.testPoints[0],
  )

  function choose(id: string) {
    pointId.value = id
    const p = job.testPoints.find((x) => x.id === id)
    if (p) {
      job.lineId = p.lineId
      job.cursorM = p.stationM
    }
    corrects.value = null
    failure.value = ''
  }

  function correct(reading: Observation) {
    if (reading.what.kind !== 'PEAK' || reading.at.testPointId === null) return
    choose(reading.at.testPointId)
    corrects.value = reading
    kv.value = kvText(reading.what.peakV)
    wire.value = reading.what.wire
    overRange.value = reading.what.overRange
  }

  function written(): Observation | string {
    const rangeV = habits.rangeKv.trim() === '' ? null : parseKvV(habits.rangeKv)
    const peakV = overRange.value ? rangeV : parseKvV(kv.value)
    if (!point.value) return 'There is no test point yet: lay out a line first.'
    if (overRange.value && rangeV === null) return 'Enter the range of the meter, in kV.'
    if (peakV === null) return 'Enter what the meter shows, in kV, for example 6.1.'
    if (peakV > 20_000) return 'No fence holds more than 20 kV; check the decimal point.'
    if (rangeV !== null && peakV > rangeV)
      return `The meter reads up to ${kvText(rangeV)} kV; mark it as over range instead.`
    if (habits.takenBy.trim() === '') return 'Enter who took the reading.'
    const p = point.value
    // A correction says what was read then, there.
    const old = corrects.value
    return {
      id: job.newId(),
      at: old?.at ?? {
        testPointId: p.id,
        lineId: p.lineId,
        stationM: p.stationM,
        place: [p.lonDeg, p.latDeg],
      },
      what: { kind: 'PEAK', wire: wire.value, peakV, overRange: overRange.value, rangeV },
      meter: old?.meter ?? null,
      openSwitches: old?.openSwitches ?? null,
      takenAt: when.value ? new Date(when.value).toISOString() : (old?.takenAt ?? new Date().toISOString()),
      takenBy: habits.takenBy.trim(),
      weather: habits.weather,
      growth: habits.growth,
      note: note.value.trim(),
      corrects: old?.id ?? null,
    }
  }

  /** Writes the reading down and goes on to the next test point; answers whether it was taken. */
  async function take(): Promise<boolean> {
    const reading = written()
    if (typeof reading === 'string') {
      failure.value = reading
      return false
    }
    failure.value = ''
    await job.takeReading(reading)
    kv.value = ''
    note.value = ''
    when.value = ''
    overRange.value = false
    const wasCorrection = corrects.value !== null
    corrects.value = null
    if (!wasCorrection) goOn()
    return true
  }

  function goOn() {
    const points = job.testPoints
    const next = points[points.findIndex((p) => p.id === point.value?.id) + 1]
    if (next) choose(next.id)
  }

  return {
    habits,
    pointId,
    point,
    kv,
    wire,
    overRange,
    note,
    when,
    corrects,
    failure,
    unsent,
    choose,
    correct,
    take,
    send: readings.send,
    goOn,
  }
}
