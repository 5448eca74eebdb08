<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { YardstickFit } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { withCircumstances } from '@/model/planEdit'
import { dayOf, useRound } from '@/model/round'
import { useWords } from '@/model/useWords'
import { latestOnly } from '@/shared/latest'
import { calendarText, stationText } from '@/shared/units'
import { observedText } from './observed'
import DayBar from './DayBar.vue'

const job = useJob()
const round = useRound()
const { say } = useWords()
const intro =
  'What a plan cannot know is drawn toward the readings of the fence in order: leakage, rods, soil, the energizer. Predictions, reserve, advice and the search for faults start from it, with what the readings leave open carried on.'
let stop: (() => void) | undefined
onMounted(() => (stop = round.follow()))
onUnmounted(() => stop?.())
const fit = shallowRef<YardstickFit | null>(null)
const problem = ref('')
const kept = computed(() => job.plan?.circumstances.yardstick ?? null)
const left = ref<string[]>([])
const used = computed(() => round.own.filter((r) => !left.value.includes(r.id)))

const run = latestOnly(
  () =>
    ask(
      client.POST('/api/electrics/yardstick', {
        body: { plan: job.plan!, land: job.land!, readings: used.value },
      }),
    ),
  (found) => {
    fit.value = found
    problem.value = ''
  },
  (e) => (problem.value = failureText(e, 'The readings could not be fitted.')),
)
watch(
  () => [job.design, used.value] as const,
  () => {
    if (job.plan && job.land && job.design?.layout.lines.length) run(undefined)
    else {
      run.forget()
      fit.value = null
    }
  },
  { immediate: true },
)
const same = computed(
  () =>
    !!kept.value && JSON.stringify(kept.value.readings) === JSON.stringify(fit.value?.yardstick?.readings),
)
const take = () => job.change((p) => withCircumstances(p, { yardstick: fit.value?.yardstick ?? null }))
const drop = () => job.change((p) => withCircumstances(p, { yardstick: null }))
const readingText = (id: string) => {
  const r = job.readings.find((x) => x.id === id)
  if (!r) return ''
  const line = job.design?.layout.lines.find((l) => l.lineId === r.at.lineId)
  const o = observedText(r.what)
  return `${o.value} ${o.on}, ${line?.name ?? r.at.lineId} at ${stationText(r.at.stationM, job.units)}`
}
</script>

<template>
  <div class="yardstick">
    <h1>Yardstick</h1>
    <p class="quiet-text small">{{ say(intro) }} <RuleChips :rules="['V13', 'V11']" /></p>
    <DayBar />
    <p v-if="kept" class="verdict" data-test="yardstick-kept">
      In force: {{ kept.readings.length }} readings, the last of {{ calendarText(dayOf(kept.readAt)) }}, with
      {{ kept.plate.name }}.
      <button class="link" data-test="yardstick-drop" @click="drop">Go back to the plan alone</button>
    </p>
    <p v-else class="verdict" data-test="yardstick-kept">None yet: everything is predicted from the plan.</p>
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <template v-if="fit">
      <p class="says" data-test="yardstick-says">{{ say(fit.says) }}</p>
      <template v-if="fit.yardstick">
        <table class="sheet rows">
          <thead>
            <tr>
              <th>What a plan cannot know</th>
              <th>As planned</th>
              <th>By these readings</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in fit.rows" :key="r.what">
              <td>{{ say(r.what) }}</td>
              <td>{{ say(r.before) }}</td>
              <td>
                <b>{{ say(r.after) }}</b>
              </td>
              <td class="small quiet-text">{{ r.told ? '' : 'these readings tell little of it' }}</td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet-text">
          In brackets one standard deviation. {{ fit.used }} readings took part{{
            fit.leftOut
              ? `, ${fit.leftOut} did not: what is no voltage or current of hot wires, beyond the range, or off the line`
              : ''
          }}.
        </p>
        <p v-for="m in fit.misfits" :key="m.reading" class="weak" data-test="misfit">
          {{ readingText(m.reading) }}: {{ say(m.says) }}
          <button class="link" @click="left = [...left, m.reading]">Leave it out</button>
        </p>
        <p v-if="left.length" class="small">
          {{ left.length }} left out by hand.
          <button class="link" @click="left = []">Take them in again</button>
        </p>
        <v-btn class="strong" :disabled="same" data-test="yardstick-take" @click="take">{{
          same ? 'These readings are the yardstick' : 'Take these readings as the yardstick'
        }}</v-btn>
      </template>
    </template>
  </div>
</template>

<style scoped>
.yardstick {
  padding: 12px 18px 28px;
  max-width: 980px;
}
.verdict {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 6px 10px;
}
.says {
  font-size: 18px;
}
.rows td {
  padding-right: 14px;
}
.link {
  color: var(--ink);
  text-decoration: underline;
}
.weak {
  color: var(--broken);
}
</style>
