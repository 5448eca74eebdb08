<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref } from 'vue'
import type { Observation } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { useFaults } from '@/model/faults'
import { kiloSlip } from '@/model/round'
import { useSearch, type NextStep } from '@/model/search'
import { useWords } from '@/model/useWords'
import { kvText, lengthText, parseKvV, parseLengthM, stationText } from '@/shared/units'
import { shareText } from './faultWords'
import { minutesText, stepText } from './stepWords'

/** A reading that decides by itself, and how probably it is wrong. */
const { again } = defineProps<{ again: { lineId: string; stationM: number; share: number } | null }>()
const job = useJob()
const search = useSearch()
const faults = useFaults()
const habits = useHabits()
const { say } = useWords()
let stop: (() => void) | undefined
onMounted(() => (stop = search.follow()))
onUnmounted(() => stop?.())
const kv = ref('')
/** It stays once it was asked for: what a finger is on does not move when the name was typed. */
const asksName = habits.takenBy.trim() === ''
const failure = ref('')
const lines = computed(() => job.design?.layout.lines ?? [])
const nameOf = (lineId: string | null) => lines.value.find((l) => l.lineId === lineId)?.name ?? ''
const cutOutOf = (id: string | null) =>
  lines.value.flatMap((l) => l.cutOuts).find((c) => c.id === id)?.name ?? ''
const inWords = (s: NextStep) => say(stepText(s, nameOf, cutOutOf, job.units))
const readAgain = computed<NextStep | null>(() =>
  again
    ? {
        action: 'READ',
        lineId: again.lineId,
        fromM: again.stationM,
        toM: again.stationM,
        cutOut: null,
        minutes: 0,
        chance: 0,
        outcomes: [],
      }
    : null,
)
const first = computed(() => readAgain.value ?? search.answer?.steps[0] ?? null)
const others = computed(() => (search.answer?.steps ?? []).slice(again ? 0 : 1, 5))
const isTest = computed(() => first.value?.action === 'READ' || first.value?.action === 'OPEN')
const here = computed(() =>
  search.here
    ? `${nameOf(search.here.lineId)}, ${stationText(search.here.stationM, job.units)}`
    : 'the energizer',
)
const whereText = (m: NextStep['outcomes'][number]) =>
  m.where
    ? `${nameOf(m.where.lineId)}, ${stationText(m.where.fromM, job.units)} to ${stationText(m.where.toM, job.units)}`
    : m.line
      ? 'lead-out, leads or switches'
      : 'energizer, supply or earth'
const readText = (m: NextStep['outcomes'][number]) =>
  m.toV === null
    ? `over ${kvText(m.fromV)} kV`
    : m.fromV === 0
      ? `up to ${kvText(m.toV)} kV`
      : `${kvText(m.fromV)} to ${kvText(m.toV)} kV`
/** With who did it: it may have been another crew. */
const lookedText = (o: Observation) =>
  `${
    o.what.kind === 'LOOKED_OVER'
      ? `${nameOf(o.at.lineId)}, ${stationText(Math.min(o.at.stationM, o.what.toM), job.units)} to ${stationText(Math.max(o.at.stationM, o.what.toM), job.units)}`
      : say('energizer and earth')
  } (${o.takenBy})`
const tree = computed(
  () =>
    `/api/jobs/${job.id}/decision-tree.pdf?since=${encodeURIComponent(faults.begin)}&metresPerMinute=${search.crew.metresPerMinute}&acrossPaddocks=${search.crew.acrossPaddocks}`,
)
const pace = computed({
  get: () => lengthText(search.crew.metresPerMinute, job.units),
  set: (text) => {
    const m = parseLengthM(text, job.units)
    if (m !== null && m >= 10 && m <= 500) search.crew = { ...search.crew, metresPerMinute: m }
  },
})

function show(step: NextStep) {
  if (step.lineId === null) return
  job.lineId = step.lineId
  job.cursorM = step.fromM
}

const unnamed = () => (habits.takenBy.trim() === '' ? 'Enter who is on the fence.' : '')

async function keep(o: Observation | null) {
  failure.value = unnamed()
  if (!failure.value && o) await job.takeReading(o)
}

async function take() {
  const step = first.value
  const peakV = parseKvV(kv.value)
  failure.value =
    unnamed() !== ''
      ? unnamed()
      : peakV === null
        ? 'Enter what the meter shows, in kV, for example 6.1.'
        : kiloSlip(peakV)
  if (failure.value || !step || peakV === null) return
  const rangeV = parseKvV(habits.rangeKv)
  const resolutionV = parseKvV(habits.resolutionKv)
  const o = search.reading(
    step,
    { kind: 'PEAK', wire: 0, peakV, overRange: false, rangeV, resolutionV },
    habits,
  )
  if (!o) return
  kv.value = ''
  await job.takeReading(o)
}
</script>

<template>
  <section class="next" aria-label="What next">
    <h2>What next <span v-if="search.busy" class="quiet-text small">working it out …</span></h2>
    <p v-if="search.problem" class="weak" role="alert">{{ search.problem }}</p>
    <template v-if="first">
      <p class="step" data-test="next-step">
        <b>{{ inWords(first) }}</b>
        <span v-if="again" class="quiet-text small" data-test="next-again"
          >Again: that reading decides by itself, and is wrong with a probability of
          {{ shareText(again.share) }}.</span
        >
        <span v-else class="quiet-text small">
          From {{ say(here) }}; then {{ minutesText(first.minutes) }} until the fault is found, in the mean,
          walking with it. Looking over every insulator takes {{ minutesText(search.answer!.allMinutes) }}.
          <RuleChips :rules="['F3', 'F5', 'F6']" />
        </span>
      </p>
      <p v-if="asksName" class="entry">
        <label class="small"
          >On the fence is <input v-model.lazy="habits.takenBy" autocomplete="name" data-test="next-by"
        /></label>
      </p>
      <form v-if="isTest" class="entry" @submit.prevent="take">
        <label
          >Meter shows
          <input
            v-model="kv"
            class="kv"
            inputmode="decimal"
            autocomplete="off"
            data-test="next-kv"
            @focus="show(first)"
          />
          kV</label
        >
        <v-btn class="strong" type="submit">Keep the reading</v-btn>
      </form>
      <p v-else class="entry">
        <v-btn
          class="strong"
          data-test="next-nothing"
          :disabled="search.busy"
          @click="keep(search.lookedOver(first, habits))"
        >
          {{ first.action === 'ENERGIZER' ? 'Gone over, all in order' : 'Looked over, nothing found' }}
        </v-btn>
      </p>
      <p v-if="failure" class="weak small" role="alert">{{ failure }}</p>
      <table v-if="first.outcomes.length" class="sheet outcomes">
        <thead>
          <tr>
            <th>If it shows</th>
            <th class="right">Chance</th>
            <th>Then most probably on</th>
            <th class="right">With</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(m, i) in first.outcomes" :key="i" data-test="outcome">
            <td class="nowrap">{{ readText(m) }}</td>
            <td class="right number">{{ shareText(m.chance) }}</td>
            <td>{{ say(whereText(m)) }}</td>
            <td class="right number">{{ shareText(m.there) }}</td>
          </tr>
        </tbody>
      </table>
      <template v-if="others.length">
        <h3>{{ again ? 'If that reading stands' : 'Or' }}</h3>
        <ul class="small others">
          <li v-for="(s, i) in others" :key="i">
            {{ inWords(s) }} <span class="quiet-text">{{ minutesText(s.minutes) }} in the mean</span>
          </li>
        </ul>
      </template>
      <p class="quiet-text small">
        Chances and minutes are of one fault, with all readings right. The first four steps on paper, from the
        energizer on:
        <a :href="`${tree}&paper=A4`" data-test="tree-pdf">A4</a> <a :href="`${tree}&paper=LETTER`">Letter</a>
      </p>
    </template>
    <p v-else-if="search.answer" class="quiet-text small">
      Nothing is fed yet, so nothing can be looked for.
    </p>
    <p v-if="search.looked.length" class="small">
      Looked over without finding anything:
      {{ search.looked.map(lookedText).join('; ') }}.
      <button type="button" class="link" data-test="next-back" @click="keep(search.takeBack(habits))">
        Take the last back
      </button>
    </p>
    <p class="small crew">
      <label>The crew goes <input v-model.lazy="pace" class="pace" data-test="next-pace" /> a minute</label>
      <label><input v-model="search.crew.currents" type="checkbox" /> its meter shows amperes too</label>
      <label
        ><input v-model="search.crew.acrossPaddocks" type="checkbox" data-test="next-across" /> it goes across
        paddocks, through gates</label
      >
      <span v-if="search.crew.acrossPaddocks" class="quiet-text"
        >Not past animals that may charge, nor through standing crops.</span
      >
    </p>
  </section>
</template>

<style scoped>
.next {
  max-width: 760px;
}
.step {
  font-size: 16px;
  margin: 4px 0 8px;
}
.step b {
  display: block;
}
.entry {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
  margin: 6px 0;
}
input:not([type='checkbox']) {
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 5px 7px;
  font: inherit;
}
.kv {
  width: 80px;
}
.pace {
  width: 90px;
}
.outcomes {
  max-width: 640px;
  margin: 8px 0;
}
.others {
  margin: 2px 0 8px;
  padding-left: 18px;
}
.crew {
  display: flex;
  gap: 18px;
  flex-wrap: wrap;
}
h2 {
  margin: 18px 0 4px;
}
h3 {
  margin: 10px 0 2px;
  font-size: 14px;
}
.weak {
  color: var(--broken);
}
</style>
