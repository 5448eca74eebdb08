<script setup lang="ts">
import { computed } from 'vue'
import type { Observation } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { dateText } from '@/shared/units'
import { observedText } from './observed'
import type { Observed } from '@/api/types'
import { useWords } from '@/model/useWords'

const props = defineProps<{ testPointId: string }>()
const { say } = useWords()
const spokenOf = (what: Observed) => {
  const told = observedText(what)
  return { ...told, on: say(told.on) }
}
const emit = defineEmits<{ correct: [reading: Observation] }>()
const job = useJob()
const rows = computed(() => {
  const corrected = new Set(job.readings.map((r) => r.corrects).filter(Boolean))
  return job.readings
    .filter((r) => r.at.testPointId === props.testPointId)
    .map((r) => ({ r, observed: spokenOf(r.what), corrected: corrected.has(r.id) }))
    .reverse()
})
const lower = (word: string) => word.toLowerCase()
</script>

<template>
  <table class="history">
    <tbody>
      <tr v-for="{ r, observed, corrected } in rows" :key="r.id" :class="{ corrected }">
        <td class="number">{{ observed.value }}</td>
        <td>{{ observed.on }}</td>
        <td>{{ dateText(r.takenAt) }}</td>
        <td>{{ r.takenBy }}</td>
        <td>{{ lower(r.weather) }}, {{ lower(r.growth) }}</td>
        <td>
          {{ r.note }}<template v-if="r.corrects"> (a correction)</template
          ><template v-if="corrected"> (corrected)</template>
        </td>
        <td>
          <button v-if="!corrected && r.what.kind === 'PEAK'" class="link" @click="emit('correct', r)">
            Correct
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.history {
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
}
td {
  padding: 2px 8px 2px 0;
}
.corrected {
  text-decoration: line-through;
  color: var(--quiet);
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
</style>
