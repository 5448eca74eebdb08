<script setup lang="ts">
import { useHabits } from '@/model/habits'
import { useRound } from '@/model/round'

/** Who reads, with what, in what weather: the same from one reading to the next. */
const habits = useHabits()
const round = useRound()
</script>

<template>
  <div class="habits">
    <label>By <input v-model="habits.takenBy" autocomplete="name" data-test="habit-by" /></label>
    <label>Meter <input v-model="habits.meter" data-test="habit-meter" /></label>
    <label
      >Range, kV <input v-model="habits.rangeKv" class="short" inputmode="decimal" data-test="habit-range"
    /></label>
    <label
      >Step, kV <input v-model="habits.resolutionKv" class="short" inputmode="decimal" data-test="habit-step"
    /></label>
    <label
      >Weather
      <select v-model="habits.weather" data-test="habit-weather">
        <option value="DRY">dry</option>
        <option value="DAMP">damp</option>
        <option value="RAIN">rain</option>
        <option value="SNOW">snow</option>
        <option value="FROST">frost</option>
      </select></label
    >
    <label
      >Growth
      <select v-model="habits.growth" data-test="habit-growth">
        <option value="CLEAN">clean</option>
        <option value="LIGHT">light</option>
        <option value="HEAVY">heavy</option>
        <option value="RAIN">heavy, wet</option>
      </select></label
    >
    <span v-if="round.switches.length" class="switches"
      >Open now
      <label v-for="s in round.switches" :key="s.id"
        ><input v-model="round.open" type="checkbox" :value="s.id" :data-test="`open-${s.id}`" />
        {{ s.name }}</label
      ></span
    >
  </div>
</template>

<style scoped>
.habits {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  margin: 6px 0 10px;
}
label {
  font-size: 13px;
  color: var(--quiet);
}
input,
select {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  width: 130px;
  background: var(--paper);
  color: var(--ink);
}
select {
  width: auto;
}
.switches {
  font-size: 13px;
  color: var(--quiet);
}
.switches label {
  margin-left: 8px;
}
.switches input {
  width: auto;
}
.short {
  width: 56px;
}
</style>
