import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { FenceDiagnosis, Observation } from '@/api/types'
import { latestOnly } from '@/shared/latest'
import { useJob } from './jobStore'
import { dayOf } from './round'

const NO_READING: Observation['what']['kind'][] = ['CHECKED', 'VOIDED', 'LOOKED_OVER', 'SUPPLY_CHECKED']

/** Where a fault of the open job must be, from its readings of one day on, or of an hour of it. */
export const useFaults = defineStore('faults', () => {
  const job = useJob()
  const answer = shallowRef<FenceDiagnosis | null>(null)
  const problem = ref('')
  const picked = ref('')
  const yardstick = computed(() => job.plan?.circumstances.yardstick ?? null)
  /** Days on which something was read, the last first; a search that goes on another day begins no new one. */
  const days = computed(() =>
    [...new Set(job.readings.filter((r) => !NO_READING.includes(r.what.kind)).map((r) => dayOf(r.takenAt)))]
      .toSorted()
      .toReversed(),
  )
  const since = computed(() => (days.value.includes(picked.value) ? picked.value : (days.value[0] ?? '')))
  /** Of that day: a fence may be read in order in the morning and be wrong after noon. */
  const hour = ref('00:00')
  const begin = computed(() =>
    since.value ? new Date(`${since.value}T${hour.value || '00:00'}`).toISOString() : '',
  )
  function pick(day: string) {
    picked.value = day
    hour.value = '00:00'
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

  return { answer, problem, days, since, hour, begin, pick, yardstick, follow, settled }
})
