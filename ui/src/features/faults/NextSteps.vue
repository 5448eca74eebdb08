<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import type { Observation } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { useFaults } from '@/model/faults'
import { useSearch, type NextStep } from '@/model/search'
import { useWords } from '@/model/useWords'
import { kvText, lengthText, parseLengthM, stationText } from '@/shared/units'
import StepEntry from './StepEntry.vue'
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
/** What the crew does instead of what is advised; until something new is advised. */
const instead = shallowRef<NextStep | null>(null)
/** It goes where it likes. */
const own = ref(false)
const advised = computed(() => readAgain.value ?? search.answer?.steps[0] ?? null)
const step = computed(() => instead.value ?? advised.value)
const others = computed(() =>
  (search.answer?.steps ?? []).slice(again ? 0 : 1, 5).filter((s) => s !== step.value),
)
watch(
  () => search.answer,
  () => {
    if (!own.value) asAdvised()
  },
)

function asAdvised() {
  instead.value = null
  own.value = false
}

/** Counts what the crew chose: for each the fields are filled in anew. */
const choices = ref(0)

function choose(s: NextStep | null) {
  instead.value = s
  own.value = false
  begin()
}

/** The fields of what was chosen, in sight and ready to be typed in. */
function begin() {
  choices.value++
  void nextTick(() => {
    heading.value?.scrollIntoView({ block: 'nearest' })
    entry.value?.begin()
  })
}
const heading = ref<HTMLElement>()
const entry = ref<InstanceType<typeof StepEntry>>()

/** Something that nobody advised, where the ribbon stands. */
function doOwn(action: 'READ' | 'LOOK_OVER' | 'ENERGIZER') {
  const at = job.cursorM ?? search.here?.stationM ?? 0
  const lineId = (job.cursorM === null ? search.here?.lineId : job.lineId) ?? lines.value[0]?.lineId ?? null
  instead.value = {
    action,
    lineId: action === 'ENERGIZER' ? null : lineId,
    fromM: at,
    toM: at,
    cutOut: null,
    minutes: 0,
    chance: 0,
    outcomes: [],
  }
  own.value = true
  begin()
}
const ownWords = {
  READ: 'A reading elsewhere',
  OPEN: '',
  LOOK_OVER: 'Another stretch looked over',
  ENERGIZER: 'Energizer, supply and earth gone over',
}
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

const unnamed = () => (habits.takenBy.trim() === '' ? 'Enter who is on the fence.' : '')

async function keep(o: Observation | null) {
  failure.value = unnamed()
  if (!failure.value && o) await job.takeReading(o)
}
</script>

<template>
  <section class="next" aria-label="What next">
    <h2 ref="heading">What next <span v-if="search.busy" class="quiet-text small">working it out …</span></h2>
    <p v-if="search.problem" class="weak" role="alert">{{ search.problem }}</p>
    <template v-if="step">
      <p v-if="own" class="step" data-test="own-step">
        <b>{{ say(ownWords[step.action]) }}</b>
        <span v-if="step.action !== 'ENERGIZER'" class="quiet-text small"
          >Where it was: pick it on the ribbon or the plan, or enter it here.
        </span>
      </p>
      <p v-else class="step" data-test="next-step">
        <b>{{ inWords(step) }}</b>
        <span v-if="again && step === advised" class="quiet-text small" data-test="next-again"
          >Again: that reading decides by itself, and is wrong with a probability of
          {{ shareText(again.share) }}.</span
        >
        <span v-else class="quiet-text small">
          From {{ say(here) }}; then {{ minutesText(step.minutes) }} until the fault is found, in the mean,
          walking with it. Looking over every insulator takes
          {{ minutesText(search.answer?.allMinutes ?? 0) }}.
          <RuleChips :rules="['F3', 'F5', 'F6']" />
        </span>
      </p>
      <StepEntry :key="choices" ref="entry" :step="step" :own="own" @kept="asAdvised" />
      <p v-if="failure" class="weak small" role="alert">{{ failure }}</p>
      <table v-if="step.outcomes.length" class="sheet outcomes">
        <thead>
          <tr>
            <th>If it shows</th>
            <th class="right">Chance</th>
            <th>Then most probably on</th>
            <th class="right">With</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(m, i) in step.outcomes" :key="i" data-test="outcome">
            <td class="nowrap">{{ readText(m) }}</td>
            <td class="right number">{{ shareText(m.chance) }}</td>
            <td>{{ say(whereText(m)) }}</td>
            <td class="right number">{{ shareText(m.there) }}</td>
          </tr>
        </tbody>
      </table>
      <h3>{{ again ? 'If that reading stands' : 'Or' }}</h3>
      <ul class="small others">
        <li v-if="step !== advised && advised">
          <button type="button" class="link" data-test="next-advised" @click="choose(null)">
            {{ inWords(advised) }}
          </button>
          <span class="quiet-text">as advised</span>
        </li>
        <li v-for="(s, i) in others" :key="i">
          <button type="button" class="link" data-test="next-other" @click="choose(s)">
            {{ inWords(s) }}
          </button>
          <span class="quiet-text">{{ minutesText(s.minutes) }} in the mean</span>
        </li>
        <li>
          <span>Something else:</span>
          <button type="button" class="link" data-test="own-reading" @click="doOwn('READ')">
            a reading elsewhere
          </button>
          <button type="button" class="link" data-test="own-stretch" @click="doOwn('LOOK_OVER')">
            another stretch looked over
          </button>
          <button type="button" class="link" data-test="own-energizer" @click="doOwn('ENERGIZER')">
            {{ say('energizer and earth gone over') }}
          </button>
        </li>
      </ul>
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
.crew input:not([type='checkbox']) {
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 5px 7px;
  font: inherit;
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
  padding: 0;
  list-style: none;
}
.others li {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
  padding: 3px 0;
}
.others button {
  text-align: left;
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
