import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { FenceDiagnosis } from '@/api/types'
import { keptRef } from '@/shared/kept'
import { latestOnly } from '@/shared/latest'
import { useJob } from './jobStore'
import { dayOf, daysBetween } from './round'
import { MOST_DAYS_IDLE, lastMended, readingsOf, searchBegan, standing, wrongTimes } from './searchBegan'
import { useUpkeep } from './upkeep'

/** Since when something is wrong with a job, and when somebody last went on with its search. */
type Began = Record<string, { day: string; hour: string; at: string }>

/** The hour of a day from which on readings are of a fence that was mended on it; midnight if it was on none. */
function hourAfter(mendedAt: string, day: string) {
  if (!mendedAt || dayOf(mendedAt) !== day) return '00:00'
  return new Date(Date.parse(mendedAt) + 1).toLocaleTimeString('sv-SE')
}

/** Where a fault of the open job must be, from its readings of one day on, or of an hour of it. */
export const useFaults = defineStore('faults', () => {
  const job = useJob()
  const answer = shallowRef<FenceDiagnosis | null>(null)
  const problem = ref('')
  const upkeep = useUpkeep()
  /** A day that somebody looked up, as long as the page lasts. */
  const picked = shallowRef<(Began[string] & { jobId: string }) | null>(null)
  /** On this device, by job. */
  const began = keptRef<Began>(
    'buckle.search.began',
    {},
    (v): v is Began => typeof v === 'object' && v !== null && !Array.isArray(v),
  )
  const yardstick = computed(() => job.plan?.circumstances.yardstick ?? null)
  const read = computed(() => readingsOf(job.readings))
  /** Days on which something was read, the last first. */
  const days = computed(() => [...new Set(read.value.map((r) => dayOf(r.takenAt)))].toSorted().toReversed())
  const log = computed(() => upkeep.answer?.faults ?? [])
  const mendedAt = computed(() => lastMended(log.value, job.readings))
  /** What was looked up, or a search that goes on on this device. */
  const mine = computed(() => {
    const holds = (b: Began[string] | null | undefined) =>
      b && b.at > mendedAt.value && days.value.includes(b.day) ? b : null
    const here = holds(picked.value?.jobId === job.id ? picked.value : null)
    const own = holds(began.value[job.id])
    const [last] = days.value
    return here ?? (own && last && daysBetween(dayOf(own.at), last) <= MOST_DAYS_IDLE ? own : null)
  })
  /** When the last fault was mended, if nothing was read since: what was read before says nothing of the fence as it is now. */
  const mended = computed(() => {
    const last = read.value.at(-1)
    return !mine.value && last && last.takenAt <= mendedAt.value ? mendedAt.value : ''
  })
  /** The day somebody chose or a search began that goes on, else the last on which something was read. */
  const since = computed(() => {
    const day = mine.value ? mine.value.day : searchBegan(job.readings, log.value)
    return days.value.includes(day) ? day : (days.value[0] ?? '')
  })
  /** Of that day: a fence may be read in order in the morning and be wrong after noon, or be mended at noon and read again. */
  const hour = computed({
    get: () => (mine.value ? mine.value.hour : hourAfter(mendedAt.value, since.value)),
    set: (at) => look(since.value, at),
  })
  const begin = computed(() =>
    since.value && !mended.value ? new Date(`${since.value}T${hour.value || '00:00'}`).toISOString() : '',
  )
  /** What takes part. Without a yardstick what was read while something was wrong that is mended now is of no fence in order. */
  const counted = computed(() => {
    const wrong = yardstick.value ? [] : wrongTimes(job.telling, log.value)
    return wrong.length
      ? standing(job.telling).filter(
          (r) => r.takenAt >= begin.value || !wrong.some((w) => r.takenAt >= w.from && r.takenAt <= w.to),
        )
      : job.telling
  })
  const entryOf = (day: string, hour: string) => ({ day, hour, at: new Date().toISOString() })
  const look = (day: string, hour: string) => (picked.value = { jobId: job.id, ...entryOf(day, hour) })
  const pick = (day: string) => look(day, '00:00')
  /** Shows it as it was before the last fault was mended. */
  function asBefore() {
    const search = wrongTimes(job.telling, log.value).findLast((w) => w.to === mendedAt.value)
    const day = search ? dayOf(search.from) : ''
    pick(days.value.includes(day) ? day : since.value)
  }
  /** What is done now is of the search that is under way. */
  function goOn() {
    const entry = entryOf(since.value, hour.value)
    if (entry.day) began.value = { ...began.value, [job.id]: entry }
  }

  const run = latestOnly(
    (since: string) =>
      ask(
        client.POST('/api/electrics/faults', {
          body: { plan: job.plan!, land: job.land!, readings: counted.value, since },
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
      () => [job.design, counted.value, begin.value, yardstick.value, upkeep.known] as const,
      () => {
        if (job.plan && job.land && begin.value && upkeep.known && job.design?.layout.lines.length)
          told = run(begin.value)
        else {
          run.forget()
          answer.value = null
        }
      },
      { immediate: true },
    )
  }

  return {
    answer,
    problem,
    days,
    since,
    hour,
    begin,
    mended,
    counted,
    pick,
    asBefore,
    goOn,
    yardstick,
    follow,
    settled,
  }
})
