<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { useSearch, type NextStep } from '@/model/search'
import { useWords } from '@/model/useWords'
import { unitM, unitName } from '@/shared/units'
import { useStepEntry } from './useStepEntry'

/** Takes down what came of a step; of one of the crew's own a place picked on ribbon or plan is where it went. */
const { step, own } = defineProps<{ step: NextStep; own: boolean }>()
const emit = defineEmits<{ kept: [] }>()
const job = useJob()
const search = useSearch()
const habits = useHabits()
const { say } = useWords()
const entry = useStepEntry(() => step)
const {
  lines,
  lineId,
  from,
  to,
  cutOut,
  cutOuts,
  kv,
  overRange,
  amperes,
  direction,
  earthKv,
  failure,
  held,
  reads,
  overtaken,
} = entry
/** It stays once it was asked for: what a finger is on does not move when the name was typed. */
const asksName = habits.takenBy.trim() === ''
/** Which end of a stretch a picked place is. */
const end = ref<'from' | 'to'>('from')
const onLine = computed(() => held.value.action !== 'ENERGIZER')
const keepText = computed(() =>
  reads.value || earthKv.value.trim() !== ''
    ? 'Keep the reading'
    : onLine.value
      ? 'Looked over, nothing found'
      : 'Gone over, all in order',
)

watch(
  () => [job.lineId, job.cursorM] as const,
  ([line, m]) => {
    if (!own || m === null) return
    lineId.value = line
    const station = String(Math.round(m / unitM(job.units)))
    if (reads.value || end.value === 'from') from.value = station
    else to.value = station
    entry.expect()
  },
)

function show() {
  if (own || held.value.lineId === null) return
  job.lineId = held.value.lineId
  job.cursorM = held.value.fromM
}

const form = ref<HTMLFormElement>()
/** What follows is worked out while it is read; then the number is typed. */
function begin() {
  entry.expect()
  form.value
    ?.querySelector<HTMLElement>(
      asksName
        ? '[data-test=next-by]'
        : reads.value
          ? '[data-test=next-kv]'
          : own
            ? '[data-test=next-from]'
            : '[type=submit]',
    )
    ?.focus()
}
defineExpose({ begin })

async function take() {
  if (await entry.take()) emit('kept')
}
</script>

<template>
  <form ref="form" class="step-entry" aria-label="What came of it" @submit.prevent="take">
    <p v-if="asksName">
      <label class="small"
        >On the fence is <input v-model.lazy="habits.takenBy" autocomplete="name" data-test="next-by"
      /></label>
    </p>
    <p v-if="reads">
      <label
        >Meter shows
        <input
          v-model="kv"
          class="number"
          inputmode="decimal"
          autocomplete="off"
          data-test="next-kv"
          @focus="show"
        />
        kV</label
      >
      <label class="small"
        ><input v-model="overRange" type="checkbox" data-test="next-over" /> over range</label
      >
      <template v-if="search.crew.currents">
        <label
          >and
          <input
            v-model="amperes"
            class="number"
            inputmode="decimal"
            autocomplete="off"
            data-test="next-amperes"
            @focus="show"
          />
          A</label
        >
        <label
          >flowing
          <select v-model="direction" data-test="next-direction">
            <option value="UNKNOWN">the meter does not say</option>
            <option value="TOWARDS_FINISH">to the finish of the line</option>
            <option value="TOWARDS_START">to the start of the line</option>
          </select></label
        >
      </template>
    </p>
    <p v-if="!onLine" class="small">
      <label
        >{{ say('Earth terminal to a probe well away from the rods, if read') }}
        <input
          v-model="earthKv"
          class="number"
          inputmode="decimal"
          autocomplete="off"
          data-test="next-earth-kv"
        />
        {{ say('kV. Tells a poor earth from a leak or a weak supply.') }}</label
      >
    </p>
    <p v-if="onLine" class="small">
      <label v-if="lines.length > 1"
        >on
        <select v-model="lineId" data-test="next-line" @change="entry.expect">
          <option v-for="l in lines" :key="l.lineId" :value="l.lineId">{{ l.name }}</option>
        </select></label
      >
      <label
        >{{ reads ? 'at' : 'from' }}
        <input
          v-model="from"
          class="number"
          inputmode="decimal"
          autocomplete="off"
          data-test="next-from"
          @focus="end = 'from'"
          @change="entry.expect"
        />
        <template v-if="reads">{{ unitName(job.units) }}</template></label
      >
      <label v-if="!reads"
        >to
        <input
          v-model="to"
          class="number"
          inputmode="decimal"
          autocomplete="off"
          data-test="next-to"
          @focus="end = 'to'"
        />
        {{ unitName(job.units) }}</label
      >
      <label v-if="reads && cutOuts.length"
        >with
        <select v-model="cutOut" data-test="next-cut-out" @change="entry.expect">
          <option value="">nothing</option>
          <option v-for="c in cutOuts" :key="c.id" :value="c.id">{{ c.name }}</option>
        </select>
        open</label
      >
    </p>
    <p>
      <v-btn
        class="strong"
        type="submit"
        :data-test="reads ? 'next-keep' : 'next-nothing'"
        :disabled="!reads && search.busy && !own"
      >
        {{ keepText }}
      </v-btn>
    </p>
    <p v-if="overtaken" class="quiet-text small" data-test="next-overtaken">
      Something new is advised meanwhile; what you have begun stays at its place.
      <button type="button" class="link" @click="entry.fill(step)">Discard it</button>
    </p>
    <p v-if="failure" class="weak small" role="alert" data-test="next-failure">{{ failure }}</p>
  </form>
</template>

<style scoped>
p {
  display: flex;
  gap: 6px 12px;
  align-items: center;
  flex-wrap: wrap;
  margin: 6px 0;
}
input:not([type='checkbox']),
select {
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 5px 7px;
  font: inherit;
  margin: 0 4px;
  max-width: 100%;
}
.number {
  width: 80px;
}
@media (max-width: 480px) {
  .number {
    width: 62px;
  }
}
.weak {
  color: var(--broken);
}
</style>
