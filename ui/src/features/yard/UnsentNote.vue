<script setup lang="ts">
import { onMounted, onUnmounted, shallowRef } from 'vue'
import { outbox } from '@/model/outbox'
import { useReadings } from '@/model/readings'

const RETRY_MS = 5000
/** What is on this device and not on the server yet; readings of all jobs are sent meanwhile. */
const unsent = shallowRef({ readings: 0, refused: 0, drafts: 0 })

async function count() {
  const { readings, drafts } = await outbox.waiting()
  const refused = readings.filter((r) => r.refused !== '').length
  unsent.value = { readings: readings.length - refused, refused, drafts: drafts.length }
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
</template>

<style scoped>
.unsent {
  margin: 10px 0 0;
  padding: 6px 10px;
  border-left: 4px solid var(--warn);
}
</style>
