<script setup lang="ts">
import { computed, ref } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { lengthText, stationText } from '@/shared/units'
import RefusedReadings from './RefusedReadings.vue'
import type { useReadingDraft } from './useReadingDraft'
import { useWords } from '@/model/useWords'
import { kinds, lights, things } from './observed'

const props = defineProps<{ draft: ReturnType<typeof useReadingDraft> }>()
const job = useJob()
const { habits, point, kv, wire, overRange, note, when, corrects, failure, unsent } = props.draft
const { kind, direction, thing, touches, light, fenceKv, atCursor } = props.draft
const field = ref<HTMLInputElement>()
const { say } = useWords()
const roles = computed(() => ({ HOT: 'hot', EARTH: say('earth'), PLAIN: 'plain' }))

const volts = computed(() => ['PEAK', 'UNPOWERED', 'EARTH_TERMINAL', 'EARTH_TEST'].includes(kind.value))
const unit = computed(() =>
  volts.value ? 'kV' : { CURRENT: 'A', BATTERY_VOLTAGE: 'V', RESISTANCE: 'Ω' }[kind.value as 'CURRENT'],
)

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
      >What
      <select v-model="kind" data-test="kind">
        <option v-for="k in kinds" :key="k.kind" :value="k.kind">{{ say(k.text) }}</option>
      </select>
    </label>
    <label v-if="unit"
      >Meter shows, {{ unit }}
      <input
        ref="field"
        v-model="kv"
        class="kv"
        inputmode="decimal"
        autocomplete="off"
        :disabled="overRange && volts"
        data-test="kv"
      />
    </label>
    <label v-if="volts" class="check"
      ><input v-model="overRange" type="checkbox" data-test="over-range" /> over the meter's range</label
    >
    <label v-if="kind === 'EARTH_TEST'"
      >Fence still reads, kV <input v-model="fenceKv" inputmode="decimal" data-test="fence-kv"
    /></label>
    <label v-if="kind === 'CURRENT'"
      >Flows
      <select v-model="direction" data-test="direction">
        <option value="UNKNOWN">the meter does not say</option>
        <option value="TOWARDS_FINISH">to the finish of the line</option>
        <option value="TOWARDS_START">to the start of the line</option>
      </select>
    </label>
    <label v-if="kind === 'INDICATOR'"
      >It is
      <select v-model="light" data-test="light">
        <option v-for="(text, id) in lights" :key="id" :value="id">{{ text }}</option>
      </select>
    </label>
    <template v-if="kind === 'SEEN'">
      <label
        >Seen
        <select v-model="thing" data-test="thing">
          <option v-for="(text, id) in things" :key="id" :value="id">{{ say(text) }}</option>
        </select>
      </label>
      <label
        >Touches a hot wire
        <select v-model="touches" data-test="touches">
          <option value="">not said</option>
          <option value="yes">yes</option>
          <option value="no">no</option>
        </select>
      </label>
    </template>
    <label v-if="job.cursorM !== null" class="check"
      ><input v-model="atCursor" type="checkbox" data-test="at-cursor" /> at station
      {{ stationText(job.cursorM, job.units) }} of {{ job.line?.name }}, where the ribbon stands</label
    >
    <p v-if="failure" role="alert" class="failure" data-test="reading-failure">{{ failure }}</p>
    <RefusedReadings />
    <v-btn class="strong mt-2" type="submit" data-test="take-reading">{{
      corrects ? 'Record the correction' : 'Record, next point'
    }}</v-btn>
    <div class="pair">
      <label v-if="kind === 'PEAK' || kind === 'UNPOWERED'"
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
      <label>Meter <input v-model="habits.meter" data-test="meter" /></label>
      <label
        >Smallest step, kV <input v-model="habits.resolutionKv" inputmode="decimal" data-test="resolution"
      /></label>
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
