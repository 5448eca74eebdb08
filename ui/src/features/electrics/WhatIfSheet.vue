<script setup lang="ts">
import type { Electrics } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { kvText, stationText } from '@/shared/units'
import ModelForm from './ModelForm.vue'

const props = defineProps<{ electrics: Electrics }>()
const job = useJob()
const lineName = (id: string) => job.design?.layout.lines.find((l) => l.lineId === id)?.name ?? id
const against = (v: number, key: 'weakestV' | 'heavyV') => {
  const base = props.electrics.whatIfs?.[0]?.[key] ?? v
  const d = (v - base) / 1000
  return Math.abs(d) < 0.05 ? '' : `${d > 0 ? '+' : '−'}${Math.abs(d).toFixed(1)}`
}
</script>

<template>
  <div>
    <h2>Change one thing</h2>
    <p class="small quiet-text">Each laid out and calculated for this plan; the weakest point is shown.</p>
    <p v-if="!electrics.whatIfs && !electrics.says" class="quiet-text">Calculating …</p>
    <table v-if="electrics.whatIfs" class="sheet">
      <thead>
        <tr>
          <th>What</th>
          <th class="right">weakest</th>
          <th></th>
          <th class="right">in heavy growth</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(w, i) in electrics.whatIfs" :key="w.name" :class="{ here: i === 0 }" data-test="what-if">
          <td>
            {{ w.name }}<br v-if="w.says" /><span class="small quiet-text">{{ w.says }}</span>
          </td>
          <td class="right number">{{ kvText(w.weakestV) }} kV</td>
          <td class="number">{{ i ? against(w.weakestV, 'weakestV') : '' }}</td>
          <td class="right number">{{ kvText(w.heavyV) }} kV</td>
          <td class="number">{{ i ? against(w.heavyV, 'heavyV') : '' }}</td>
        </tr>
      </tbody>
    </table>
    <h3>What is assumed, and what it does to the weakest point <RuleChips :rules="['V12', 'V13']" /></h3>
    <table class="sheet">
      <thead>
        <tr>
          <th>Assumption</th>
          <th>likely</th>
          <th>from</th>
          <th>to</th>
          <th class="right">weakest point</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="a in electrics.assumed" :key="a.name">
          <td>{{ a.name }}</td>
          <td>{{ a.likely }}</td>
          <td>{{ a.low }}</td>
          <td>{{ a.high }}</td>
          <td class="right number">{{ kvText(a.lowestV) }} to {{ kvText(a.highestV) }} kV</td>
        </tr>
      </tbody>
    </table>
    <h3>Known better? <RuleChips :rules="['V13']" /></h3>
    <ModelForm />
    <p class="small quiet-text">
      <template v-if="electrics.work"
        >{{ electrics.work.runs }} runs, {{ electrics.work.frequencies }} frequencies, a window of
        {{ (electrics.work.windowS * 1e6).toFixed(0) }} µs.
      </template>
      Sparks, corona and what one fence does to the next are not in it. Readings of the healthy fence are
      worth more than any of these assumptions.
    </p>
    <template v-if="electrics.dead.length">
      <h3>Without pulse</h3>
      <p v-for="d in electrics.dead" :key="`${d.lineId}${d.fromM}`" class="weak small">
        {{ lineName(d.lineId) }} from {{ stationText(d.fromM, job.units) }} to
        {{ stationText(d.toM, job.units) }}: {{ d.why }}
      </p>
    </template>
  </div>
</template>

<style scoped src="./electrics.css" />
