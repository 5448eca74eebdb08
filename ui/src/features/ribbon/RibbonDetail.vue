<script setup lang="ts">
import { computed } from 'vue'
import type { Joint, LineLayout, Post, UnitSystem, Wire } from '@/api/types'
import { forceText } from '@/shared/units'
import type { RibbonScale } from './ribbonGeometry'

/** What the ribbon tells beyond posts and wires: jumpers, insulators where there is room, loads on posts. */
const props = defineProps<{
  line: LineLayout
  joints: Joint[]
  wires: Wire[]
  scale: RibbonScale
  topM: number
  loads: boolean
  loadTop: number
  units: UnitSystem
}>()
const LOAD_PX = 30
const INSULATORS_FROM_PX_A_M = 9

const shown = (m: number) => m >= props.scale.fromM && m <= props.scale.toM
/** The sets of jumpers of each kind in one path: a drag moves them all. */
const jumpers = computed(() => {
  const paths = { hot: '', earth: '' }
  for (const j of props.joints) {
    if (j.kind !== 'JUMPER' || !shown(j.stationM) || j.hot.length < 2) continue
    const x = props.scale.x(j.stationM) + 2
    const y = (n: number) => props.scale.wire(j.stationM, props.wires[n - 1]?.heightM ?? 0)
    const through = (at: number, numbers: number[]) => `M${at} ${y(numbers[0]!)}V${y(numbers.at(-1)!)}`
    paths.hot += through(x, j.hot)
    if (j.earth.length > 1) paths.earth += through(x + 3, j.earth)
  }
  return paths
})
const posts = computed(() => props.line.posts.filter((p) => shown(p.stationM)))
const insulators = computed(() => {
  if (props.scale.perM < INSULATORS_FROM_PX_A_M) return { line: '', corner: '', strain: '' }
  const paths = { line: '', corner: '', strain: '' }
  for (const p of posts.value) {
    const x = props.scale.x(p.stationM)
    for (const w of props.wires) {
      if (w.role !== 'HOT') continue
      const y = props.scale.wire(p.stationM, w.heightM)
      if (p.ends) paths.strain += `M${x - 7} ${y - 2.5}h4v5h-4zM${x + 3} ${y - 2.5}h4v5h-4z`
      else if (Math.abs(p.deflectionDeg) >= 10) paths.corner += `M${x - 4} ${y + 3}l4 -7l4 7z`
      else paths.line += `M${x - 3} ${y}a3 3 0 1 0 6 0a3 3 0 1 0 -6 0`
    }
  }
  return paths
})
const most = computed(() =>
  Math.max(1, ...props.line.posts.map((p) => Math.max(Math.abs(p.load.upliftN), p.load.sideN))),
)
const bar = (p: Post, force: number, shift: number) => {
  const x = props.scale.x(p.stationM) + shift
  const zero = props.loadTop + LOAD_PX
  return `M${x} ${zero}V${zero - (force / most.value) * LOAD_PX}`
}
const bars = computed(() => {
  if (!props.loads) return null
  let up = ''
  let side = ''
  let weak = ''
  for (const p of posts.value) {
    if (Math.abs(p.load.upliftN) > 1) up += bar(p, p.load.upliftN, -1)
    if (p.load.sideN > 1) side += bar(p, p.load.sideN, 1.5)
    if (p.load.holdWorst === 'MOVES' || p.kind === 'TIE_DOWN')
      weak += `M${props.scale.x(p.stationM) - 4} ${props.loadTop - 2}l4 -6l4 6z`
  }
  return { up, side, weak }
})
</script>

<template>
  <g>
    <path :d="jumpers.hot" class="jumper" />
    <path :d="jumpers.earth" class="jumper EARTH" />
    <path :d="insulators.line" class="insulator" />
    <path :d="insulators.corner" class="insulator corner" />
    <path :d="insulators.strain" class="insulator strain" />
    <g v-if="bars" data-test="loads-lane">
      <path :d="`M${scale.x(scale.fromM)} ${loadTop + LOAD_PX}H${scale.x(scale.toM)}`" class="zero" />
      <path :d="bars.up" class="up" />
      <path :d="bars.side" class="side" />
      <path :d="bars.weak" class="weak" />
      <text x="4" :y="loadTop + 9">lift and push, up to {{ forceText(most, units) }}</text>
    </g>
  </g>
</template>

<style scoped>
text {
  font-size: 11px;
  fill: var(--quiet);
}
.jumper {
  stroke: var(--hot);
  stroke-width: 2.6;
  fill: none;
}
.jumper.EARTH {
  stroke: var(--earth);
}
.insulator {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1;
}
.zero {
  stroke: var(--rule);
}
.up {
  stroke: var(--ink);
  stroke-width: 2;
}
.side {
  stroke: var(--earth);
  stroke-width: 2;
  stroke-dasharray: 3 2;
}
.weak {
  fill: var(--broken);
}
</style>
