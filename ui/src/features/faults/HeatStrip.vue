<script setup lang="ts">
import { computed } from 'vue'
import type { FenceDiagnosis, LineLayout } from '@/api/types'
import { heatOf } from '@/model/heat'
import { useJob } from '@/model/jobStore'
import { stationText } from '@/shared/units'

const props = defineProps<{ line: LineLayout; answer: FenceDiagnosis }>()
const job = useJob()
const WIDE = 640
const x = (m: number) => (WIDE * m) / props.line.lengthM
const parts = computed(() => props.answer.density.filter((d) => d.lineId === props.line.lineId))
const hot = computed(() => heatOf(props.answer).filter((h) => h.lineId === props.line.lineId))
const region = computed(() => props.answer.region90.filter((r) => r.lineId === props.line.lineId))
const share = computed(() => parts.value.reduce((sum, d) => sum + d.probability, 0))
const readAtM = computed(() => [
  ...new Set(job.readings.filter((r) => r.at.lineId === props.line.lineId).map((r) => r.at.stationM)),
])
const label = computed(
  () =>
    `${props.line.name}: ${Math.round(100 * share.value)} % if on the line; ` +
    region.value
      .map((r) => `${stationText(r.fromM, job.units)} to ${stationText(r.toM, job.units)}`)
      .join(', '),
)
</script>

<template>
  <figure>
    <figcaption class="small">
      <b>{{ line.name }}</b> <span class="quiet-text">{{ Math.round(100 * share) }} % if on the line</span>
    </figcaption>
    <svg :viewBox="`0 0 ${WIDE} 46`" role="img" :aria-label="label" data-test="heat">
      <rect class="bed" x="0" y="8" :width="WIDE" height="16" />
      <rect
        v-for="(d, i) in hot"
        :key="i"
        class="heat"
        :x="x(d.fromM)"
        y="8"
        :width="Math.max(0.5, x(d.toM) - x(d.fromM))"
        height="16"
        :fill-opacity="d.heat"
      />
      <line
        v-for="(r, i) in region"
        :key="`r${i}`"
        class="region"
        :x1="x(r.fromM)"
        :x2="x(r.toM)"
        y1="27"
        y2="27"
      />
      <path v-for="m in readAtM" :key="m" class="read" :d="`M ${x(m)} 8 l -3 -6 h 6 z`" />
      <g v-for="g in line.gates" :key="g.id">
        <rect class="gate" :x="x(g.fromM)" y="8" :width="Math.max(1.5, x(g.toM) - x(g.fromM))" height="16" />
      </g>
      <text x="0" y="42">{{ stationText(0, job.units) }}</text>
      <text :x="WIDE" y="42" text-anchor="end">{{ stationText(line.lengthM, job.units) }}</text>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 6px 0 10px;
  max-width: 900px;
}
svg {
  display: block;
  width: 100%;
}
.bed {
  fill: var(--paper);
  stroke: var(--rule-strong);
}
.heat {
  fill: var(--broken);
  shape-rendering: crispEdges;
}
.region {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.read {
  fill: var(--ink);
}
.gate {
  fill: none;
  stroke: var(--ink);
}
text {
  font-size: 11px;
  fill: var(--ink);
}
</style>
