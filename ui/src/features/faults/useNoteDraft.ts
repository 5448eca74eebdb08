import { computed, ref, shallowRef, watch } from 'vue'
import type { FaultCause, FaultNote, FencePart, LoggedFault, Observation } from '@/api/types'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { placeAt } from '@/model/placeAt'
import { kiloSlip } from '@/model/round'
import { useSearch } from '@/model/search'
import { standing } from '@/model/searchBegan'
import { kvText, lengthText, parseKvV, parseLengthM, stationText } from '@/shared/units'
import { newId } from '@/shared/uuid'

type Weather = NonNullable<FaultNote['before']>['weather']

interface RemedyDraft {
  part: FencePart
  product: string
  count: string
  harmless: boolean
  kv: string
}

const SAME_PLACE_M = 1
/** More than two readings of one state differ by. */
const PLAINLY_MORE = 1.15

const wholeMinutes = (text: string) => (text.trim() === '' ? null : Number(text.trim()))

/** A note being written: of a new fault, or how one stands now. */
export function useNoteDraft() {
  const job = useJob()
  const habits = useHabits()
  const of = ref<LoggedFault | null>(null)
  const state = ref<FaultNote['state']>('OPEN')
  const lineId = ref('')
  const station = ref('')
  const length = ref('')
  const part = ref<FencePart | ''>('')
  const product = ref('')
  const cause = ref<FaultCause | ''>('')
  const search = ref('')
  const work = ref('')
  const before = ref('')
  const beforeWeather = ref<Weather>('DRY')
  const after = ref('')
  const afterWeather = ref<Weather>('DRY')
  const works = ref<RemedyDraft[]>([])
  const lookAgainOn = ref('')
  const photos = ref<string[]>([])
  const note = ref('')
  const failure = ref('')
  /** The readings that {@link before} and {@link after} are, as long as they are left as they were filled in. */
  const beforeIs = shallowRef<Observation | null>(null)
  const afterIs = shallowRef<Observation | null>(null)
  /** The same until it is stored, so that sending again makes no double. */
  let id = newId()

  const lines = computed(() => job.design?.layout.lines ?? [])

  /** Begins a note: of a fault that is known, as it stood, or of a new one where the ribbon stands. */
  function begin(fault: LoggedFault | null) {
    const n = fault?.stands ?? null
    id = newId()
    of.value = fault
    state.value = n?.state ?? 'OPEN'
    lineId.value = n ? (n.at?.lineId ?? '') : (job.lineId ?? '')
    station.value = n?.at
      ? lengthText(n.at.stationM, job.units)
      : !n && job.cursorM !== null
        ? lengthText(job.cursorM, job.units)
        : ''
    length.value = n?.lengthM ? lengthText(n.lengthM, job.units) : ''
    part.value = n?.part ?? ''
    product.value = n?.product ?? ''
    cause.value = n?.cause ?? ''
    search.value = n?.searchMinutes?.toString() ?? ''
    work.value = n?.workMinutes?.toString() ?? ''
    before.value = n?.before ? kvText(n.before.peakV) : ''
    beforeWeather.value = n?.before?.weather ?? habits.weather
    beforeIs.value = readingOf(n?.before)
    afterIs.value = readingOf(n?.after)
    after.value = n?.after ? kvText(n.after.peakV) : ''
    afterWeather.value = n?.after?.weather ?? habits.weather
    works.value = (n?.works ?? []).map((w) => ({
      part: w.part,
      product: w.product,
      count: String(w.count),
      harmless: w.harmless,
      kv: w.after ? kvText(w.after.peakV) : '',
    }))
    lookAgainOn.value = n?.lookAgainOn ?? ''
    photos.value = [...(n?.photos ?? [])]
    note.value = n?.note ?? ''
    failure.value = ''
    if (!fault) fillIn()
  }

  /** What the search that is under way says already. */
  function fillIn() {
    const { weakest, minutes } = useSearch().soFar ?? { weakest: null, minutes: 0 }
    if (minutes > 0) search.value = String(minutes)
    if (weakest?.what.kind !== 'PEAK') return
    before.value = kvText(weakest.what.peakV)
    beforeWeather.value = weakest.weather
    beforeIs.value = weakest
  }

  const readingOf = (level: FaultNote['before'] | undefined) =>
    job.readings.find((r) => r.id === level?.readingId) ?? null
  const left = (is: Observation | null, text: string, weather: Weather) =>
    is?.what.kind === 'PEAK' && text === kvText(is.what.peakV) && weather === is.weather
      ? { peakV: is.what.peakV, weather, readingId: is.id }
      : null
  /** Mended: the last reading where it was read before, if that is plainly more. */
  watch(state, (now) => {
    const first = beforeLeft.value && beforeIs.value
    if (now !== 'MENDED' || of.value?.stands.state === 'MENDED' || after.value.trim() !== '') return
    if (first?.what.kind !== 'PEAK') return
    const plainlyV = PLAINLY_MORE * first.what.peakV
    const again = standing(job.readings).findLast(
      (r) =>
        r.what.kind === 'PEAK' &&
        r.what.peakV > plainlyV &&
        r.takenAt > first.takenAt &&
        r.at.lineId === first.at.lineId &&
        Math.abs(r.at.stationM - first.at.stationM) < SAME_PLACE_M &&
        !r.openSwitches?.length,
    )
    if (again?.what.kind !== 'PEAK') return
    after.value = kvText(again.what.peakV)
    afterWeather.value = again.weather
    afterIs.value = again
  })
  const beforeLeft = computed(() => left(beforeIs.value, before.value, beforeWeather.value))
  /** Where that was, so that it is read there again. */
  const readAt = computed(() => {
    const at = beforeLeft.value && beforeIs.value?.at
    const line = lines.value.find((l) => l.lineId === at?.lineId)
    return at && line ? `${line.name}, ${stationText(at.stationM, job.units)}` : ''
  })

  const addRemedy = () =>
    works.value.push({ part: part.value || 'INSULATOR', product: '', count: '1', harmless: false, kv: '' })
  const dropRemedy = (i: number) => works.value.splice(i, 1)

  /** Volts of a field; null of an empty one. */
  function shown(text: string, weather: Weather): FaultNote['before'] | string {
    if (text.trim() === '') return null
    const peakV = parseKvV(text)
    if (peakV === null) return `“${text}” is no voltage: write kV, for example 5.8.`
    return kiloSlip(peakV) || { peakV, weather, readingId: null }
  }

  function spot(): FaultNote['at'] | string {
    if (lineId.value === '' || station.value.trim() === '') return null
    const line = lines.value.find((l) => l.lineId === lineId.value)
    const m = parseLengthM(station.value, job.units)
    if (m === null || !line) return `“${station.value}” is no station.`
    const place = placeAt(line, Math.min(Math.max(m, 0), line.lengthM))
    if (m < 0 || m > line.lengthM || !place)
      return `${line.name} ends at ${lengthText(line.lengthM, job.units)}.`
    return { testPointId: null, lineId: line.lineId, stationM: m, place }
  }

  /** The note, or what keeps it from being one. */
  function made(): FaultNote | string {
    const at = spot()
    const b = beforeLeft.value ?? shown(before.value, beforeWeather.value)
    const a = left(afterIs.value, after.value, afterWeather.value) ?? shown(after.value, afterWeather.value)
    const long = length.value.trim() === '' ? 0 : parseLengthM(length.value, job.units)
    const minutes = [wholeMinutes(search.value), wholeMinutes(work.value)]
    if (habits.takenBy.trim() === '') return 'Enter who writes this down.'
    if (typeof at === 'string') return at
    if (typeof b === 'string') return b
    if (typeof a === 'string') return a
    if (long === null || long < 0) return `“${length.value}” is no length.`
    if (minutes.some((m) => m !== null && (!Number.isInteger(m) || m < 0)))
      return 'Minutes are whole numbers.'
    if (state.value === 'MENDED' && part.value === '' && note.value.trim() === '')
      return 'Say what was found, or write in the note why it is closed.'
    const done: FaultNote['works'] = []
    for (const w of works.value) {
      const then = shown(w.kv, afterWeather.value)
      const count = Number(w.count)
      if (typeof then === 'string') return then
      if (!Number.isInteger(count) || count < 1) return 'How many were done: a whole number from 1.'
      done.push({ part: w.part, product: w.product.trim(), count, harmless: w.harmless, after: then })
    }
    return {
      id,
      faultId: of.value?.stands.faultId ?? id,
      state: state.value,
      at,
      lengthM: long,
      part: part.value || null,
      product: product.value.trim(),
      cause: cause.value || null,
      searchMinutes: minutes[0] ?? null,
      workMinutes: minutes[1] ?? null,
      before: b,
      works: done,
      after: a,
      lookAgainOn: state.value === 'WATCHED' && lookAgainOn.value ? lookAgainOn.value : null,
      photos: photos.value,
      notedAt: new Date().toISOString(),
      notedBy: habits.takenBy.trim(),
      note: note.value.trim(),
    }
  }

  const fields = { state, lineId, station, length, part, product, cause, search, work, before, beforeWeather }
  const more = { after, afterWeather, works, lookAgainOn, photos, note, failure }
  return { ...fields, ...more, readAt, of, lines, habits, begin, addRemedy, dropRemedy, made }
}
