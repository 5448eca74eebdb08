<script setup lang="ts">
import { computed, onMounted } from 'vue'
import type { Trend } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useUpkeep } from '@/model/upkeep'
import { useWords } from '@/model/useWords'
import { calendarText, kvText, stationText } from '@/shared/units'

const job = useJob()
const upkeep = useUpkeep()
const { say } = useWords()
onMounted(() => void upkeep.load(job.id))
const trends = computed(() => upkeep.answer?.trends ?? [])
const name = (t: Trend) =>
  job.testPoints.find((p) => p.id === t.at.testPointId)?.name ??
  `${job.design?.layout.lines.find((l) => l.lineId === t.at.lineId)?.name ?? t.at.lineId}, ${stationText(t.at.stationM, job.units)}`
const slope = (v: number) => `${v < 0 ? '−' : '+'}${(Math.abs(v) / 1000).toFixed(2)}`
</script>

<template>
  <div>
    <h1>Trend</h1>
    <p class="quiet-text small">
      Dry readings of the last 120 days, or since something was mended, with all switches closed; four at
      least, over two weeks. The slope is the median of all pairs, its range holds the true one with 90 %.
    </p>
    <p v-if="upkeep.problem" class="weak" role="alert">{{ upkeep.problem }}</p>
    <p v-if="upkeep.answer && !trends.length" class="empty">
      No test point was read often enough yet: four dry readings over two weeks tell a trend.
    </p>
    <table v-if="trends.length" class="sheet">
      <thead>
        <tr>
          <th>Test point</th>
          <th class="right">Readings</th>
          <th class="right">Now, kV</th>
          <th class="right">A week, kV</th>
          <th class="right">Year before, kV</th>
          <th>If it goes on</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(t, i) in trends" :key="i" :class="{ soon: t.soon }" data-test="trend">
          <td>{{ say(name(t)) }}{{ t.wire ? `, wire ${t.wire}` : '' }}</td>
          <td class="right number">{{ t.readings }}</td>
          <td class="right number">{{ kvText(t.levelV) }}</td>
          <td class="right number">
            {{ slope(t.aWeekV) }}<br /><span class="small quiet-text"
              >{{ slope(t.lowAWeekV) }} to {{ slope(t.highAWeekV) }}</span
            >
          </td>
          <td class="right number">{{ t.yearBeforeV === null ? '–' : kvText(t.yearBeforeV) }}</td>
          <td>
            <b v-if="t.belowOn && t.needV !== null" :class="{ weak: t.soon }" data-test="trend-below"
              >under {{ kvText(t.needV) }} kV about {{ calendarText(t.belowOn) }}</b
            ><template v-else>{{ t.highAWeekV < 0 ? 'falls, and stays enough' : 'no sure fall' }}</template>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.weak {
  color: var(--broken);
}
.empty {
  padding: 18px 0;
}
</style>
