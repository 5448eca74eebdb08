<script setup lang="ts">
import { computed } from 'vue'
import type { PracticeGround } from '@/api/types'

/** The fence of a case, drawn to be pointed at. */
const props = defineProps<{
  ground: PracticeGround
  /** Where one stands or points. */
  at: { lineId: string; stationM: number } | null
  open: string[]
  readings: { lineId: string; stationM: number; text: string }[]
  truth: { lineId: string | null; fromM: number; toM: number }[]
  looked: { lineId: string; fromM: number; toM: number }[]
}>()
const emit = defineEmits<{ point: [lineId: string, stationM: number] }>()

/** On a phone the words would be too small. */
const WIDTH = window.matchMedia('(max-width: 760px)').matches ? 380 : 640
const MARGIN = 34
const all = computed(() => [...props.ground.lines.flatMap((l) => l.path), props.ground.energizer])
const box = computed(() => {
  const east = all.value.map((p) => p.eastM)
  const north = all.value.map((p) => p.northM)
  const [west, south] = [Math.min(...east), Math.min(...north)]
  const [wide, high] = [Math.max(...east) - west, Math.max(...north) - south]
  const scale = (WIDTH - 2 * MARGIN) / Math.max(wide, 1.2 * high, 1)
  return { west, top: south + high, scale, height: Math.max(150, high * scale + 2 * MARGIN) }
})
const px = (p: { eastM: number; northM: number }) => ({
  x: MARGIN + (p.eastM - box.value.west) * box.value.scale,
  y: MARGIN + (box.value.top - p.northM) * box.value.scale,
})
function along(lineId: string, stationM: number) {
  const line = props.ground.lines.find((l) => l.lineId === lineId)!
  const stations = line.cornerStationsM
  let i = 1
  while (i < stations.length - 1 && stations[i]! < stationM) i++
  const [a, b] = [line.path[i - 1]!, line.path[i]!]
  const t = (stationM - stations[i - 1]!) / (stations[i]! - stations[i - 1]!)
  return px({ eastM: a.eastM + t * (b.eastM - a.eastM), northM: a.northM + t * (b.northM - a.northM) })
}
const path = (l: PracticeGround['lines'][number]) =>
  l.path.map((p) => `${px(p).x.toFixed(1)},${px(p).y.toFixed(1)}`).join(' ')
function piece(lineId: string, fromM: number, toM: number) {
  const line = props.ground.lines.find((l) => l.lineId === lineId)!
  const [low, high] = [Math.max(0, Math.min(fromM, toM)), Math.min(line.lengthM, Math.max(fromM, toM))]
  const stations = [low, ...line.cornerStationsM.filter((s) => s > low && s < high), high]
  return stations.map((s) => `${along(lineId, s).x.toFixed(1)},${along(lineId, s).y.toFixed(1)}`).join(' ')
}

/** The nearest place of the nearest line. */
function pointed(e: MouseEvent) {
  const svg = e.currentTarget as SVGSVGElement
  const rect = svg.getBoundingClientRect()
  const x = ((e.clientX - rect.left) / rect.width) * WIDTH
  const y = ((e.clientY - rect.top) / rect.height) * box.value.height
  let best = { lineId: '', stationM: 0, off: Infinity }
  for (const line of props.ground.lines)
    for (let m = 0; m <= line.lengthM; m += Math.max(1, line.lengthM / 400)) {
      const p = along(line.lineId, m)
      const off = Math.hypot(p.x - x, p.y - y)
      if (off < best.off) best = { lineId: line.lineId, stationM: Math.round(m), off }
    }
  if (best.lineId) emit('point', best.lineId, best.stationM)
}
</script>

<template>
  <svg
    class="map"
    :viewBox="`0 0 ${WIDTH} ${box.height.toFixed(0)}`"
    role="img"
    aria-label="The fence: point at a place of it"
    data-test="practice-map"
    @click="pointed"
  >
    <polyline v-for="l in ground.lines" :key="l.lineId" :points="path(l)" class="wire" />
    <polyline
      v-for="(k, i) in looked"
      :key="`k${i}`"
      :points="piece(k.lineId, k.fromM, k.toM)"
      class="looked"
    />
    <template v-for="l in ground.lines" :key="`t${l.lineId}`">
      <g v-for="g in l.gates" :key="g.id">
        <polyline :points="piece(l.lineId, g.fromM, g.toM)" class="gate" />
        <text :x="along(l.lineId, g.fromM).x" :y="along(l.lineId, g.fromM).y + 20" class="note">gate</text>
      </g>
      <g v-for="c in l.cutOuts" :key="c.id" :class="{ isOpen: open.includes(c.id) }">
        <rect
          :x="along(l.lineId, c.stationM).x - 6"
          :y="along(l.lineId, c.stationM).y - 6"
          width="12"
          height="12"
          class="cut"
        />
        <text :x="along(l.lineId, c.stationM).x + 9" :y="along(l.lineId, c.stationM).y + 15" class="note">
          {{ c.name }}{{ open.includes(c.id) ? ' open' : '' }}
        </text>
      </g>
      <text
        :x="along(l.lineId, l.lengthM * 0.62).x"
        :y="along(l.lineId, l.lengthM * 0.62).y - 9"
        class="name"
      >
        {{ l.lineId }}
      </text>
    </template>
    <g v-for="k in ground.known" :key="k.testPointId">
      <circle :cx="along(k.lineId, k.stationM).x" :cy="along(k.lineId, k.stationM).y" r="4" class="point" />
    </g>
    <g v-for="(r, i) in readings" :key="`r${i}`">
      <text :x="along(r.lineId, r.stationM).x - 8" :y="along(r.lineId, r.stationM).y - 9" class="read">
        {{ r.text }}
      </text>
    </g>
    <g>
      <circle :cx="px(ground.energizer).x" :cy="px(ground.energizer).y" r="10" class="energizer" />
      <text :x="px(ground.energizer).x - 12" :y="px(ground.energizer).y + 26" class="note">energizer</text>
    </g>
    <template v-for="(t, i) in truth" :key="`w${i}`">
      <polyline v-if="t.lineId && t.toM > t.fromM" :points="piece(t.lineId, t.fromM, t.toM)" class="truth" />
      <circle
        v-if="t.lineId"
        :cx="along(t.lineId, (t.fromM + t.toM) / 2).x"
        :cy="along(t.lineId, (t.fromM + t.toM) / 2).y"
        r="11"
        class="true"
      />
    </template>
    <circle
      v-if="at"
      :cx="along(at.lineId, at.stationM).x"
      :cy="along(at.lineId, at.stationM).y"
      r="8"
      class="here"
    />
  </svg>
</template>

<style scoped>
.map {
  display: block;
  width: 100%;
  max-width: 760px;
  max-height: 66vh;
  border: 1px solid var(--rule);
  background: var(--paper);
  cursor: crosshair;
  touch-action: manipulation;
}
.wire {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.looked {
  fill: none;
  stroke: var(--quiet);
  stroke-width: 7;
  stroke-opacity: 0.35;
}
.gate {
  fill: none;
  stroke: var(--paper);
  stroke-width: 5;
}
.cut {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
.isOpen .cut {
  fill: var(--warn);
}
.point {
  fill: var(--ink);
}
.energizer {
  fill: var(--paper);
  stroke: var(--accent);
  stroke-width: 3;
}
.note {
  font-size: 12px;
  fill: var(--quiet);
}
.name {
  font-size: 13px;
  fill: var(--ink);
  font-style: italic;
}
.read {
  font-size: 14px;
  font-weight: 700;
  fill: var(--accent);
}
.here {
  fill: none;
  stroke: var(--accent);
  stroke-width: 3;
}
.true,
.truth {
  fill: none;
  stroke: var(--broken);
  stroke-width: 3;
}
.truth {
  stroke-width: 9;
  stroke-opacity: 0.45;
}
</style>
