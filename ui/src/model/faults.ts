import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { FenceDiagnosis } from '@/api/types'
import { keptRef } from '@/shared/kept'
import { latestOnly } from '@/shared/latest'
import { useJob } from './jobStore'
import { dayOf, daysBetween } from './round'
import { MOST_DAYS_IDLE, readingsOf, searchBegan } from './searchBegan'
import { useUpkeep } from './upkeep'

/** Since when something is wrong with a job, and when somebody last went on with its search. */
type Began = Record<string, { day: string; hour: string; at: string }>

/** Where a fault of the open job must be, from its readings of one day on, or of an hour of it. */
export const useFaults = defineStore('faults', () => {
  const job = useJob()
  const answer = shallowRef<FenceDiagnosis | null>(null)
  const problem = ref('')
  const upkeep = useUpkeep()
  /** A day that somebody looked up, as long as the page lasts. */
  const picked = shallowRef<{ jobId: string; day: string; hour: string } | null>(null)
  /** On this device, by job. */
  const began = keptRef<Began>(
    'buckle.search.began',
    {},
    (v): v is Began => typeof v === 'object' && v !== null && !Array.isArray(v),
  )
  const yardstick = computed(() => job.plan?.circumstances.yardstick ?? null)
  /** Days on which something was read, the last first. */
  const days = computed(() =>
    [...new Set(readingsOf(job.readings).map((r) => dayOf(r.takenAt)))].toSorted().toReversed(),
  )
  const mendedAt = computed(
    () =>
      (upkeep.answer?.faults ?? [])
        .filter((f) => f.stands.state === 'MENDED')
        .map((f) => f.stands.notedAt)
        .toSorted()
        .at(-1) ?? '',
  )
  /** What was looked up, or a search that goes on on this device. */
  const mine = computed(() => {
    if (picked.value?.jobId === job.id && days.value.includes(picked.value.day)) return picked.value
    const own = began.value[job.id]
    const [last] = days.value
    const goesOn =
      own !== undefined &&
      last !== undefined &&
      own.at > mendedAt.value &&
      daysBetween(dayOf(own.at), last) <= MOST_DAYS_IDLE
    return goesOn && days.value.includes(own.day) ? own : null
  })
  /** The day somebody chose or a search began that goes on, else the last on which something was read. */
  const since = computed(() => {
    const day = mine.value ? mine.value.day : searchBegan(job.readings, mendedAt.value)
    return days.value.includes(day) ? day : (days.value[0] ?? '')
  })
  /** Of that day: a fence may be read in order in the morning and be wrong after noon. */
  const hour = computed({
    get: () => mine.value?.hour ?? '00:00',
    set: (at) => look(since.value, at),
  })
  const begin = computed(() =>
    since.value ? new Date(`${since.value}T${hour.value || '00:00'}`).toISOString() : '',
  )
  const look = (day: string, hour: string) => (picked.value = { jobId: job.id, day, hour })
  const pick = (day: string) => look(day, '00:00')
  /** What is done now is of the search that is under way. */
  function goOn() {
    const entry = { day: since.value, hour: hour.value, at: new Date().toISOString() }
    if (entry.day) began.value = { ...began.value, [job.id]: entry }
  }

  const run = latestOnly(
    (since: string) =>
      ask(
        client.POST('/api/electrics/faults', {
          body: { plan: job.plan!, land: job.land!, readings: job.readings, since },
        }),
      ),
    (found) => {
      answer.value = found
      problem.value = ''
    },
    (e) => (problem.value = failureText(e, 'That could not be worked out.')),
  )

  let told = Promise.resolve()
  /** When the answer is that to all readings there are. */
  const settled = () => told

  /** Keeps the answer up to date while the stage is open. */
  function follow() {
    return watch(
      () => [job.design, job.readings, begin.value, yardstick.value] as const,
      () => {
        if (job.plan && job.land && begin.value && job.design?.layout.lines.length) told = run(begin.value)
        else {
          run.forget()
          answer.value = null
        }
      },
      { immediate: true },
    )
  }

  return { answer, problem, days, since, hour, begin, pick, goOn, yardstick, follow, settled }
})
