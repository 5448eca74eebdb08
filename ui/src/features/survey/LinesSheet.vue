<script setup lang="ts">
import { useWords } from '@/model/useWords'
import { computed, ref, watch } from 'vue'
import { useJob } from '@/model/jobStore'
import LinePower from './LinePower.vue'
import { addLine, removeLine, renameLine } from '@/model/planEdit'
import {
  copyBeside,
  joinLines,
  joinTo,
  moveSide,
  setSideLength,
  splitLine,
  type Edited,
} from '@/model/shapeEdit'
import { placeAt } from '@/model/geometry'
import { planeAt, polygon } from '@/model/plane'
import { useTool } from '@/model/tool'
import { announce } from '@/shared/announce'
import { lengthText, parseLengthM, stationText } from '@/shared/units'

const { say } = useWords()
const job = useJob()
const { draw, fit } = useTool()
const lines = computed(() => job.plan?.site.lines ?? [])
const line = computed(() => lines.value.find((l) => l.id === job.line?.lineId))
const laid = computed(() => job.line)

/** The side the cursor stands on. */
const side = computed(() => {
  const l = line.value
  if (!l || !laid.value || job.cursorM === null) return null
  const { side: index } = placeAt(l, laid.value, Math.min(job.cursorM, laid.value.lengthM))
  const from = laid.value.cornerStationsM[index] ?? 0
  const to = laid.value.cornerStationsM[index + 1] ?? laid.value.lengthM
  return { index, lengthM: to - from }
})
const letter = (i: number) => {
  const n = line.value?.corners.length ?? 1
  return (
    laid.value?.posts.find(
      (p) =>
        p.label !== '' &&
        p.kind !== 'GATE' &&
        Math.abs(p.stationM - (laid.value!.cornerStationsM[i % n] ?? -1)) < 0.01,
    )?.label ?? String((i % n) + 1)
  )
}
const wanted = ref('')
const by = ref('')
const metric = job.units === 'METRIC'
const beside = ref(metric ? '760 mm' : '30 in')
const refused = ref('')
watch(
  () => [side.value?.index, line.value?.id, side.value?.lengthM],
  () => (wanted.value = side.value ? lengthText(side.value.lengthM, job.units) : ''),
  { immediate: true },
)

function edit(make: () => Edited) {
  const result = make()
  refused.value = 'refused' in result ? result.refused : ''
  if ('plan' in result) {
    job.change(() => result.plan)
    job.lineId = result.lineId
  }
}

function metres(text: string): number | null {
  const m = parseLengthM(text.replace(/^[-−]/, ''), job.units)
  refused.value = m === null ? `“${text}” is not a length.` : ''
  return m
}

function setLength() {
  const m = metres(wanted.value)
  const s = side.value
  if (m !== null && s && line.value && Math.abs(m - s.lengthM) > 0.001)
    edit(() => setSideLength(job.plan!, line.value!.id, s.index, m, laid.value))
}

function shift(right: 1 | -1) {
  const m = metres(by.value)
  if (m !== null && side.value && line.value)
    edit(() => moveSide(job.plan!, line.value!.id, side.value!.index, right * m, laid.value))
}

function copy(right: 1 | -1) {
  const m = metres(beside.value)
  if (m !== null && line.value)
    edit(() =>
      copyBeside(
        job.plan!,
        line.value!.id,
        right * m,
        `${line.value!.name}, ${beside.value} beside`,
        laid.value,
      ),
    )
}

function split() {
  const s = side.value
  if (!s || !line.value || !laid.value || job.cursorM === null) return
  const at = placeAt(line.value, laid.value, job.cursorM).at
  edit(() => splitLine(job.plan!, line.value!.id, s.index, at))
}

const shape = ref<'rectangle' | 'polygon'>('rectangle')
const front = ref(metric ? '30 m' : '100 ft')
const deep = ref(metric ? '20 m' : '60 ft')
const sides = ref(6)
const direction = ref(90)

/** A new closed shape with its first corner where the next click falls. */
function place() {
  const a = metres(front.value)
  const b = shape.value === 'rectangle' ? metres(deep.value) : a
  if (a === null || b === null) return
  const lengths =
    shape.value === 'rectangle' ? [a, b, a, b] : Array<number>(Math.min(60, Math.max(3, sides.value))).fill(a)
  draw({
    what: 'points',
    count: 1,
    say: 'Click where its first corner goes, or press Enter for the middle of the map.',
    done: ([at]) => {
      const plane = planeAt(at!)
      const path = polygon([0, 0], direction.value, lengths).map((p) => plane.toGeo(p))
      job.change((p) => {
        const made = addLine(p, path, true)
        job.lineId = made.lineId
        return made.plan
      })
      announce('The shape stands on the plan.')
      setTimeout(fit, 300)
    },
  })
}
const others = computed(() => lines.value.filter((l) => l.id !== line.value?.id))
</script>

<template>
  <div>
    <h2>Lines</h2>
    <p v-if="lines.length === 0" class="quiet-text">
      None yet. Import a walk, press <span class="key">D</span> and draw, or set a shape below.
    </p>
    <div v-for="l in lines" :key="l.id" class="line" :class="{ chosen: l.id === line?.id }">
      <input
        :value="l.name"
        :aria-label="`Name of ${l.name}`"
        @focus="job.lineId = l.id"
        @change="job.change((p) => renameLine(p, l.id, ($event.target as HTMLInputElement).value || l.name))"
      />
      <div class="quiet-text small">
        {{ l.closed ? 'closed' : 'open' }}, {{ l.corners.length }} corners,
        {{ stationText(job.design?.layout.lines.find((x) => x.lineId === l.id)?.lengthM ?? 0, job.units)
        }}<template v-if="l.survey"
          >; walked, corners to about {{ lengthText(l.survey.cornerM, job.units) }}</template
        ><template v-else>; as drawn</template>
      </div>
      <div v-if="!l.closed && lines.length > 1" class="small">
        <label
          >starts
          <select
            :value="l.startsOn ?? ''"
            :aria-label="`What ${l.name} starts on`"
            @change="
              job.change((p) => joinTo(p, l.id, 'start', ($event.target as HTMLSelectElement).value || null))
            "
          >
            <option value="">free</option>
            <option v-for="o in lines.filter((x) => x.id !== l.id)" :key="o.id" :value="o.id">
              on {{ o.name }}
            </option>
          </select></label
        >
        <label
          >ends
          <select
            :value="l.endsOn ?? ''"
            :aria-label="`What ${l.name} ends on`"
            @change="
              job.change((p) => joinTo(p, l.id, 'finish', ($event.target as HTMLSelectElement).value || null))
            "
          >
            <option value="">free</option>
            <option v-for="o in lines.filter((x) => x.id !== l.id)" :key="o.id" :value="o.id">
              on {{ o.name }}
            </option>
          </select></label
        >
      </div>
      <button class="link" @click="job.change((p) => removeLine(p, l.id))">Remove</button>
    </div>
    <template v-if="line">
      <h3 class="mt-4">The side under the cursor</h3>
      <template v-if="side">
        <p class="small quiet-text">
          {{ letter(side.index) }} to {{ letter(side.index + 1) }} of {{ line.name }}. Point elsewhere on plan
          or ribbon, or step with <span class="key">,</span> <span class="key">.</span>
        </p>
        <form class="row" @submit.prevent="setLength">
          <label>length <input v-model="wanted" class="field" data-test="side-length" /></label>
          <v-btn type="submit" data-test="set-length">Set</v-btn>
        </form>
        <div class="row">
          <label
            >move it by
            <input v-model="by" class="field" data-test="side-by" :placeholder="metric ? '0.6 m' : '2 ft'"
          /></label>
          <v-btn data-test="side-left" @click="shift(-1)">left</v-btn>
          <v-btn data-test="side-right" @click="shift(1)">right</v-btn>
        </div>
        <v-btn class="mt-1" data-test="split-here" @click="split">Split the line at the cursor</v-btn>
      </template>
      <p v-else class="small quiet-text">Point at a side on the plan or the ribbon.</p>
      <h3 class="mt-4">The whole line</h3>
      <div class="row">
        <label>offset copy at <input v-model="beside" class="field" data-test="beside" /></label>
        <v-btn data-test="copy-left" @click="copy(-1)">left</v-btn>
        <v-btn data-test="copy-right" @click="copy(1)">right</v-btn>
      </div>
      <p class="small quiet-text">
        {{ say('30 in (760 mm)') }} for the outer row of a double fence (P7), a walkway, a mower strip. Left
        and right as you walk the line.
      </p>
      <template v-if="!line.closed">
        <v-btn
          v-for="o in others.filter((x) => !x.closed)"
          :key="o.id"
          class="mr-2 mb-1"
          @click="edit(() => joinLines(job.plan!, line!.id, o.id))"
          >Make one with {{ o.name }}</v-btn
        >
      </template>
      <p v-if="refused" class="problems" role="alert">{{ refused }}</p>
      <LinePower :line="line" :others="others" />
    </template>
    <h3 class="mt-4">A new shape</h3>
    <form @submit.prevent="place">
      <div class="row">
        <select v-model="shape" aria-label="Shape">
          <option value="rectangle">rectangle</option>
          <option value="polygon">even polygon</option>
        </select>
        <input
          v-model="front"
          class="field"
          :aria-label="shape === 'rectangle' ? 'Front' : 'Each side'"
          data-test="shape-front"
        />
        <template v-if="shape === 'rectangle'"
          >× <input v-model="deep" class="field" aria-label="Depth" data-test="shape-depth"
        /></template>
        <template v-else
          >×
          <input
            v-model.number="sides"
            class="field"
            type="number"
            min="3"
            max="60"
            aria-label="Number of sides"
        /></template>
      </div>
      <div class="row">
        <label
          >first side towards
          <input
            v-model.number="direction"
            class="field"
            type="number"
            aria-label="Bearing of the first side in degrees"
          />°</label
        >
        <v-btn type="submit" data-test="place-shape">Place it</v-btn>
      </div>
    </form>
  </div>
</template>

<style scoped>
.line {
  border-bottom: 1px dotted var(--rule);
  padding: 6px 0 6px 8px;
  border-left: 3px solid transparent;
}
.line.chosen {
  border-left-color: var(--accent);
}
.line > input {
  font-weight: 700;
  border: 0;
  border-bottom: 1px solid transparent;
  width: 100%;
  background: none;
  color: var(--ink);
}
.line > input:focus {
  border-bottom-color: var(--accent);
}
select {
  max-width: 116px;
}
.line label {
  white-space: nowrap;
  margin-right: 8px;
}
</style>
