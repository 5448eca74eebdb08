<script setup lang="ts">
import PredictedCurve from './PredictedCurve.vue'
import type { usePulseLane } from './usePulseLane'

defineProps<{ lane: ReturnType<typeof usePulseLane>; width: number }>()
</script>

<template>
  <g class="lane" data-test="pulse-lane">
    <rect x="0" :width="width" y="14" height="54" class="lane-back" />
    <PredictedCurve :drawn="lane.drawn.value" />
    <line
      v-if="lane.need.value !== null"
      :x1="20"
      :x2="width - 20"
      :y1="lane.y(lane.need.value)"
      :y2="lane.y(lane.need.value)"
      class="need"
    />
    <text
      v-for="(l, i) in lane.labels.value"
      :key="i"
      :x="l.x"
      :y="l.y"
      text-anchor="middle"
      class="kv"
      :class="l.met"
    >
      {{ l.text }}
    </text>
  </g>
</template>

<style scoped>
.lane-back {
  fill: var(--paper);
}
.need {
  stroke: var(--ink);
  stroke-dasharray: 5 4;
}
.kv {
  font:
    600 11px 'Atkinson Hyperlegible',
    sans-serif;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 3px;
}
.kv.BROKEN {
  fill: var(--broken);
}
</style>
