<script setup lang="ts">
import { computed, onMounted, onUnmounted, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import { outbox } from '@/model/outbox'
import { useReadings } from '@/model/readings'
import { useUpkeep } from '@/model/upkeep'

const RETRY_MS = 5000
/** What is on this device and not on the server yet; readings and notes of all jobs are sent meanwhile. */
const unsent = shallowRef({ readings: 0, notes: 0, drafts: 0, refusedReadings: 0, refusedNotes: 0 })
const sent = computed(() => unsent.value.readings + unsent.value.notes)
/** Jobs that wait to be opened, and with which of their sheets. */
const toOpen = shallowRef<{ id: string; name: string; stage: string; sheet: string; what: string }[]>([])
const DRAFT = 'buckle.draft.'
const many = (n: number, one: string, more: string) => (n ? [`${n} ${n === 1 ? one : more}`] : [])
const list = (all: string[]) =>
  all.length > 1 ? `${all.slice(0, -1).join(', ')} and ${all.at(-1)}` : (all[0] ?? '')
const waits = computed(() =>
  list([
    ...many(unsent.value.readings, 'reading', 'readings'),
    ...many(unsent.value.notes, 'note of a fault', 'notes of faults'),
    ...many(unsent.value.drafts, 'changed plan', 'changed plans'),
  ]),
)
const refused = computed(() =>
  list([
    ...many(unsent.value.refusedReadings, 'reading', 'readings'),
    ...many(unsent.value.refusedNotes, 'note of a fault', 'notes of faults'),
  ]),
)

async function count() {
  const { readings, notes, drafts } = await outbox.waiting()
  const badReadings = readings.filter((r) => r.refused !== '')
  const badNotes = notes.filter((n) => n.refused !== '')
  unsent.value = {
    readings: readings.length - badReadings.length,
    notes: notes.length - badNotes.length,
    drafts: drafts.length,
    refusedReadings: badReadings.length,
    refusedNotes: badNotes.length,
  }
  const plans = drafts.filter((key) => key.startsWith(DRAFT)).map((key) => key.slice(DRAFT.length))
  const jobsOf = (all: { jobId: string }[]) => [...new Set(all.map((r) => r.jobId))]
  toOpen.value = (
    await Promise.all([
      ...jobsOf(badReadings).map((id) => named(id, 'test', 'round', 'measuring round')),
      ...jobsOf(badNotes).map((id) => named(id, 'faults', 'log', 'log')),
      ...plans.map((id) => named(id, 'layout', 'build', 'plan')),
    ])
  ).flat()
}

/** Nothing of a job that is not here any more. */
async function named(id: string, stage: string, sheet: string, what: string) {
  try {
    const { name } = await ask(client.GET('/api/jobs/{id}', { params: { path: { id } } }))
    return [{ id, name, stage, sheet, what }]
  } catch {
    return []
  }
}

let gone = false
let timer: ReturnType<typeof setTimeout> | undefined
async function send() {
  await count()
  if (sent.value === 0) return
  await Promise.all([useReadings().sendEverything(), useUpkeep().sendNotes()])
  await count()
  if (sent.value > 0 && !gone) timer = setTimeout(() => void send(), RETRY_MS)
}
onMounted(send)
onUnmounted(() => {
  gone = true
  clearTimeout(timer)
})
</script>

<template>
  <p v-if="waits" class="unsent" data-test="unsent">
    On this device and not on the server yet: {{ waits }}.<template v-if="sent">
      Readings and notes are sent as soon as the server is there.</template
    ><template v-if="unsent.drafts"> Changes of a plan are sent when its job is opened.</template>
  </p>
  <p v-if="refused" class="unsent" data-test="refused">Not taken: {{ refused }}; its job says why.</p>
  <p v-if="toOpen.length" class="unsent" data-test="to-open">
    Open:
    <template v-for="(j, i) in toOpen" :key="j.id + j.sheet"
      >{{ i ? ' · ' : ''
      }}<router-link
        class="link"
        :to="{ name: 'job', params: { id: j.id, stage: j.stage }, query: { sheet: j.sheet } }"
        >{{ j.name }}, {{ j.what }}</router-link
      ></template
    >
  </p>
</template>

<style scoped>
.unsent {
  margin: 10px 0 0;
  padding: 6px 10px;
  border-left: 4px solid var(--warn);
}
</style>
