<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { AtPoint, Electrics } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { latestOnly } from '@/shared/latest'
import { kvText, lengthText, stationText } from '@/shared/units'
import PulseChart from './PulseChart.vue'
import { nearestPoint } from '@/model/nearest'
import { useElectrics } from '@/model/useElectrics'
import { energyText, metWords, ohmText } from '@/model/electricsWords'
import { useWords } from '@/model/useWords'

const props = defineProps<{ electrics: Electrics }>()
const job = useJob()
const { trial, toggle, addLoad, dropLoad } = useElectrics()
const station = computed(() => Math.max(0, job.cursorM ?? props.electrics.weakest?.stationM ?? 0))
const lineId = computed(() =>
  job.cursorM === null ? (props.electrics.weakest?.lineId ?? job.lineId) : job.lineId,
)
const lineName = (id: string) => job.design?.layout.lines.find((l) => l.lineId === id)?.name ?? id

/** The curve's nearest computed place. */
const nearest = computed(() => nearestPoint(props.electrics, lineId.value, station.value))
/** Not known before the first answer; null where no pulse comes. */
const at = shallowRef<AtPoint | null | undefined>(undefined)
/** The curve and the place it was asked for. */
const atOf = shallowRef<{ electrics: Electrics; lineId: string; stationM: number } | null>(null)
const atFailed = ref('')
const look = latestOnly(
  (order: {
    of: Electrics
    body: {
      plan: NonNullable<typeof job.plan>
      land: NonNullable<typeof job.land>
      trial: typeof trial.value
      held: Electrics['energizer']
      lineId: string
      stationM: number
    }
  }) => ask(client.POST('/api/electrics/at', { body: order.body })),
  (answer, { of, body }) => {
    at.value = answer.at
    atOf.value = { electrics: of, lineId: body.lineId, stationM: body.stationM }
    atFailed.value = ''
  },
  (e) => (atFailed.value = e instanceof RequestFailed ? e.message : 'This place could not be calculated.'),
)
watch(
  () => [props.electrics, lineId.value, station.value],
  () => {
    if (job.plan && job.land && lineId.value)
      look({
        of: props.electrics,
        body: {
          plan: job.plan,
          held: props.electrics.energizer,
          land: job.land,
          trial: trial.value,
          lineId: lineId.value,
          stationM: station.value,
        },
      })
  },
  { immediate: true },
)
const here = computed(() => atOf.value?.lineId === lineId.value && atOf.value.stationM === station.value)
/** Until the place has been asked for again, the curve's nearest place tells. */
const peakV = computed(() =>
  here.value && atOf.value?.electrics === props.electrics
    ? (at.value?.peakV ?? 0)
    : (nearest.value?.likelyV ?? 0),
)
const wave = computed(() => ({
  grid: { left: 44, right: 10, top: 22, bottom: 34 },
  xAxis: { type: 'value', name: 'µs', nameLocation: 'middle', nameGap: 20, max: 'dataMax' },
  yAxis: { type: 'value', name: 'kV' },
  series: [
    {
      type: 'line',
      showSymbol: false,
      name: 'kV',
      data: (at.value?.volts ?? []).map((v, i) => [
        Number((i * (at.value?.stepS ?? 0) * 1e6).toFixed(2)),
        Number((v / 1000).toFixed(3)),
      ]),
    },
  ],
}))
const switches = computed(() =>
  (job.design?.layout.lines ?? []).flatMap((l) => [
    ...l.cutOuts.map((c) => ({ id: c.id, text: c.name })),
    ...l.gates
      .filter((g) => g.kind === 'HANDLE' || g.kind === 'STRAND')
      .map((g) => ({ id: g.id, text: `${g.name} (handles)` })),
  ]),
)
/** Jumper sets in hot wires, each with the pull it is in. */
const jumpers = computed(() =>
  (job.design?.layout.lines ?? []).flatMap((l) =>
    l.schedule.wires.filter((w) => w.role === 'HOT').length < 2
      ? []
      : (job.design?.layout.joints ?? [])
          .filter((j) => j.kind === 'JUMPER' && j.lineId === l.lineId && j.id !== '')
          .map((j) => {
            const i = l.pulls.findIndex((p) => p.fromM <= j.stationM && j.stationM <= p.toM)
            const from = stationText(l.pulls[i]?.fromM ?? j.stationM, job.units)
            return { id: j.id, text: `${l.name}, pull ${i + 1} from ${from}` }
          }),
  ),
)
const leftOut = computed(() => jumpers.value.filter((j) => trial.value.open.includes(j.id)))
/** What bears on the pulse and is said on no other sheet. */
const toMind = computed(() =>
  props.electrics.findings.filter((f) => ['V6', 'V10', 'J1', 'C13'].includes(f.rule)),
)
const { say } = useWords()
const ohm = ref('1000')
const refused = ref('')
function load() {
  const value = Number(ohm.value.trim().replace(',', '.'))
  if (!(value >= 1 && value <= 1e7)) {
    refused.value = 'A load lies between 1 Ω and 10,000,000 Ω.'
    return
  }
  refused.value = ''
  addLoad({ lineId: lineId.value, stationM: station.value, ohm: value })
}
</script>

<template>
  <div>
    <h2>The pulse at {{ stationText(station, job.units) }} of {{ lineName(lineId) }}</h2>
    <p class="small quiet-text">
      Point anywhere on plan or ribbon, or step with <kbd>,</kbd> and <kbd>.</kbd>
    </p>
    <dl v-if="nearest && at" data-test="at-point">
      <dt>Peak</dt>
      <dd>
        <b :class="nearest.met">{{ kvText(peakV) }} kV, {{ metWords[nearest.met] }}</b>
        <span class="quiet-text"> ({{ kvText(nearest.lowV) }} to {{ kvText(nearest.highV) }} kV)</span>
        <RuleChips :rules="['V11', 'V13', 'V10']" />
      </dd>
      <dt>After</dt>
      <dd class="number">{{ nearest.atS === null ? '–' : `${(nearest.atS * 1e6).toFixed(0)} µs` }}</dd>
      <dt>Current past here</dt>
      <dd class="number">{{ nearest.currentA === null ? '…' : `${nearest.currentA.toFixed(1)} A` }}</dd>
      <dt>In an animal</dt>
      <dd class="number">
        <template v-if="here"
          >{{ energyText(at.usual.bodyJ) }} a pulse: {{ at.usual.contact }},
          {{ ohmText(at.usual.pathOhm) }} through {{ at.usual.who }}</template
        ><template v-else>…</template>
        <RuleChips :rules="['G13']" />
      </dd>
    </dl>
    <p v-else-if="at === null" class="weak" data-test="at-point">No pulse comes here.</p>
    <p v-if="atFailed" role="alert" class="weak">{{ atFailed }}</p>
    <PulseChart v-if="at" :option="wave" label="Voltage of the pulse in time at this place" />

    <h3>Sections <RuleChips :rules="['V10']" /></h3>
    <table class="sheet">
      <tbody>
        <tr v-for="s in electrics.sections" :key="s.id" :data-test="`pulse-${s.id}`">
          <td>{{ s.name }}</td>
          <td class="right number">
            <template v-if="s.on && s.weakest"
              >{{ kvText(s.weakest.likelyV) }} kV
              <span class="quiet-text small"
                >{{ kvText(s.weakest.lowV) }}–{{ kvText(s.weakest.highV) }}</span
              ></template
            >
          </td>
          <td :class="s.on ? s.met : 'quiet-text'">{{ s.on ? metWords[s.met] : 'off' }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small" data-test="reserve">{{ electrics.reserve?.says ?? (electrics.says ? '' : '…') }}</p>
    <ul v-if="toMind.length" class="plain" data-test="to-mind">
      <li v-for="f in toMind" :key="f.rule + f.message" :class="f.severity === 'NOTE' ? '' : 'weak'">
        <template v-if="f.lineId && f.stationM !== null"
          ><b>{{ stationText(f.stationM, job.units) }} of {{ lineName(f.lineId) }}:</b>
        </template>
        {{ f.message }} <RuleChips :rules="[f.rule]" />
      </li>
    </ul>

    <h3>Try: open a switch <RuleChips :rules="['J4', 'J2']" /></h3>
    <label v-for="s in switches" :key="s.id" class="check"
      ><input
        type="checkbox"
        :checked="trial.open.includes(s.id)"
        :data-test="`switch-${s.id}`"
        @change="toggle(s.id)"
      />
      {{ s.text }} {{ trial.open.includes(s.id) ? 'open' : 'closed' }}</label
    >
    <p v-if="switches.length === 0" class="small quiet-text">There is no cut-out and no handle gate.</p>
    <label v-if="jumpers.length" class="jumpers"
      >Remove a jumper set <RuleChips :rules="['J1']" />
      <select
        data-test="jumpers"
        @change="
          (toggle(($event.target as HTMLSelectElement).value),
          (($event.target as HTMLSelectElement).value = ''))
        "
      >
        <option value="">none removed but those below</option>
        <option v-for="j in jumpers.filter((x) => !leftOut.includes(x))" :key="j.id" :value="j.id">
          {{ j.text }}
        </option>
      </select>
    </label>
    <ul v-if="leftOut.length" class="plain">
      <li v-for="j in leftOut" :key="j.id" data-test="left-out">
        {{ j.text }} <button class="link" @click="toggle(j.id)">put back</button>
      </li>
    </ul>
    <h3>Try: a load here</h3>
    <form class="pair" @submit.prevent="load">
      <label>{{ say('Ω to earth') }}<input v-model="ohm" inputmode="decimal" data-test="load-ohm" /></label>
      <v-btn type="submit" data-test="add-load">Place it here</v-btn>
    </form>
    <p v-if="refused" role="alert" class="weak">{{ refused }}</p>
    <ul class="plain">
      <li v-for="(l, i) in trial.loads" :key="i" data-test="load">
        {{ ohmText(l.ohm) }} at {{ lengthText(l.stationM, job.units) }} of {{ lineName(l.lineId) }}
        <button class="link" @click="dropLoad(i)">remove</button>
      </li>
    </ul>
    <p class="small quiet-text">
      A trial, not part of the plan. A switch opened here is not isolated on the ground: energizer off before
      hands go on the wire.
      <RuleChips :rules="['C7']" />
    </p>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped src="./electrics.css" />
<style scoped>
.plain {
  list-style: none;
  padding: 0;
  font-size: 13px;
}
.sheet {
  width: 100%;
}
</style>
