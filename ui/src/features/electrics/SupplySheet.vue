<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Electrics, Spec } from '@/api/types'
import RuleChips from '@/features/help/RuleChips.vue'
import EntryField from '@/shared/EntryField.vue'
import PulseChart from './PulseChart.vue'
import { useElectrics } from './useElectrics'
import { usePowerChoices } from './usePowerChoices'

const props = defineProps<{ electrics: Electrics }>()
const { power, setPower } = useElectrics()
const choices = usePowerChoices()
const supply = computed(() => props.electrics.supply)
const value = (e: Event) => (e.target as HTMLSelectElement).value
type Power = Spec['power']
type Fitting = Power['fitting']
type Amount = 'batteryAh' | 'panelW' | 'tiltDeg' | 'darkDays'
const limits: Record<Amount | keyof Fitting | 'sunshineShare', [number, number]> = {
  batteryAh: [1, 2000],
  panelW: [0, 2000],
  tiltDeg: [0, 90],
  darkDays: [0, 60],
  sunshineShare: [0, 1],
  cableM: [0, 200],
  cableMm2: [0.2, 100],
  dirtShare: [0, 0.95],
}
/** What was typed, in the field's own unit; null when it is not within its limits. */
function typed(e: Event, key: keyof typeof limits, per = 1): number | null {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.')
  const given = Number(text) / per
  const [least, most] = limits[key]
  const good = text !== '' && given >= least && given <= most
  refused.value = good ? '' : `Between ${least * per} and ${most * per}, please; the old value was kept.`
  return good ? given : null
}
const refused = ref('')
function amount(e: Event, key: Amount) {
  const given = typed(e, key)
  if (given !== null) setPower({ [key]: key === 'darkDays' ? Math.round(given) : given })
}
function sunshine(e: Event) {
  const given = typed(e, 'sunshineShare', 100)
  if (given !== null) setPower({ sunshineShare: given })
}
function fitting(e: Event, key: keyof Fitting) {
  const given = typed(e, key, key === 'dirtShare' ? 100 : 1)
  if (given !== null) setPower({ fitting: { ...power.value.fitting, [key]: given } })
}
const percent = (share: number) => String(Math.round(share * 1000) / 10)
const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']
const year = computed(() => ({
  grid: { left: 40, right: 40, top: 34, bottom: 24 },
  legend: { top: 0, itemWidth: 12, textStyle: { fontSize: 11 } },
  xAxis: { type: 'category', data: months },
  yAxis: [
    { type: 'value', name: 'Ah/day', min: 0 },
    { type: 'value', name: '%', min: 0, max: 100, splitLine: { show: false } },
  ],
  series: [
    { type: 'bar', name: 'made', data: supply.value.year.map((m) => Number(m.madeAhPerDay.toFixed(2))) },
    {
      type: 'line',
      name: 'used',
      showSymbol: false,
      lineStyle: { type: 'dashed' },
      data: supply.value.year.map((m) => Number(m.usedAhPerDay.toFixed(2))),
    },
    {
      type: 'line',
      name: 'lowest charge',
      yAxisIndex: 1,
      symbolSize: 5,
      data: supply.value.year.map((m) => Math.round(100 * m.lowestShare)),
    },
  ],
}))
</script>

<template>
  <div>
    <h2>What powers it</h2>
    <label
      >From
      <select
        :value="power.supply"
        data-test="supply"
        @change="setPower({ supply: value($event) as Spec['power']['supply'] })"
      >
        <option value="MAINS">the mains</option>
        <option value="BATTERY">a battery, changed by hand</option>
        <option value="SOLAR">battery and panel</option>
      </select>
    </label>
    <label
      >It runs
      <select :value="power.mode" @change="setPower({ mode: value($event) as Spec['power']['mode'] })">
        <option v-for="m in choices?.modes" :key="m.id" :value="m.id">{{ m.text }}</option>
      </select>
    </label>
    <template v-if="power.supply !== 'MAINS'">
      <div class="pair">
        <label
          >Battery, Ah at 12 V
          <EntryField
            :value="String(power.batteryAh)"
            data-test="battery"
            @change="amount($event, 'batteryAh')"
        /></label>
        <label
          >Days without sun
          <EntryField
            :value="String(power.darkDays)"
            data-test="dark-days"
            @change="amount($event, 'darkDays')"
        /></label>
      </div>
      <div v-if="power.supply === 'SOLAR'" class="pair">
        <label
          >Panel, W
          <EntryField :value="String(power.panelW)" data-test="panel" @change="amount($event, 'panelW')"
        /></label>
        <label
          >Tilt, ° <EntryField :value="String(power.tiltDeg)" @change="amount($event, 'tiltDeg')"
        /></label>
        <label
          >Sunshine, % of daylight
          <EntryField :value="percent(power.sunshineShare)" data-test="sunshine" @change="sunshine"
        /></label>
        <label
          >Dirt, snow, shade, %
          <EntryField
            :value="percent(power.fitting.dirtShare)"
            data-test="dirt"
            @change="fitting($event, 'dirtShare')"
        /></label>
      </div>
      <div class="pair">
        <label
          >Cable, m
          <EntryField
            :value="String(power.fitting.cableM)"
            data-test="cable-m"
            @change="fitting($event, 'cableM')"
        /></label>
        <label
          >Cable, mm²
          <EntryField
            :value="String(power.fitting.cableMm2)"
            data-test="cable-mm2"
            @change="fitting($event, 'cableMm2')"
        /></label>
      </div>
      <p v-if="refused" role="alert" class="weak">{{ refused }}</p>
    </template>
    <p class="why" data-test="supply-says">{{ supply.says }}</p>
    <dl v-if="power.supply !== 'MAINS'">
      <dt>Smallest battery</dt>
      <dd class="number">
        {{ Math.ceil(supply.leastAh) }} Ah for {{ power.darkDays }} dark days in the cold
      </dd>
      <template v-if="power.supply === 'SOLAR'">
        <dt>Smallest panel</dt>
        <dd class="number">
          {{
            supply.leastPanelW > 0
              ? `${Math.ceil(supply.leastPanelW)} W`
              : 'none does: no sun in the darkest month'
          }}
        </dd>
      </template>
      <dt>Lost in the cable</dt>
      <dd class="number">{{ supply.cableDropV.toFixed(2) }} V of the 12, at the mean draw</dd>
    </dl>
    <p
      v-for="f in electrics.findings.filter((x) => x.rule === 'E4' || x.rule === 'E5')"
      :key="f.message"
      class="weak"
    >
      {{ f.message }} <RuleChips :rules="[f.rule]" />
    </p>
    <PulseChart v-if="supply.year.length" :option="year" label="Made, used and lowest charge by month" />
    <p class="small quiet-text">
      <RuleChips :rules="['E1', 'E2', 'E3', 'E4', 'E5', 'E6']" /> The panel faces the equator; keep it clear
      of snow and dirt, and a charge controller between. At rest a full battery reads about 12.7 V, on charge
      13.4 to 13.6. Temperatures are the job's (Material & season).
    </p>
  </div>
</template>

<style scoped src="../layout/fields.css" />
<style scoped src="./electrics.css" />
