import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { NextSteps, Observation } from '@/api/types'
import { keptRef } from '@/shared/kept'
import { latestOnly } from '@/shared/latest'
import { useFaults } from './faults'
import type { Habits } from './habits'
import { useJob } from './jobStore'
import { placeAt } from './placeAt'
import { beginOf } from './round'

export type NextStep = NextSteps['steps'][number]
/** What was looked over without finding anything; without a line the energizer and the rods. */
interface Looked {
  jobId: string
  since: string
  lineId: string | null
  fromM: number
  toM: number
  at: string
}
interface Crew {
  metresPerMinute: number
  currents: boolean
}
const MOST_KEPT = 200
const isCrew = (v: unknown): v is Crew =>
  typeof v === 'object' && v !== null && typeof (v as Crew).metresPerMinute === 'number'
const isLooked = (v: unknown): v is Looked[] => Array.isArray(v)

/** The search for a fault of the open job: what was done, and what to do next. */
export const useSearch = defineStore('search', () => {
  const job = useJob()
  const faults = useFaults()
  const answer = shallowRef<NextSteps | null>(null)
  const problem = ref('')
  const busy = ref(false)
  /** As it is met: a walk, and a meter without an ammeter. */
  const crew = keptRef<Crew>('buckle.search.crew', { metresPerMinute: 55, currents: false }, isCrew)
  const kept = keptRef<Looked[]>('buckle.search.looked', [], isLooked)
  const looked = computed(() => kept.value.filter((l) => l.jobId === job.id && l.since === faults.since))
  const now = computed(() =>
    job.readings.filter(
      (r) => faults.since && r.takenAt >= beginOf(faults.since) && r.what.kind !== 'CHECKED',
    ),
  )
  /** Where the last thing was done; at the energizer before anything was. */
  const here = computed(() => {
    const read = now.value.toSorted((a, b) => a.takenAt.localeCompare(b.takenAt)).at(-1)
    const seen = looked.value.at(-1)
    if (seen && (!read || seen.at > read.takenAt))
      return seen.lineId === null ? null : { lineId: seen.lineId, stationM: seen.toM }
    return read ? { lineId: read.at.lineId, stationM: read.at.stationM } : null
  })

  const run = latestOnly(
    ({ since }: { since: string; jobId: string }) => {
      busy.value = true
      return ask(
        client.POST('/api/electrics/next-steps', {
          body: {
            plan: job.plan!,
            land: job.land!,
            readings: job.readings,
            since,
            here: here.value,
            lookedOver: looked.value.flatMap((l) =>
              l.lineId === null ? [] : [{ lineId: l.lineId, fromM: l.fromM, toM: l.toM, probability: 0 }],
            ),
            energizerSeen: looked.value.some((l) => l.lineId === null),
            crew: crew.value,
          },
        }),
      )
    },
    (found, { jobId }) => {
      busy.value = false
      // Of another job that was open before: nothing to do here.
      if (jobId !== job.id) return
      answer.value = found
      problem.value = ''
    },
    (e, { jobId }) => {
      busy.value = false
      if (jobId === job.id) problem.value = failureText(e, 'That could not be worked out.')
    },
  )

  /** Keeps what to do next up to date while the stage is open. */
  function follow() {
    answer.value = null
    return watch(
      () => [
        job.design,
        job.readings,
        faults.since,
        kept.value.length,
        crew.value.metresPerMinute,
        crew.value.currents,
      ],
      () => {
        if (job.plan && job.land && faults.since && now.value.length && job.design?.layout.lines.length)
          run({ since: beginOf(faults.since), jobId: job.id })
        else answer.value = null
      },
      { immediate: true },
    )
  }

  /** Nothing was found on the stretch of a step. */
  function lookedOver(step: NextStep) {
    const l = { jobId: job.id, since: faults.since, lineId: step.lineId, fromM: step.fromM, toM: step.toM }
    kept.value = [...kept.value, { ...l, at: new Date().toISOString() }].slice(-MOST_KEPT)
  }

  function takeBack() {
    const last = looked.value.at(-1)
    kept.value = kept.value.filter((l) => l !== last)
  }

  /** A voltage read where a step said. */
  function reading(step: NextStep, what: Observation['what'], habits: Habits): Observation | null {
    const line = job.design?.layout.lines.find((l) => l.lineId === step.lineId)
    const place = line && placeAt(line, step.fromM)
    if (!line || !place) return null
    return {
      id: job.newId(),
      at: { testPointId: null, lineId: line.lineId, stationM: step.fromM, place },
      what,
      meter: habits.meter.trim() || null,
      weather: habits.weather,
      growth: habits.growth,
      openSwitches: step.cutOut === null ? [] : [step.cutOut],
      takenAt: new Date().toISOString(),
      takenBy: habits.takenBy.trim(),
      note: '',
      corrects: null,
    }
  }

  return { answer, problem, busy, crew, looked, here, follow, lookedOver, takeBack, reading }
})
