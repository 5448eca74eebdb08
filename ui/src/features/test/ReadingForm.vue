<script setup lang="ts">
import { computed, ref } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { lengthText, stationText } from '@/shared/units'
import RefusedReadings from './RefusedReadings.vue'
import type { useReadingDraft } from './useReadingDraft'
import { useWords } from '@/model/useWords'

const props = defineProps<{ draft: ReturnType<typeof useReadingDraft> }>()
const job = useJob()
const { habits, point, kv, wire, overRange, note, when, corrects, failure, unsent } = props.draft
const field = ref<HTMLInputElement>()
const { say } = useWords()
const roles = computed(() => ({ HOT: 'hot', EARTH: say('earth'), PLAIN: 'plain' }))

async function take() {
  await props.draft.take()
  field.value?.focus()
}
</script>

<template>
  <form class="form" aria-label="Record a reading" @submit.prevent="take">
    <h2>{{ corrects ? 'Correct a reading' : 'Record a reading' }}</h2>
    <p v-if="point" class="where">
      <b>{{ point.name }}</b><br /><span class="quiet-text"
        >station {{ stationText(point.stationM, job.units) }}</span
      >
    </p>
    <label
      >Meter shows, kV
      <input
        ref="field"
        v-model="kv"
        class="kv"
        inputmode="decimal"
        autocomplete="off"
        :disabled="overRange"
        data-test="kv"
      />
    </label>
    <label class="check"
      ><input v-model="overRange" type="checkbox" data-test="over-range" /> over the meter's range</label
    >
    <p v-if="failure" role="alert" class="failure" data-test="reading-failure">{{ failure }}</p>
    <RefusedReadings />
    <v-btn class="strong mt-2" type="submit" data-test="take-reading">{{
      corrects ? 'Record the correction' : 'Record, next point'
    }}</v-btn>
    <div class="pair">
      <label
        >Wire
        <select v-model.number="wire" data-test="wire">
          <option :value="0">hot, joined</option>
          <option v-for="(w, i) in job.plan?.spec.fence.schedule.wires" :key="i" :value="i + 1">
            {{ i + 1 }} · {{ lengthText(w.heightM, job.units) }} · {{ roles[w.role] }}
          </option>
        </select>
      </label>
      <label>Taken by <input v-model="habits.takenBy" data-test="taken-by" autocomplete="name" /></label>
      <label
        >Weather
        <select v-model="habits.weather" data-test="weather">
          <option value="DRY">dry</option>
          <option value="DAMP">damp</option>
          <option value="RAIN">rain</option>
          <option value="SNOW">snow</option>
          <option value="FROST">frost</option>
        </select>
      </label>
      <label
        >Growth
        <select v-model="habits.growth" data-test="growth">
          <option value="CLEAN">clean</option>
          <option value="LIGHT">light</option>
          <option value="HEAVY">heavy</option>
        </select>
      </label>
      <label>Meter range, kV <input v-model="habits.rangeKv" inputmode="decimal" data-test="range" /></label>
      <label>Note <input v-model="note" /></label>
    </div>
    <label>When, if not now <input v-model="when" type="datetime-local" data-test="when" /></label>
    <p v-if="unsent" class="failure">{{ unsent }} not sent yet; sent when the server is back.</p>
    <p class="quiet-text small">
      A meter, never a hand, tells whether the wire is live. Children and people with a pacemaker keep away.
      <RuleChips :rules="['C11', 'C7']" />
    </p>
  </form>
</template>

<style scoped>
.form {
  padding: 10px 14px;
}
.where {
  border-left: 4px solid var(--accent);
  padding-left: 8px;
  margin: 8px 0;
}
label {
  display: block;
  margin-top: 5px;
  font-size: 13px;
  color: var(--quiet);
}
input:not([type='checkbox']),
select {
  display: block;
  width: 100%;
  box-sizing: border-box;
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 5px 7px;
  font-size: 14px;
}
.kv {
  font:
    600 34px 'Barlow Condensed',
    sans-serif !important;
}
.check {
  color: var(--ink);
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px;
}
.failure {
  color: var(--broken);
  font-weight: 700;
  margin: 8px 0 0;
}
.small {
  font-size: 12.5px;
  margin-top: 12px;
}
</style>
