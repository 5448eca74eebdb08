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

/** Since when something is wrong with a job, and when somebody last said so or went on with it. */
type Began = Record<string, { day: string; at: string }>

/** Where a fault of the open job must be, from its readings of one day on, or of an hour of it. */
export const useFaults = defineStore('faults', () => {
  const job = useJob()
  const answer = shallowRef<FenceDiagnosis | null>(null)
  const problem = ref('')
  const upkeep = useUpkeep()
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
  /** The day somebody chose or a search began that goes on, else the last on which something was read. */
  const since = computed(() => {
    const [last] = days.value
    if (last === undefined) return ''
    const mine = began.value[job.id]
    const goesOn = mine && mine.at > mendedAt.value && daysBetween(dayOf(mine.at), last) <= MOST_DAYS_IDLE
    const day = goesOn ? mine.day : searchBegan(job.readings, mendedAt.value)
    return days.value.includes(day) ? day : last
  })
  /** Of that day: a fence may be read in order in the morning and be wrong after noon. */
  const hour = ref('00:00')
  const begin = computed(() =>
    since.value ? new Date(`${since.value}T${hour.value || '00:00'}`).toISOString() : '',
  )
  function pick(day: string) {
    began.value = { ...began.value, [job.id]: { day, at: new Date().toISOString() } }
    hour.value = '00:00'
  }

  /** What is done now is of the search that is under way. */
  function goOn() {
    if (since.value)
      began.value = { ...began.value, [job.id]: { day: since.value, at: new Date().toISOString() } }
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
