<script setup lang="ts">
import { computed } from 'vue'
import type { Reading } from '@/api/types'
import { useJob } from '@/features/job/jobStore'
import { dateText, kvText } from '@/shared/units'

const props = defineProps<{ testPointId: string }>()
const emit = defineEmits<{ correct: [reading: Reading] }>()
const job = useJob()
const rows = computed(() => {
  const corrected = new Set(job.readings.map((r) => r.corrects).filter(Boolean))
  return job.readings
    .filter((r) => r.testPointId === props.testPointId)
    .map((r) => ({ r, corrected: corrected.has(r.id) }))
    .reverse()
})
const lower = (word: string) => word.toLowerCase()
</script>

<template>
  <table class="history">
    <tbody>
      <tr v-for="{ r, corrected } in rows" :key="r.id" :class="{ corrected }">
        <td class="number">{{ r.overRange ? '> ' : '' }}{{ kvText(r.peakV) }} kV</td>
        <td>{{ r.wire === 0 ? 'joined' : `wire ${r.wire}` }}</td>
        <td>{{ dateText(r.takenAt) }}</td>
        <td>{{ r.takenBy }}</td>
        <td>{{ lower(r.weather) }}, {{ lower(r.growth) }}</td>
        <td>
          {{ r.note }}<template v-if="r.corrects"> (a correction)</template
          ><template v-if="corrected"> (corrected)</template>
        </td>
        <td><button v-if="!corrected" class="link" @click="emit('correct', r)">Correct</button></td>
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
