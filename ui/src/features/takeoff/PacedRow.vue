<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client } from '@/api/client'
import type { Paced } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { countText, lengthText, parseLengthM } from '@/shared/units'

const job = useJob()
const feet = computed(() => job.units !== 'METRIC')
const steps = ref(9)
const step = ref(feet.value ? '3 ft' : '0.9 m')
const typed = ref('')
const longest = computed(() => Math.max(0, ...(job.design?.layout.lines.map((l) => l.slopeLengthM) ?? [])))
const lengthM = computed(() => parseLengthM(typed.value, job.units) ?? longest.value)
const row = shallowRef<Paced | null>(null)

watch(
  [lengthM, steps, step],
  async () => {
    row.value = null
    const stepM = parseLengthM(step.value, job.units)
    if (!stepM || !(steps.value >= 1) || !lengthM.value) return
    const query = { lengthM: lengthM.value, steps: Math.round(steps.value), stepM }
    row.value = await ask(client.GET('/api/reach/paced', { params: { query } })).catch(() => null)
  },
  { immediate: true },
)
</script>

<template>
  <p class="small paced">
    Paced:
    <label
      ><input v-model.number="steps" inputmode="numeric" size="3" data-test="paced-steps" /> steps of</label
    >
    <label><input v-model="step" size="5" aria-label="Length of a step" /> along</label>
    <label
      ><input
        v-model="typed"
        size="8"
        :placeholder="lengthText(longest, job.units)"
        aria-label="Length of the row"
        data-test="paced-length"
    /></label>
    <span v-if="row" data-test="paced"
      ><b>{{ countText(row.posts) }} posts</b> a row, {{ lengthText(row.leftM, job.units) }} from the last to
      the end.</span
    >
    <span v-else class="quiet-text">Type a length and steps of 1 to 10 ft.</span>
  </p>
</template>

<style scoped>
.paced {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: baseline;
}
.paced input {
  border: 1px solid var(--rule-strong);
  padding: 3px 6px;
  background: var(--paper);
  color: var(--ink);
}
</style>
