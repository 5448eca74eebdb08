<script setup lang="ts">
import { computed } from 'vue'
import type { Joint, LineLayout } from '@/api/types'

/** One joint as a crew sees it: the wires left and right of it, and which are joined how. */
const props = defineProps<{ joint: Joint; line: LineLayout }>()
const wires = computed(() => props.line.schedule.wires)
const W = 250
const H = computed(() => 26 + wires.value.length * 17)
const y = (number: number) => H.value - 10 - (number - 1) * 17
const hot = computed(() => props.joint.hot)
const earth = computed(() => props.joint.earth)
const inside = computed(() => props.joint.kind === 'JUMPER')
const x = { HOT: 118, EARTH: 140 }
/** A jumper ties wires of one pull together; everything else leads from the left side to the right. */
const passes = (n: number) => hot.value.includes(n) || earth.value.includes(n)
const gap = computed(() => (inside.value ? 0 : 30))
const vertical = (numbers: number[], at: number) =>
  numbers.length > 1 ? `M${at} ${y(numbers[0]!)}V${y(numbers.at(-1)!)}` : ''
</script>

<template>
  <svg
    :viewBox="`0 0 ${W} ${H}`"
    :width="W"
    :height="H"
    role="img"
    :aria-label="`${joint.name}: ${joint.says}`"
  >
    <rect v-if="!inside" :x="W / 2 - 4" y="6" width="8" :height="H - 10" class="post" />
    <g v-for="(w, i) in wires" :key="i">
      <path :d="`M8 ${y(i + 1)}H${W / 2 - gap}`" class="wire" :class="w.role" />
      <path :d="`M${W / 2 + gap} ${y(i + 1)}H${W - 24}`" class="wire" :class="w.role" />
      <path
        v-if="!inside && passes(i + 1)"
        :d="`M${W / 2 - gap} ${y(i + 1)}Q${W / 2} ${y(i + 1) - 11} ${W / 2 + gap} ${y(i + 1)}`"
        class="link"
        :class="[w.role, joint.kind]"
      />
      <text :x="W - 20" :y="y(i + 1) + 4">{{ i + 1 }}</text>
    </g>
    <template v-if="inside">
      <path :d="vertical(hot, x.HOT)" class="link HOT" />
      <path :d="vertical(earth, x.EARTH)" class="link EARTH" />
      <circle v-for="n in hot" :key="`h${n}`" :cx="x.HOT" :cy="y(n)" r="3.5" class="clamp HOT" />
      <circle v-for="n in earth" :key="`e${n}`" :cx="x.EARTH" :cy="y(n)" r="3.5" class="clamp EARTH" />
    </template>
    <template v-if="joint.kind === 'CUT_OUT'">
      <circle :cx="W / 2" cy="12" r="7" class="switch" />
    </template>
  </svg>
</template>

<style scoped>
text {
  font-size: 11px;
  fill: var(--quiet);
}
.wire,
.link {
  fill: none;
  stroke: var(--hot);
  stroke-width: 1.6;
}
.wire.EARTH,
.link.EARTH {
  stroke: var(--earth);
  stroke-dasharray: 7 4;
}
.wire.PLAIN {
  stroke: var(--plain);
  stroke-width: 0.8;
}
.link {
  stroke-width: 3;
}
.link.HANDLE {
  stroke-dasharray: 2 3;
}
.post {
  fill: var(--ground);
  stroke: var(--ground-edge);
}
.clamp {
  fill: var(--hot);
}
.clamp.EARTH {
  fill: var(--earth);
}
.switch {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
