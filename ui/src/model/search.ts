import { defineStore } from 'pinia'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { LineLayout, NextSteps, Observation } from '@/api/types'
import { keptRef } from '@/shared/kept'
import { latestOnly } from '@/shared/latest'
import { useFaults } from './faults'
import type { Habits } from './habits'
import { useJob } from './jobStore'
import { placeAt } from './placeAt'
import { standing } from './searchBegan'

const LONGEST_PAUSE_MS = 3_600_000
/** What was done longer ago is not of a search that somebody comes from. */
const OF_NOW_MS = 86_400_000

export type NextStep = NextSteps['steps'][number]
interface Crew {
  metresPerMinute: number
  currents: boolean
  acrossPaddocks: boolean
}
/** What is done or read where the energizer stands. */
const AT_ENERGIZER: Observation['what']['kind'][] = [
  'SUPPLY_CHECKED',
  'EARTH_TERMINAL',
  'EARTH_TEST',
  'BATTERY_VOLTAGE',
]

const isCrew = (v: unknown): v is Crew =>
  typeof v === 'object' &&
  v !== null &&
  typeof (v as Crew).metresPerMinute === 'number' &&
  typeof (v as Crew).acrossPaddocks === 'boolean'

/** The search for a fault of the open job: what was done, and what to do next. */
export const useSearch = defineStore('search', () => {
  const job = useJob()
  const faults = useFaults()
  const answer = shallowRef<NextSteps | null>(null)
  const problem = ref('')
  const busy = ref(false)
  /** As it is met: a walk, and a meter without an ammeter. */
  const crew = keptRef<Crew>(
    'buckle.search.crew',
    { metresPerMinute: 55, currents: false, acrossPaddocks: false },
    isCrew,
  )
  const now = computed(() =>
    job.readings.filter((r) => faults.begin && r.takenAt >= faults.begin && r.what.kind !== 'CHECKED'),
  )
  /** What was looked over without finding anything and not taken back, by whomever. */
  const looked = computed(() => {
    const corrected = new Set(job.readings.map((r) => r.corrects))
    return now.value
      .filter(
        (r) => !corrected.has(r.id) && (r.what.kind === 'LOOKED_OVER' || r.what.kind === 'SUPPLY_CHECKED'),
      )
      .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
  })
  /** What a log asks of a search: the weakest reading of it with every switch closed, and how long it took without a longer pause. */
  const soFar = computed(() => {
    const done = standing(now.value)
    const last = done.at(-1)
    if (!last || Date.now() - Date.parse(last.takenAt) > OF_NOW_MS) return null
    const peaks = done.filter((r) => r.what.kind === 'PEAK' && !r.what.overRange && !r.openSwitches?.length)
    const peakV = (r: Observation) => (r.what.kind === 'PEAK' ? r.what.peakV : Infinity)
    const weakest = peaks.toSorted((a, b) => peakV(a) - peakV(b))[0] ?? null
    let from = Date.parse(last.takenAt)
    for (const r of done.toReversed()) {
      const at = Date.parse(r.takenAt)
      if (from - at > LONGEST_PAUSE_MS) break
      from = at
    }
    return { weakest, minutes: Math.round((Date.parse(last.takenAt) - from) / 60_000) }
  })
  /** Where the last thing was done; at the energizer before anything was. */
  const here = computed(() => {
    const last = now.value
      .filter((r) => r.what.kind !== 'VOIDED')
      .toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
      .at(-1)
    if (!last || AT_ENERGIZER.includes(last.what.kind)) return null
    return {
      lineId: last.at.lineId,
      stationM: last.what.kind === 'LOOKED_OVER' ? last.what.toM : last.at.stationM,
    }
  })

  const run = latestOnly(
    async (since: string) => {
      busy.value = true
      const body = {
        plan: job.plan!,
        land: job.land!,
        readings: faults.counted,
        since,
        here: here.value,
        crew: crew.value,
      }
      // Where it must be is told first: both at once keep each other waiting.
      await nextTick()
      await faults.settled()
      return ask(client.POST('/api/electrics/next-steps', { body }))
    },
    (found) => {
      busy.value = false
      answer.value = found
      problem.value = ''
    },
    (e) => {
      busy.value = false
      problem.value = failureText(e, 'That could not be worked out.')
    },
  )

  function clear() {
    run.forget()
    busy.value = false
    answer.value = null
  }

  /** Keeps what to do next up to date while the stage is open. */
  function follow() {
    clear()
    return watch(
      () => [
        job.design,
        faults.counted,
        faults.begin,
        crew.value.metresPerMinute,
        crew.value.currents,
        crew.value.acrossPaddocks,
      ],
      () => {
        if (job.plan && job.land && faults.begin && now.value.length && job.design?.layout.lines.length)
          run(faults.begin)
        else clear()
      },
      { immediate: true },
    )
  }

  /**
   * Says where a reading is about to be taken: what does not depend on its number is worked out meanwhile. Of no consequence if it
   * fails.
   */
  async function expect({ lineId, fromM, cutOut }: NextStep) {
    if (!job.plan || !job.land || !faults.begin || lineId === null) return
    const body = {
      plan: job.plan,
      land: job.land,
      readings: faults.counted,
      since: faults.begin,
      expected: { lineId, stationM: fromM, cutOut, currents: crew.value.currents },
    }
    await client.POST('/api/electrics/expected-reading', { body }).catch(() => undefined)
  }

  /** By the test point there, if there is one; where on the lines it is said to be is of no consequence. */
  function atEnergizer(what: Observation['what'], habits: Habits): Observation | null {
    const point = job.testPoints.find((p) => p.id === 'energizer')
    const line = job.design?.layout.lines.find((l) => !point || l.lineId === point.lineId)
    return line ? taken(line, point?.stationM ?? 0, what, habits) : null
  }

  /** Nothing was found on the stretch of a step, or at the energizer. */
  function lookedOver(step: NextStep, habits: Habits): Observation | null {
    if (step.lineId === null) return atEnergizer({ kind: 'SUPPLY_CHECKED' }, habits)
    const line = job.design?.layout.lines.find((l) => l.lineId === step.lineId)
    const toPlace = line && placeAt(line, step.toM)
    return line && toPlace
      ? taken(line, step.fromM, { kind: 'LOOKED_OVER', toM: step.toM, toPlace }, habits)
      : null
  }

  /** The last stretch is to be looked over again. */
  function takeBack(habits: Habits): Observation | null {
    const last = looked.value.at(-1)
    return last
      ? {
          ...last,
          id: job.newId(),
          what: { kind: 'VOIDED' },
          takenAt: new Date().toISOString(),
          takenBy: habits.takenBy.trim(),
          note: 'taken back',
          corrects: last.id,
        }
      : null
  }

  function taken(
    line: LineLayout,
    stationM: number,
    what: Observation['what'],
    habits: Habits,
    cutOut: string | null = null,
  ): Observation | null {
    const place = placeAt(line, stationM)
    if (!place) return null
    return {
      id: job.newId(),
      at: { testPointId: null, lineId: line.lineId, stationM, place },
      what,
      meter: habits.meter.trim() || null,
      weather: habits.weather,
      growth: habits.growth,
      openSwitches: cutOut === null ? [] : [cutOut],
      takenAt: new Date().toISOString(),
      takenBy: habits.takenBy.trim(),
      note: '',
      corrects: null,
    }
  }

  /** What was read where a step says. */
  function reading(step: NextStep, what: Observation['what'], habits: Habits): Observation | null {
    const line = job.design?.layout.lines.find((l) => l.lineId === step.lineId)
    return line ? taken(line, step.fromM, what, habits, step.cutOut) : null
  }

  return {
    answer,
    problem,
    busy,
    crew,
    looked,
    soFar,
    here,
    follow,
    expect,
    lookedOver,
    takeBack,
    reading,
    atEnergizer,
  }
})
