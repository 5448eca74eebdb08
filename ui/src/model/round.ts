import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { Commissioning, Observation, Observed } from '@/api/types'
import { latestOnly } from '@/shared/latest'
import { kvText, parseKvV } from '@/shared/units'
import type { Habits } from './habits'
import { useJob } from './jobStore'

export type Stop = Commissioning['round']['stops'][number]
export type Ask = Stop['asks'][number]
export interface Asked {
  key: string
  stop: Stop
  ask: Ask
}

/** The day on the wall of whoever looks. */
export const dayOf = (at: string | Date) => new Date(at).toLocaleDateString('sv-SE')
/** When a day begins there. */
export const beginOf = (day: string) => new Date(`${day}T00:00`).toISOString()

const MOST_DAYS_APART = 3
/** From day to day, on the wall. */
export const daysBetween = (a: string, b: string) =>
  Math.round((new Date(`${b}T12:00`).getTime() - new Date(`${a}T12:00`).getTime()) / 86_400_000)

const HUNG_DAYS = 10
const HUNG_OF_DAYS = 14
/**
 * Days on which somebody went round, the last first. A place that was read on ten days of a fortnight is read by a meter that hangs
 * there; what that sends is of no round by itself, or each would go on with the next.
 */
export function roundDays(readings: Observation[]): string[] {
  const at = (r: Observation) => `${r.at.lineId} ${r.at.testPointId ?? Math.round(r.at.stationM)}`
  const daysAt = new Map<string, Set<string>>()
  for (const r of readings) daysAt.set(at(r), (daysAt.get(at(r)) ?? new Set()).add(dayOf(r.takenAt)))
  const hung = new Set<string>()
  for (const [place, days] of daysAt) {
    const sorted = [...days].toSorted()
    const often = sorted.some(
      (day, i) => i >= HUNG_DAYS - 1 && daysBetween(sorted[i - HUNG_DAYS + 1]!, day) < HUNG_OF_DAYS,
    )
    if (often) hung.add(place)
  }
  const walked = readings.filter((r) => !hung.has(at(r)))
  const of = walked.length ? walked : readings
  return [...new Set(of.map((r) => dayOf(r.takenAt)))].toSorted().toReversed()
}

/** What a round asks for, in words. */
export function askText(a: Ask): string {
  switch (a.kind) {
    case 'PEAK':
      return a.wire === 0 ? 'hot wires' : `hot wire ${a.wire}`
    case 'UNPOWERED':
      return `wire ${a.wire}, without power`
    case 'CURRENT':
      return 'current in the hot wires'
    case 'EARTH_TEST':
      return 'last earth rod, fence shorted far out'
    case 'BATTERY':
      return 'battery at rest'
  }
}

export const unitOf = (a: Pick<Ask, 'kind'>) =>
  a.kind === 'CURRENT' ? 'A' : a.kind === 'BATTERY' ? 'V' : 'kV'

const shown = (a: Ask, value: number) => (unitOf(a) === 'kV' ? kvText(value) : Math.abs(value).toFixed(1))

/** What was read. */
export const valueText = (a: Ask) =>
  a.value === null ? '' : `${a.overRange ? '> ' : ''}${shown(a, a.value)}`

/** What an earlier round read there. */
export const beforeText = (a: Ask) => (a.before === null ? '' : `${shown(a, a.before)} before`)

/** What is expected there: predicted, or the bound of its rule. */
export function expectedText(a: Ask): string {
  if (a.high === null) return a.low === null ? 'not predicted' : `from ${shown(a, a.low)} ${unitOf(a)}`
  const high = `${shown(a, a.high)} ${unitOf(a)}`
  return a.low === null ? `under ${high}` : `${shown(a, a.low)} to ${high}`
}

/** What somebody typed, as an observation; a sentence when it is none. */
export function typed(
  a: Pick<Ask, 'kind' | 'wire'>,
  text: string,
  over: boolean,
  habits: Habits,
): Observed | string {
  const rangeV = habits.rangeKv.trim() === '' ? null : parseKvV(habits.rangeKv)
  const resolutionV = habits.resolutionKv.trim() === '' ? null : parseKvV(habits.resolutionKv)
  const value = Number(text.trim().replace(',', '.'))
  const isNumber = /^\d*[.,]?\d+$|^\d+[.,]$/.test(text.trim())
  if (unitOf(a) !== 'kV') {
    if (!isNumber) return `Enter what the meter shows, in ${unitOf(a)}.`
    if (a.kind === 'CURRENT') {
      if (value > 500) return 'No pulse drives more than 500 A.'
      return { kind: 'CURRENT', peakA: value, direction: 'UNKNOWN', resolutionA: null }
    }
    if (value > 100) return 'A battery has less than 100 V.'
    return { kind: 'BATTERY_VOLTAGE', batteryV: value }
  }
  const peakV = over ? rangeV : parseKvV(text)
  if (over && rangeV === null) return 'Enter the range of the meter, in kV.'
  if (peakV === null) return 'Enter what the meter shows, in kV, for example 6.1.'
  const slip = kiloSlip(peakV)
  if (slip) return slip
  if (a.kind === 'EARTH_TEST') return { kind: 'EARTH_TEST', peakV, fenceV: null }
  if (rangeV !== null && peakV > rangeV)
    return `The meter reads up to ${kvText(rangeV)} kV; mark it as over range instead.`
  const kind = a.kind === 'UNPOWERED' ? 'UNPOWERED' : 'PEAK'
  return { kind, wire: a.wire, peakV, overRange: over, rangeV, resolutionV }
}

/** Volts typed for kilovolts, or what a meter shows over its range. */
export function kiloSlip(peakV: number): string {
  const kv = peakV / 1000
  if (kv <= 20) return ''
  if (kv >= 100 && kv <= 20_000) return `The field takes kilovolts: were ${kvText(kv)} kV meant?`
  return 'No fence holds more than 20 kV. A meter that shows 99.9 is over its range: mark it so.'
}

/** The list before power and the measuring round of the open job, of one day on. */
export const useRound = defineStore('round', () => {
  const job = useJob()
  const answer = shallowRef<Commissioning | null>(null)
  const problem = ref('')
  const picked = ref('')
  /** Switches that are open while one reads. */
  const open = ref<string[]>([])
  const switches = computed(() =>
    (job.design?.layout.lines ?? []).flatMap((l) => l.cutOuts.map((c) => ({ id: c.id, name: c.name }))),
  )
  const today = () => dayOf(new Date())
  const days = computed(() =>
    [...new Set([today(), ...job.readings.map((r) => dayOf(r.takenAt))])].toSorted().toReversed(),
  )
  const walked = computed(() => roundDays(job.telling))
  /** A day somebody chose, else the first of the last round, else today. */
  const day = computed(() => {
    if (days.value.includes(picked.value)) return picked.value
    let first = walked.value[0] ?? today()
    for (const d of walked.value) if (daysBetween(d, first) <= MOST_DAYS_APART) first = d
    return first
  })
  /** Whether it is known what there is to read, if anything. */
  const known = computed(() => answer.value !== null || job.nothingLaidOut)
  const since = computed(() => beginOf(day.value))
  /** A round may take some days; readings long after it are of another. */
  const lastDay = computed(() => {
    let last = day.value
    for (const d of [...new Set([today(), ...walked.value])].toSorted())
      if (d > last && daysBetween(last, d) <= MOST_DAYS_APART) last = d
    return last
  })
  const until = computed(() => {
    const next = new Date(`${lastDay.value}T00:00`)
    next.setDate(next.getDate() + 1)
    return next.toISOString()
  })
  /** Readings and ticks of this round. */
  const own = computed(() =>
    job.readings.filter((r) => {
      const at = new Date(r.takenAt).getTime()
      return at >= new Date(since.value).getTime() && at < new Date(until.value).getTime()
    }),
  )
  const asks = computed<Asked[]>(() =>
    (answer.value?.round.stops ?? []).flatMap((stop) =>
      stop.asks.map((a) => ({ key: `${stop.testPointId}|${a.kind}|${a.wire}`, stop, ask: a })),
    ),
  )

  const run = latestOnly(
    ({ since, until }: { since: string; until: string }) =>
      ask(
        client.POST('/api/electrics/round', {
          body: { plan: job.plan!, land: job.land!, readings: job.telling, since, until, open: open.value },
        }),
      ),
    (found) => {
      answer.value = found
      problem.value = ''
    },
    (e) => (problem.value = failureText(e, 'The round could not be worked out.')),
  )

  /** Keeps the answer up to date while a sheet shows it. */
  function follow() {
    return watch(
      () =>
        [
          job.design,
          job.readings,
          since.value,
          until.value,
          open.value,
          job.plan?.circumstances.yardstick,
        ] as const,
      () => {
        if (job.plan && job.land && job.design?.layout.lines.length)
          run({ since: since.value, until: until.value })
        else {
          run.forget()
          answer.value = null
        }
      },
      { immediate: true },
    )
  }

  /** An observation at a place of the round. */
  function observation(
    at: Observation['at'],
    what: Observed,
    habits: Habits,
    more: Partial<Observation> = {},
  ): Observation {
    // What is read now is of a round of now, not of one that was looked up.
    if (daysBetween(lastDay.value, today()) > MOST_DAYS_APART) picked.value = ''
    return {
      id: job.newId(),
      at,
      what,
      meter: habits.meter.trim() || null,
      weather: habits.weather,
      growth: habits.growth,
      openSwitches: open.value,
      takenAt: new Date().toISOString(),
      takenBy: habits.takenBy.trim(),
      note: '',
      corrects: null,
      ...more,
    }
  }

  const spotOf = (stop: Stop): Observation['at'] => ({
    testPointId: stop.testPointId,
    lineId: stop.lineId,
    stationM: stop.stationM,
    place: stop.at,
  })

  /** A round that starts today: what was read before is of another one. */
  const startToday = () => (picked.value = today())

  return {
    answer,
    known,
    problem,
    picked,
    open,
    switches,
    days,
    day,
    lastDay,
    since,
    until,
    own,
    asks,
    follow,
    observation,
    spotOf,
    startToday,
  }
})
