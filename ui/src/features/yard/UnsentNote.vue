<script setup lang="ts">
import { onMounted, onUnmounted, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import { outbox } from '@/model/outbox'
import { useReadings } from '@/model/readings'

const RETRY_MS = 5000
/** What is on this device and not on the server yet; readings of all jobs are sent meanwhile. */
const unsent = shallowRef({ readings: 0, refused: 0, drafts: 0 })
/** Jobs that wait to be opened, and with which of their sheets. */
const toOpen = shallowRef<{ id: string; name: string; stage: string; sheet: string }[]>([])
const DRAFT = 'buckle.draft.'

async function count() {
  const { readings, drafts } = await outbox.waiting()
  const refused = readings.filter((r) => r.refused !== '')
  unsent.value = {
    readings: readings.length - refused.length,
    refused: refused.length,
    drafts: drafts.length,
  }
  const plans = drafts.filter((key) => key.startsWith(DRAFT)).map((key) => key.slice(DRAFT.length))
  toOpen.value = (
    await Promise.all([
      ...[...new Set(refused.map((r) => r.jobId))].map((id) => named(id, 'test', 'round')),
      ...plans.map((id) => named(id, 'layout', 'build')),
    ])
  ).flat()
}

/** Nothing of a job that is not here any more. */
async function named(id: string, stage: string, sheet: string) {
  try {
    const { name } = await ask(client.GET('/api/jobs/{id}', { params: { path: { id } } }))
    return [{ id, name, stage, sheet }]
  } catch {
    return []
  }
}

let gone = false
let timer: ReturnType<typeof setTimeout> | undefined
async function send() {
  await count()
  if (unsent.value.readings === 0) return
  await useReadings().sendEverything()
  await count()
  if (unsent.value.readings > 0 && !gone) timer = setTimeout(() => void send(), RETRY_MS)
}
onMounted(send)
onUnmounted(() => {
  gone = true
  clearTimeout(timer)
})
</script>

<template>
  <p v-if="unsent.readings || unsent.drafts" class="unsent" data-test="unsent">
    On this device and not on the server yet:
    <template v-if="unsent.readings"
      >{{ unsent.readings }} {{ unsent.readings === 1 ? 'reading' : 'readings' }}</template
    ><template v-if="unsent.readings && unsent.drafts"> and </template
    ><template v-if="unsent.drafts"
      >changes of {{ unsent.drafts }} {{ unsent.drafts === 1 ? 'plan' : 'plans' }}</template
    >.<template v-if="unsent.readings"> Readings are sent as soon as the server is there.</template
    ><template v-if="unsent.drafts"> Changes of a plan are sent when its job is opened.</template>
  </p>
  <p v-if="unsent.refused" class="unsent" data-test="refused">
    {{ unsent.refused }} {{ unsent.refused === 1 ? 'reading was' : 'readings were' }} refused; the measuring
    round of its job says why.
  </p>
  <p v-if="toOpen.length" class="unsent" data-test="to-open">
    Open:
    <template v-for="(j, i) in toOpen" :key="j.id + j.sheet"
      >{{ i ? ' · ' : ''
      }}<router-link
        class="link"
        :to="{ name: 'job', params: { id: j.id, stage: j.stage }, query: { sheet: j.sheet } }"
        >{{ j.name }}, {{ j.stage === 'test' ? 'measuring round' : 'plan' }}</router-link
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
