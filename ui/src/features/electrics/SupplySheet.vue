<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Electrics, Supply } from '@/api/types'
import { useWords } from '@/model/useWords'
import RuleChips from '@/components/RuleChips.vue'
import { dayText } from '@/shared/units'
import EntryField from '@/shared/EntryField.vue'
import PulseChart from './PulseChart.vue'
import { useElectrics } from '@/model/useElectrics'
import { useJob } from '@/model/jobStore'
import { usePowerChoices } from '@/model/usePowerChoices'

const { say } = useWords()
const props = defineProps<{ electrics: Electrics }>()
const { supply: own, setSupply } = useElectrics()
const choices = usePowerChoices()
const supply = computed(() => props.electrics.supply)
const battery = computed(() => supply.value?.battery ?? null)
const monthsOfYear = computed(() => battery.value?.year ?? [])
const job = useJob()
const seasonal = computed(() => (job.plan?.site.lines ?? []).every((l) => l.book.season !== null))
const value = (e: Event) => (e.target as HTMLSelectElement).value
/** A number of the supply in the field's own unit, so many to one of the plan's. */
interface Field {
  key: Exclude<keyof Supply['battery'], 'lastSwap'>
  text: string
  test: string
  least: number
  most: number
  per?: number
  whole?: boolean
  /** Only with a panel. */
  sun?: boolean
  /** Only without one. */
  swapped?: boolean
}
const fields: Field[] = [
  { key: 'batteryAh', text: 'Battery, Ah', test: 'battery', least: 1, most: 2000 },
  {
    key: 'inTurn',
    text: 'Batteries in turn',
    test: 'in-turn',
    least: 1,
    most: 10,
    whole: true,
    swapped: true,
  },
  { key: 'darkDays', text: 'Days without sun', test: 'dark-days', least: 0, most: 60, whole: true },
  { key: 'panelW', text: 'Panel, W', test: 'panel', least: 0, most: 2000, sun: true },
  { key: 'tiltDeg', text: 'Tilt, °', test: 'tilt', least: 0, most: 90, sun: true },
  { key: 'sunshineShare', text: 'Sunshine, %', test: 'sunshine', least: 0, most: 100, per: 100, sun: true },
  { key: 'dirtShare', text: 'Dirt, shade, %', test: 'dirt', least: 0, most: 95, per: 100, sun: true },
  { key: 'cableM', text: 'Cable, m', test: 'cable-m', least: 0, most: 200 },
  { key: 'cableMm2', text: 'Cable, mm²', test: 'cable-mm2', least: 0.2, most: 100 },
]
const shown = computed(() =>
  own.value.source === 'MAINS'
    ? []
    : fields.filter((f) => (own.value.source === 'SOLAR' ? !f.swapped : !f.sun)),
)
const fieldText = (f: Field) => String(Math.round(own.value.battery[f.key] * (f.per ?? 1) * 100) / 100)
const refused = ref('')
/** Takes what was typed when it lies within its bounds. */
function set(f: Field, e: Event) {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.')
  const typed = f.whole ? Math.round(Number(text)) : Number(text)
  if (text === '' || !(typed >= f.least && typed <= f.most)) {
    refused.value = `${f.text}: between ${f.least} and ${f.most}, please; the old value was kept.`
    return
  }
  refused.value = ''
  setSupply({ battery: { ...own.value.battery, [f.key]: typed / (f.per ?? 1) } })
}
/** A date, or nothing where the field was emptied. */
function setSwap(e: Event) {
  const text = value(e)
  refused.value = ''
  if (text && !(text >= '1990-01-01' && text < '2200'))
    refused.value = 'A day since 1990, please; the old value was kept.'
  else setSupply({ battery: { ...own.value.battery, lastSwap: text || null } })
}
const setMonth = (which: 'fromMonth' | 'toMonth', e: Event) =>
  setSupply({ battery: { ...own.value.battery, [which]: Number(value(e)) } })
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const year = computed(() => ({
  grid: { left: 40, right: 40, top: 34, bottom: 24 },
  legend: { top: 0, itemWidth: 12, textStyle: { fontSize: 11 } },
  xAxis: { type: 'category', data: monthsOfYear.value.map((m) => months[m.month - 1]!) },
  yAxis: [
    { type: 'value', name: 'Ah/day', min: 0 },
    { type: 'value', name: '%', min: 0, max: 100, splitLine: { show: false } },
  ],
  series: [
    { type: 'bar', name: 'made', data: monthsOfYear.value.map((m) => Number(m.madeAhPerDay.toFixed(2))) },
    {
      type: 'line',
      name: 'used',
      showSymbol: false,
      lineStyle: { type: 'dashed' },
      data: monthsOfYear.value.map((m) => Number(m.usedAhPerDay.toFixed(2))),
    },
    {
      type: 'line',
      name: 'lowest charge',
      yAxisIndex: 1,
      symbolSize: 5,
      data: monthsOfYear.value.map((m) => Math.round(100 * m.lowestShare)),
    },
  ],
}))
</script>

<template>
  <div>
    <h2>What powers it</h2>
    <p v-if="supply || !electrics.says" class="why" data-test="supply-says">
      {{ supply?.says ?? 'Calculating …' }}
    </p>
    <p v-for="f in supply?.findings" :key="f.message" class="weak">
      {{ f.message }} <RuleChips :rules="[f.rule]" />
    </p>
    <div class="fields">
      <label class="two"
        >From
        <select
          :value="own.source"
          data-test="supply"
          @change="setSupply({ source: value($event) as Supply['source'] })"
        >
          <option value="MAINS">{{ say('the mains') }}</option>
          <option value="BATTERY">a battery, swapped by hand</option>
          <option value="SOLAR">battery and panel</option>
        </select>
      </label>
      <label class="two"
        >It runs
        <select :value="own.mode" @change="setSupply({ mode: value($event) as Supply['mode'] })">
          <option v-for="m in choices?.modes" :key="m.id" :value="m.id">{{ m.text }}</option>
        </select>
      </label>
      <label v-for="f in shown" :key="f.key"
        >{{ f.text }}
        <EntryField :value="fieldText(f)" :data-test="f.test" @change="set(f, $event)" />
      </label>
    </div>
    <div v-if="own.source === 'BATTERY' && own.battery.inTurn > 1" class="fields">
      <label class="two"
        >Last swapped on <RuleChips :rules="['X8', 'E4']" />
        <input type="date" :value="own.battery.lastSwap ?? ''" data-test="last-swap" @change="setSwap"
      /></label>
      <p v-if="battery?.swaps.length" class="two small" data-test="swaps">
        next at half charge on {{ battery.swaps.map((d) => dayText(d)).join(', ') }}
      </p>
    </div>
    <p v-if="own.source !== 'MAINS' && seasonal" class="small quiet-text" data-test="seasonal">
      Every line has days of its own (Survey, Lines): the energizer runs while any of them is up.
      <RuleChips :rules="['X13']" />
    </p>
    <div v-else-if="own.source !== 'MAINS'" class="fields">
      <label class="two"
        >The fence is up from <RuleChips :rules="['X13']" />
        <select :value="own.battery.fromMonth" data-test="up-from" @change="setMonth('fromMonth', $event)">
          <option v-for="(m, i) in months" :key="m" :value="i + 1">{{ m }}</option>
        </select>
      </label>
      <label class="two"
        >to
        <select :value="own.battery.toMonth" data-test="up-to" @change="setMonth('toMonth', $event)">
          <option v-for="(m, i) in months" :key="m" :value="i + 1">{{ m }}</option>
        </select>
      </label>
    </div>
    <p v-if="refused" role="alert" class="weak">{{ refused }}</p>
    <dl v-if="battery">
      <dt>Smallest battery</dt>
      <dd class="number">
        {{ Math.ceil(battery.leastAh) }} Ah for {{ own.battery.darkDays }} dark days in the cold
      </dd>
      <template v-if="own.source === 'SOLAR'">
        <dt>Smallest panel</dt>
        <dd class="number">
          {{
            battery.leastPanelW === null
              ? 'none does: no sun in the darkest month, or too thin a cable'
              : `${Math.ceil(battery.leastPanelW)} W`
          }}
        </dd>
      </template>
      <dt>Voltage lost in the cable</dt>
      <dd class="number">{{ battery.cableDropV.toFixed(2) }} V of the 12, at the mean draw</dd>
    </dl>
    <PulseChart v-if="monthsOfYear.length" :option="year" label="Made, used and lowest charge by month" />
    <p class="small quiet-text">
      <RuleChips :rules="['E1', 'E2', 'E3', 'E4', 'E5', 'E6']" /> The panel faces the equator; keep it clear
      of snow and dirt, and a charge controller between. At rest a full battery reads about 12.7 V, on charge
      13.4 to 13.6. Temperatures are the job's (Material & season).
    </p>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped src="./electrics.css" />
<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(112px, 1fr));
  gap: 0 10px;
  align-items: end;
}
.two {
  grid-column: span 2;
}
</style>
