<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { Comparison, Fitted, Plan, Position } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { announce } from '@/shared/announce'
import { lengthText, parseLengthM, tapedText } from '@/shared/units'
import ComparisonTable from './ComparisonTable.vue'

const preview = defineModel<Position[][]>('preview', { required: true })
const job = useJob()
const line = computed(() => job.plan?.site.lines.find((l) => l.id === job.line?.lineId))
const letters = computed(() => (line.value?.corners ?? []).map((_, i) => letter(i)))
function letter(i: number): string {
  const last = String.fromCharCode(65 + (i % 26))
  return i < 26 ? last : letter(Math.floor(i / 26) - 1) + last
}
interface Wanted {
  from: number
  to: number
}
/** Each side, and the diagonals between every second corner; more pairs can be added. */
const extra = ref<Wanted[]>([])
const pairs = computed<Wanted[]>(() => {
  const n = letters.value.length
  const sides = Array.from({ length: line.value?.closed ? n : Math.max(0, n - 1) }, (_, i) => ({
    from: i,
    to: (i + 1) % n,
  }))
  return [...sides, ...extra.value]
})
const typed = ref<Record<string, string>>({})
const key = (w: Wanted) => `${w.from}-${w.to}`
const planned = (w: Wanted) => {
  const stations = job.line?.cornerStationsM ?? []
  const side = w.to === (w.from + 1) % letters.value.length
  if (!side) return ''
  const end = w.to === 0 ? (job.line?.lengthM ?? 0) : (stations[w.to] ?? 0)
  return tapedText(end - (stations[w.from] ?? 0), job.units)
}
const first = ref(0)
const second = ref(2)
const addPair = () => {
  const w = { from: first.value, to: second.value }
  if (w.from !== w.to && !pairs.value.some((p) => key(p) === key(w))) extra.value = [...extra.value, w]
}
const fitted = shallowRef<Fitted | null>(null)
const comparison = shallowRef<Comparison | null>(null)
const failure = ref('')
const label = ref('day one')
watch(() => job.lineId, reset)

function reset() {
  fitted.value = null
  comparison.value = null
  typed.value = {}
  extra.value = []
  failure.value = ''
  preview.value = []
}

function after(): Plan | null {
  const f = fitted.value
  if (!f || !job.plan) return null
  const lines = job.plan.site.lines.map((l) =>
    l.id === f.line.id ? { ...f.line, startsOn: l.startsOn, endsOn: l.endsOn } : l,
  )
  return { ...job.plan, site: { ...job.plan.site, lines } }
}

async function fit() {
  failure.value = ''
  if (!job.plan || !line.value || !job.land) return
  const measures = []
  for (const w of pairs.value) {
    const text = (typed.value[key(w)] ?? '').trim()
    if (!text) continue
    const m = parseLengthM(text, job.units)
    if (m === null) {
      failure.value = `“${text}” for ${letters.value[w.from]}–${letters.value[w.to]} is not a length.`
      return
    }
    measures.push({ ...w, distanceM: m })
  }
  try {
    fitted.value = await ask(
      client.POST('/api/remeasure', { body: { site: job.plan.site, lineId: line.value.id, measures } }),
    )
    const l = fitted.value.line
    preview.value = [[...l.corners, ...(l.closed ? [l.corners[0]!] : [])].map((c) => c.at)]
    comparison.value = await ask(
      client.POST('/api/compare', { body: { before: job.plan, after: after()!, land: job.land } }),
    )
  } catch (e) {
    fitted.value = null
    comparison.value = null
    failure.value = e instanceof RequestFailed ? e.message : 'It failed.'
  }
}

async function confirm() {
  const next = after()
  if (!next) return
  try {
    await job.saveNamed(next, label.value.trim() || 'day one')
    announce(`The ground as measured is revision ${job.revision}, “${label.value}”.`)
    reset()
  } catch (e) {
    failure.value = e instanceof RequestFailed ? e.message : 'It could not be saved.'
  }
}
</script>

<template>
  <div>
    <h2>Day one: tape against plan</h2>
    <p v-if="!line" class="quiet-text">Nothing is laid out yet.</p>
    <template v-else>
      <p class="small quiet-text">
        Write what the crew taped, level, between corners of {{ line.name }}; leave the rest blank. Corners
        move as little as the tapes allow.
      </p>
      <table class="sheet">
        <thead>
          <tr>
            <th></th>
            <th class="right">plan</th>
            <th>taped</th>
            <th class="right">off by</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="w in pairs" :key="key(w)">
            <td>{{ letters[w.from] }}–{{ letters[w.to] }}</td>
            <td class="right number">{{ planned(w) }}</td>
            <td>
              <input
                v-model="typed[key(w)]"
                class="field"
                :aria-label="`Taped ${letters[w.from]} to ${letters[w.to]}`"
                :data-test="`taped-${key(w)}`"
              />
            </td>
            <td class="right number">
              <template
                v-for="m in fitted?.measures.filter((x) => x.from === w.from && x.to === w.to)"
                :key="m.from"
                >{{ m.tapedM >= m.plannedM ? '+' : '−'
                }}{{ tapedText(Math.abs(m.tapedM - m.plannedM), job.units) }}</template
              >
            </td>
          </tr>
        </tbody>
      </table>
      <form class="row" @submit.prevent="addPair">
        <label
          >diagonal
          <select v-model.number="first" aria-label="From corner">
            <option v-for="(l, i) in letters" :key="i" :value="i">{{ l }}</option></select
          >–
          <select v-model.number="second" aria-label="To corner">
            <option v-for="(l, i) in letters" :key="i" :value="i">{{ l }}</option>
          </select></label
        >
        <v-btn type="submit">Add</v-btn>
      </form>
      <v-btn class="strong" data-test="fit-day-one" @click="fit">Compare with the plan</v-btn>
      <p v-if="failure" class="problems" role="alert">{{ failure }}</p>
      <template v-if="fitted && comparison">
        <p v-if="!fitted.fits" class="problems" role="alert">
          These measures contradict each other: no corners fit them all within 20 mm. Tape again.
        </p>
        <p>Corners move by up to {{ lengthText(fitted.furthestM, job.units) }}.</p>
        <ComparisonTable :comparison="comparison" before="plan" after="ground" />
        <div class="row">
          <label>call it <input v-model="label" class="field" /></label>
          <v-btn class="strong" data-test="confirm-day-one" :disabled="!fitted.fits" @click="confirm"
            >Save as the new revision</v-btn
          >
        </div>
        <v-btn @click="reset">Keep the plan as it was</v-btn>
      </template>
    </template>
  </div>
</template>
