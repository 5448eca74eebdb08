<script setup lang="ts">
import { computed } from 'vue'
import type { Electrics } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { kvText, lengthText } from '@/shared/units'
import EarthForm from './EarthForm.vue'
import { energyText, ohmText } from '@/model/electricsWords'
import { useWords } from '@/model/useWords'

const props = defineProps<{ electrics: Electrics }>()
const job = useJob()
const { say } = useWords()
const earth = computed(() => props.electrics.earth)
const groups = computed(() => {
  const e = earth.value
  if (!e) return []
  return [
    { title: 'By school', cases: e.schools, rules: ['G1', 'G2', 'G3', 'G4'] },
    { title: 'What more would buy', cases: e.improvements, rules: ['G6', 'G7', 'G10', 'G11'] },
    { title: 'Through the seasons', cases: e.seasons, rules: ['G12'] },
  ]
})
const volts = (v: number) => `${Math.round(v)} V`
</script>

<template>
  <div v-if="!earth">
    <h2>{{ say('Earth: half of the circuit') }}</h2>
    <p class="quiet-text">
      The rods come to {{ ohmText(electrics.rodsOhm)
      }}{{ electrics.says ? '.' : '; the rest is calculating …' }}
    </p>
  </div>
  <div v-else>
    <h2>{{ say('Earth: half of the circuit') }}</h2>
    <p class="why" :class="{ bad: !earth.good }" data-test="earth-verdict">
      The rods come to {{ ohmText(earth.rodsOhm) }} in {{ earth.ground.toLowerCase() }} ground of
      {{ ohmText(earth.soilOhmM) }}·m; in the {{ say('earth test') }} the last one would read about
      {{ volts(earth.testV) }}:
      {{ earth.good ? 'good enough' : `too much, ${volts(earth.mostV)} is the most` }}.
      <RuleChips :rules="['G9', 'G10', 'G11']" />
    </p>
    <p class="small">{{ earth.moist }}</p>
    <p class="small" data-test="earth-wires">{{ earth.wires }} <RuleChips :rules="['G14', 'W18']" /></p>
    <EarthForm />
    <section v-for="g in groups" :key="g.title">
      <h3>{{ g.title }} <RuleChips :rules="g.rules" /></h3>
      <table class="sheet">
        <thead>
          <tr>
            <th></th>
            <th class="right">rods</th>
            <th class="right">each</th>
            <th class="right">together</th>
            <th class="right by-table">by table</th>
            <th class="right">last rod in the test</th>
            <th class="right">weakest point</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="c in g.cases"
            :key="c.name"
            :class="{
              here:
                c.school !== null &&
                !job.plan?.spec.supply.earth.found.length &&
                c.school === job.plan?.spec.supply.earth.school,
            }"
          >
            <td>
              {{ say(c.name)
              }}<template v-if="c.says"
                ><br /><span class="small quiet-text">{{ say(c.says) }}</span></template
              >
            </td>
            <td class="right number">{{ c.rods }}</td>
            <td class="right number">{{ lengthText(c.rodM, job.units) }}</td>
            <td class="right number">{{ ohmText(c.ohm) }}</td>
            <td class="right number quiet-text by-table">
              {{ c.rods > 1 && c.tableOhm === c.ohm ? '–' : ohmText(c.tableOhm) }}
            </td>
            <td class="right number" :class="c.good ? 'MET' : 'WARN'">
              {{ volts(c.testV) }} {{ c.good ? '· good' : '· too much' }}
            </td>
            <td class="right number">{{ c.weakestV > 0 ? `${kvText(c.weakestV)} kV` : '–' }}</td>
          </tr>
        </tbody>
      </table>
    </section>
    <h3>A touch at the weakest point, by what closes the circuit <RuleChips :rules="['G13', 'G14']" /></h3>
    <table class="sheet">
      <thead>
        <tr>
          <th>Contact</th>
          <th>In</th>
          <th class="right">path</th>
          <th class="right">volts then</th>
          <th class="right">in the body, a pulse</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(s, i) in earth.shocks" :key="s.contact + s.who" data-test="shock">
          <td>
            <template v-if="s.contact !== earth.shocks[i - 1]?.contact">
              {{ s.contact }}<br /><span class="small quiet-text">{{ s.how }}</span>
            </template>
          </td>
          <td>{{ s.who }}</td>
          <td class="right number">{{ ohmText(s.pathOhm) }}</td>
          <td class="right number">{{ (s.volts / 1000).toFixed(1) }} kV</td>
          <td class="right number">{{ energyText(s.bodyJ) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet-text">
      Figures to compare ways of wiring by, not limits of what is safe. Keep the rods
      {{ lengthText(10, job.units) }} from {{ say("any building's earth") }}; local code and licensed people
      decide. <RuleChips :rules="['C10', 'C12']" />
    </p>
  </div>
</template>

<style scoped src="./electrics.css" />
<style scoped>
.bad {
  border-left-color: var(--broken);
}
@media (max-width: 600px) {
  .by-table {
    display: none;
  }
}
</style>
