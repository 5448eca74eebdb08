<script setup lang="ts">
import { useRound } from '@/model/round'
import { calendarText } from '@/shared/units'

/** Of which day on readings and ticks are shown: a commissioning, or a later round. */
const round = useRound()
</script>

<template>
  <p class="small day">
    <label
      >This round: what was read on
      <select
        :value="round.day"
        data-test="round-day"
        @change="round.picked = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="d in round.days" :key="d" :value="d">{{ calendarText(d) }}</option>
      </select> </label
    ><span>{{ round.lastDay === round.day ? '' : `to ${calendarText(round.lastDay)}` }}</span>
    <button v-if="round.day !== round.days[0]" class="link" data-test="round-today" @click="round.startToday">
      Start a round today
    </button>
  </p>
  <p v-if="round.problem" class="weak" role="alert">{{ round.problem }}</p>
</template>

<style scoped>
.day {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: baseline;
}
select {
  border: 1px solid var(--rule-strong);
  padding: 3px 7px;
  background: var(--paper);
  color: var(--ink);
}
.link {
  color: var(--ink);
  text-decoration: underline;
}
.weak {
  color: var(--broken);
}
</style>
