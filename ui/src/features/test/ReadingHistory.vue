<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Observation } from '@/api/types'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { newId } from '@/shared/uuid'
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
/** A meter that sends by itself makes thousands. */
const AT_ONCE = 100
const most = ref(AT_ONCE)
const habits = useHabits()
const voiding = ref('')
const reason = ref('')
/** It stays in the list with its reason, and counts nowhere. */
async function voidIt(r: Observation) {
  if (reason.value.trim() === '' || habits.takenBy.trim() === '') return
  await job.takeReading({
    ...r,
    id: newId(),
    what: { kind: 'VOIDED' },
    takenAt: new Date().toISOString(),
    takenBy: habits.takenBy.trim(),
    note: reason.value.trim(),
    corrects: r.id,
  })
  voiding.value = ''
}
const lower = (word: string) => word.toLowerCase()
</script>

<template>
  <table class="history">
    <tbody>
      <tr v-for="{ r, observed, corrected } in rows.slice(0, most)" :key="r.id" :class="{ corrected }">
        <td class="number">{{ observed.value }}</td>
        <td>{{ observed.on }}</td>
        <td>{{ dateText(r.takenAt) }}</td>
        <td>{{ r.takenBy }}</td>
        <td>{{ lower(r.weather) }}, {{ lower(r.growth) }}</td>
        <td>
          {{ r.note }}<template v-if="r.corrects"> (a correction)</template
          ><template v-if="corrected"> (does not count)</template>
        </td>
        <td>
          <button v-if="!corrected && r.what.kind === 'PEAK'" class="link" @click="emit('correct', r)">
            Correct
          </button>
          <button
            v-if="!corrected && r.what.kind !== 'VOIDED' && voiding !== r.id"
            class="link"
            data-test="void"
            @click="((voiding = r.id), (reason = ''))"
          >
            Void
          </button>
          <form v-if="voiding === r.id" class="void" @submit.prevent="voidIt(r)">
            <label v-if="habits.takenBy.trim() === ''"
              >Voided by <input v-model.lazy="habits.takenBy" autocomplete="name"
            /></label>
            <label>Why it is void <input v-model="reason" maxlength="500" data-test="void-reason" /></label>
            <v-btn class="strong" type="submit" :disabled="reason.trim() === ''">Void it</v-btn>
          </form>
        </td>
      </tr>
    </tbody>
  </table>
  <button v-if="rows.length > most" class="link" data-test="older-readings" @click="most += AT_ONCE">
    Show older ones, {{ rows.length - most }} more
  </button>
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
.void {
  display: flex;
  gap: 8px;
  align-items: end;
}
.void input {
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 4px 6px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
</style>
