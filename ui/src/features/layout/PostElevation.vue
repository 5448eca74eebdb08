<script setup lang="ts">
import { computed } from 'vue'
import type { Brace, Post, UnitSystem, Wire } from '@/api/types'
import { tapedText } from '@/shared/units'
import { useWords } from '@/model/useWords'

/** One post as the crew sets it: heights of the wires, what is above ground and below. */
const props = defineProps<{ post: Post; wires: Wire[]; braces: Brace[]; units: UnitSystem }>()
const H = 280
const above = computed(() => props.post.lengthM - props.post.depthM)
/** What is in the ground is drawn shorter than what stands. */
const GROUND_PX = 64
const perM = computed(() => (H - 24 - GROUND_PX) / Math.max(0.3, above.value))
const y = (heightM: number) =>
  heightM >= 0
    ? 12 + (above.value - heightM) * perM.value
    : H - 12 - GROUND_PX - (heightM / props.post.depthM) * (GROUND_PX - 10)
/** Labels of wires that hang close keep apart. */
const LABEL_PX = 13
const labels = computed(() => {
  let last = Infinity
  return props.wires.map((w) => (last = Math.min(y(w.heightM) + 4, last - LABEL_PX)))
})
const wide = computed(() =>
  ['LINE', 'TIE_DOWN'].includes(props.post.kind) ? 12 : props.post.kind === 'LIGHT' ? 4 : 20,
)
const { say } = useWords()
const words = computed(() => ({ HOT: 'hot', EARTH: say('earth'), PLAIN: 'plain' }))
const fitting = (w: Wire) =>
  w.role !== 'HOT'
    ? 'staple or clip'
    : props.post.ends
      ? 'strain insulator'
      : Math.abs(props.post.deflectionDeg) >= 10
        ? 'corner insulator'
        : 'line insulator'
</script>

<template>
  <svg :viewBox="`0 0 310 ${H}`" width="310" :height="H" role="img" aria-label="Elevation of the post">
    <rect x="0" :y="y(0)" width="310" :height="H - y(0)" class="earth-band" />
    <path :d="`M0 ${y(0)}H310`" class="ground" />
    <rect :x="60 - wide / 2" :y="12" :width="wide" :height="y(-post.depthM) - 12" class="post" />
    <path
      v-if="post.kind === 'TIE_DOWN'"
      :d="`M66 ${y(0)}L84 ${H - 14}M78 ${H - 18}L90 ${H - 10}`"
      class="tie"
    />
    <template v-for="(b, i) in braces" :key="i">
      <template v-if="b.railM > 0">
        <path
          :d="`M60 ${y(above * 0.8)}H${b.braceStationM > b.strongStationM ? 106 : 14}M60 ${y(0)}L${b.braceStationM > b.strongStationM ? 106 : 14} ${y(above * 0.8)}`"
          class="brace"
        />
      </template>
    </template>
    <g v-for="(w, i) in wires" :key="i">
      <path :d="`M${post.ends ? 60 : 8} ${y(w.heightM)}H106`" class="wire" :class="w.role" />
      <path :d="`M106 ${y(w.heightM)}L121 ${labels[i]! - 4}`" class="lead" />
      <text x="124" :y="labels[i]">
        {{ tapedText(w.heightM, units) }} {{ words[w.role] }}, {{ fitting(w) }}
      </text>
    </g>
    <text x="118" :y="y(-post.depthM / 2) + 4">{{ tapedText(post.depthM, units) }} deep</text>
  </svg>
</template>

<style scoped>
text {
  font-size: 11.5px;
  fill: var(--ink);
}
.earth-band {
  fill: var(--ground);
}
.ground {
  stroke: var(--ground-edge);
  stroke-width: 1.5;
}
.post {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.tie,
.brace {
  stroke: var(--ink);
  fill: none;
}
.lead {
  stroke: var(--rule);
}
.wire {
  stroke: var(--hot);
  stroke-width: 1.8;
}
.wire.EARTH {
  stroke: var(--earth);
  stroke-dasharray: 7 4;
}
.wire.PLAIN {
  stroke: var(--plain);
  stroke-width: 1;
}
</style>
