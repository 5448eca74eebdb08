<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { Place, Position, TapeBook, TapeResult, TapeRow } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useWords } from '@/model/useWords'
import { addLine } from '@/model/planEdit'
import { bearing, planeAt } from '@/model/plane'
import { useTool } from '@/model/tool'
import { announce } from '@/shared/announce'
import { latestOnly } from '@/shared/latest'
import { parseLengthM, tapedText } from '@/shared/units'
import EntryField from '@/shared/EntryField.vue'
import { newId } from '@/shared/uuid'
import TapeOutcome from './TapeOutcome.vue'

const preview = defineModel<Position[][]>('preview', { required: true })
const { say } = useWords()
const job = useJob()
const { draw, fit } = useTool()
const chosen = ref('')
const book = computed(() => job.land?.tapes.find((t) => t.id === chosen.value) ?? job.land?.tapes[0])
const result = shallowRef<TapeResult | null>(null)
const problems = ref<Place[]>([])
const blank = (): TapeRow => ({ from: '', to: '', length: '', towards: '', offset: '', note: '' })
const rows = computed(() => [...(book.value?.rows ?? []), blank()])
const filled = (r: TapeRow) => Object.values(r).some((v) => v.trim() !== '')

const adjust = latestOnly(
  (b: TapeBook) => ask(client.POST('/api/tape', { body: b })),
  (answer) => {
    result.value = answer
    problems.value = []
  },
  (e) => {
    result.value = null
    problems.value = e instanceof RequestFailed ? e.places : []
  },
)
watch(
  book,
  (b) => {
    result.value = null
    problems.value = []
    if (b && b.rows.length > 0) adjust(b)
  },
  { immediate: true },
)

function change(next: Partial<TapeBook>) {
  const b = book.value
  if (b) job.changeLand((l) => ({ ...l, tapes: l.tapes.map((t) => (t.id === b.id ? { ...b, ...next } : t)) }))
}

function setRow(i: number, field: keyof TapeRow, value: string) {
  const b = book.value
  if (!b) return
  const next = (b.rows[i] ? b.rows : [...b.rows, blank()]).map((r, k) =>
    k === i ? { ...r, [field]: value } : r,
  )
  change({ rows: next.filter((r, k) => filled(r) || k < next.length - 1) })
}

function open() {
  const id = newId()
  job.changeLand((l) => ({
    ...l,
    tapes: [
      ...l.tapes,
      {
        id,
        name: `Sheet ${l.tapes.length + 1}`,
        rows: [],
        units: job.units,
        stepM: 0.76,
        mirrored: false,
        place: null,
      },
    ],
  }))
  chosen.value = id
}

function setStep(e: Event) {
  const m = parseLengthM((e.target as HTMLInputElement).value, job.units)
  if (m !== null && m >= 0.3 && m <= 1.5) change({ stepM: m })
  else (e.target as HTMLInputElement).value = tapedText(book.value?.stepM ?? 0.76, job.units)
}

/** The first point is clicked on the plan, and then the direction to the second. */
function place() {
  draw({
    what: 'points',
    count: 2,
    say: `Click where ${result.value?.points[0]?.name ?? 'the first point'} lies, then towards ${result.value?.points[1]?.name ?? 'the second'}.`,
    done: ([a, b]) => {
      const plane = planeAt(a!)
      change({ place: { at: a!, bearingDeg: bearing([0, 0], plane.toPlane(b!)) } })
      setTimeout(fit, 500)
    },
  })
}

function setBearing(e: Event) {
  const deg = Number((e.target as HTMLInputElement).value.replace(',', '.'))
  const p = book.value?.place
  if (p && Number.isFinite(deg)) change({ place: { ...p, bearingDeg: deg } })
}

const order = ref('')
watch(result, (r, old) => {
  const names = (x: TapeResult | null | undefined) => x?.points.map((p) => p.name).join(' ') ?? ''
  if (r && names(r) !== names(old)) {
    const along = new Set(
      book.value?.rows.filter((x) => x.towards || /\balong\b/i.test(x.note)).map((x) => x.to.trim()),
    )
    order.value = r.points
      .map((p) => p.name)
      .filter((n) => !along.has(n))
      .join(' ')
  }
})
const outline = computed(() => {
  const at = new Map(result.value?.points.map((p) => [p.name, p.at]))
  const places = order.value
    .split(/[\s,–-]+/)
    .filter(Boolean)
    .map((n) => at.get(n))
  return places.length >= 2 && places.every((p) => p) ? (places as Position[]) : null
})
watch(outline, (o) => (preview.value = o ? [[...o, o[0]!]] : []), { immediate: true })

function toLine(closed: boolean) {
  const o = outline.value
  if (!o) return
  job.change((p) => {
    const made = addLine(p, o, closed)
    job.lineId = made.lineId
    return made.plan
  })
  preview.value = []
  announce(`${book.value?.name} stands on the plan as a line.`)
}
function signed(m: number) {
  const text = tapedText(Math.abs(m), book.value?.units ?? job.units)
  return /^0 /.test(text) ? text : `${m > 0 ? '+' : '−'}${text}`
}
const rowOf = (i: number) => result.value?.rows.find((r) => r.row === i)
const wrong = (i: number) => problems.value.filter((p) => p.path.startsWith(`rows[${i}]`))
</script>

<template>
  <div>
    <h2>Tape book</h2>
    <div class="row">
      <select
        v-if="(job.land?.tapes.length ?? 0) > 0"
        :value="book?.id"
        aria-label="Sheet"
        @change="chosen = ($event.target as HTMLSelectElement).value"
      >
        <option v-for="t in job.land?.tapes" :key="t.id" :value="t.id">{{ t.name }}</option>
      </select>
      <v-btn data-test="new-tape" @click="open">New sheet</v-btn>
    </div>
    <template v-if="book">
      <div class="row">
        <label
          >name
          <input
            class="field wide"
            :value="book.name"
            @change="change({ name: ($event.target as HTMLInputElement).value || book!.name })"
        /></label>
        <label
          >bare numbers are
          <select
            :value="book.units"
            data-test="tape-units"
            @change="change({ units: ($event.target as HTMLSelectElement).value as TapeBook['units'] })"
          >
            <option value="FT_IN">feet</option>
            <option value="METRIC">{{ say('metres') }}</option>
          </select></label
        >
        <label
          >my step
          <input
            class="field"
            :value="tapedText(book.stepM, job.units)"
            data-test="tape-step"
            @change="setStep"
        /></label>
      </div>
      <p class="small quiet-text">
        As called out: <i>84 ft 6 in</i>, <i>25.76 m</i>, <i>24 p</i> for paces. <i>Towards</i> when the point
        lies along a line, with its offset to the right.
      </p>
      <table class="sheet measures">
        <thead>
          <tr>
            <th>from</th>
            <th>to</th>
            <th>tape</th>
            <th>towards</th>
            <th>offset</th>
            <th>note</th>
            <th class="right">residual</th>
            <th class="right">implied by the others</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(r, i) in rows"
            :key="i"
            :class="{ doubt: (rowOf(i)?.doubt ?? 0) >= 3, wrong: wrong(i).length > 0 }"
          >
            <td v-for="f in ['from', 'to', 'length', 'towards', 'offset', 'note'] as const" :key="f">
              <EntryField
                :value="r[f]"
                :aria-label="`Row ${i + 1}, ${f}`"
                :data-test="`tape-${i}-${f}`"
                :class="f"
                @change="setRow(i, f, ($event.target as HTMLInputElement).value)"
              />
            </td>
            <td class="right number">
              {{
                rowOf(i)?.adjustedM != null && result!.spare > 0
                  ? signed(rowOf(i)!.adjustedM! - rowOf(i)!.measuredM)
                  : ''
              }}
            </td>
            <td class="right number">
              {{ rowOf(i)?.restSaysM != null ? tapedText(rowOf(i)!.restSaysM!, book.units) : '' }}
            </td>
          </tr>
        </tbody>
      </table>
      <ul v-if="problems.length" class="problems" role="alert" data-test="tape-problems">
        <li v-for="p in problems" :key="p.path + p.message">{{ p.message }}</li>
      </ul>
      <template v-if="result">
        <TapeOutcome :result="result" :units="book.units" />
        <div class="row">
          <v-btn data-test="place-tape" @click="place">{{
            book.place ? 'Place it anew' : 'Place it on the plan'
          }}</v-btn>
          <label v-if="book.place"
            >bearing
            <input
              class="field"
              :value="book.place.bearingDeg.toFixed(1)"
              data-test="tape-bearing"
              @change="setBearing"
            />°</label
          >
          <label
            ><input
              type="checkbox"
              :checked="book.mirrored"
              data-test="tape-mirror"
              @change="change({ mirrored: !book!.mirrored })"
            />
            mirror</label
          >
        </div>
        <div v-if="book.place" class="row">
          <label>outline <input v-model="order" class="field wide" data-test="tape-order" /></label>
          <v-btn class="strong" :disabled="!outline" data-test="tape-to-line" @click="toLine(true)"
            >Make it a closed line</v-btn
          >
          <v-btn :disabled="!outline" @click="toLine(false)">open</v-btn>
        </div>
      </template>
    </template>
    <p v-else class="quiet-text">
      Write down sides, diagonals and offsets; Buckle makes the plan of it and says which measure to doubt.
    </p>
  </div>
</template>

<style scoped>
.measures td {
  padding: 0;
}
.measures input {
  width: 100%;
  min-width: 34px;
  border: 0;
  padding: 4px 5px;
  background: none;
  color: var(--ink);
}
.measures input:focus {
  background: var(--accent-wash);
}
.measures input.length {
  min-width: 78px;
}
.measures input.note {
  min-width: 90px;
}
.measures .doubt td {
  background: var(--accent-wash);
  font-weight: 700;
}
.measures .wrong td {
  box-shadow: inset 0 -2px 0 var(--broken);
}
</style>
