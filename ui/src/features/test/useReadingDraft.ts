import { computed, ref, shallowRef } from 'vue'
import type { Observation, Observed, Position, TestPoint } from '@/api/types'
import { useHabits } from '@/model/habits'
import { kiloSlip } from '@/model/round'
import { placeAt } from '@/model/placeAt'
import { useJob } from '@/model/jobStore'
import { useReadings } from '@/model/readings'
import { kvText, parseKvV } from '@/shared/units'

/** A reading being written down: what the meter says, who reads, and where. Kept here until the server has it. */
export function useReadingDraft() {
  const job = useJob()
  const habits = useHabits()
  const pointId = ref('')
  const kv = ref('')
  const wire = ref(0)
  const overRange = ref(false)
  /** What is measured or seen; a voltage on the hot wires unless somebody says otherwise. */
  const kind = ref<Observed['kind']>('PEAK')
  const direction = ref<'TOWARDS_FINISH' | 'TOWARDS_START' | 'UNKNOWN'>('UNKNOWN')
  const thing = ref<Extract<Observed, { kind: 'SEEN' }>['thing']>('INSULATOR_CRACKED')
  const touches = ref<'' | 'yes' | 'no'>('')
  const light = ref<Extract<Observed, { kind: 'INDICATOR' }>['light']>('LIT')
  const fenceKv = ref('')
  /** Whether it is where the ribbon stands rather than at the test point. */
  const atCursor = ref(false)
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
    kind.value = 'PEAK'
    wire.value = reading.what.wire
    overRange.value = reading.what.overRange
  }

  /** A voltage as the meter shows it, or why it is none. */
  function voltage() {
    const rangeV = habits.rangeKv.trim() === '' ? null : parseKvV(habits.rangeKv)
    const resolutionV = habits.resolutionKv.trim() === '' ? null : parseKvV(habits.resolutionKv)
    const peakV = overRange.value ? rangeV : parseKvV(kv.value)
    if (overRange.value && rangeV === null) return 'Enter the range of the meter, in kV.'
    if (peakV === null) return 'Enter what the meter shows, in kV, for example 6.1.'
    const slip = kiloSlip(peakV)
    if (slip) return slip
    if (rangeV !== null && peakV > rangeV)
      return `The meter reads up to ${kvText(rangeV)} kV; mark it as over range instead.`
    return { peakV, overRange: overRange.value, rangeV, resolutionV }
  }

  function plain(most: number, unit: string): number | string {
    const value = Number(kv.value.trim().replace(',', '.'))
    if (kv.value.trim() === '' || !Number.isFinite(value) || value < 0)
      return `Enter what the meter shows, in ${unit}.`
    return value > most ? `That is more than ${most} ${unit}; check the decimal point.` : value
  }

  /** What is observed, or a sentence that says what is missing. */
  function observed(): Observed | string {
    switch (kind.value) {
      case 'PEAK':
      case 'UNPOWERED':
      case 'EARTH_TERMINAL': {
        const v = voltage()
        if (typeof v === 'string') return v
        if (kind.value === 'EARTH_TERMINAL') return { kind: 'EARTH_TERMINAL', ...v }
        if (kind.value === 'UNPOWERED' && wire.value === 0) return 'Say which wire carries no power.'
        return { kind: kind.value, wire: wire.value, ...v }
      }
      case 'EARTH_TEST': {
        const v = voltage()
        if (typeof v === 'string') return v
        const fenceV = fenceKv.value.trim() === '' ? null : parseKvV(fenceKv.value)
        return { kind: 'EARTH_TEST', peakV: v.peakV, fenceV }
      }
      case 'CURRENT': {
        const a = plain(500, 'A')
        return typeof a === 'string'
          ? a
          : { kind: 'CURRENT', peakA: a, direction: direction.value, resolutionA: null }
      }
      case 'BATTERY_VOLTAGE': {
        const v = plain(100, 'V')
        return typeof v === 'string' ? v : { kind: 'BATTERY_VOLTAGE', batteryV: v }
      }
      case 'RESISTANCE': {
        const ohm = plain(1e8, 'Ω')
        return typeof ohm === 'string' ? ohm : { kind: 'RESISTANCE', ohm }
      }
      case 'INDICATOR':
        return { kind: 'INDICATOR', light: light.value }
      case 'SEEN':
        return {
          kind: 'SEEN',
          thing: thing.value,
          touches: touches.value === '' ? null : touches.value === 'yes',
        }
      case 'VOIDED':
        return 'A reading is voided in the list of those taken there.'
      case 'LOOKED_OVER':
      case 'SUPPLY_CHECKED':
        return 'What was looked over is kept with the search for a fault.'
      case 'CHECKED':
        return 'Points of the list before power are ticked on their sheet.'
    }
  }

  /** Where the ribbon stands. */
  function spot(p: TestPoint): Observation['at'] {
    const line = job.design?.layout.lines.find((l) => l.lineId === job.lineId)
    const at: Position | null = line && job.cursorM !== null ? placeAt(line, job.cursorM) : null
    return atCursor.value && at && job.cursorM !== null
      ? { testPointId: null, lineId: job.lineId, stationM: job.cursorM, place: at }
      : { testPointId: p.id, lineId: p.lineId, stationM: p.stationM, place: [p.lonDeg, p.latDeg] }
  }

  function written(): Observation | string {
    if (!point.value) return 'There is no test point yet: lay out a line first.'
    const what = observed()
    if (typeof what === 'string') return what
    if (habits.takenBy.trim() === '') return 'Enter who took the reading.'
    // A correction says what was read then, there.
    const old = corrects.value
    return {
      id: job.newId(),
      at: old?.at ?? spot(point.value),
      what,
      meter: old?.meter ?? (habits.meter.trim() || null),
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
    const seen = kind.value !== 'PEAK'
    const wasCorrection = corrects.value !== null
    corrects.value = null
    // A voltage is read from point to point; of other things several may be told of one place.
    if (!wasCorrection && !seen) goOn()
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
    kind,
    direction,
    thing,
    touches,
    light,
    fenceKv,
    atCursor,
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
