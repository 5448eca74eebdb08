<script setup lang="ts">
import { computed } from 'vue'
import { useJob } from '@/model/jobStore'
import { kvText, stationText } from '@/shared/units'

/** The ribbon turned upright: the crew walks down it. Test points stand at even steps, posts between them. */
defineProps<{ chosen: string }>()
const emit = defineEmits<{ choose: [id: string] }>()
const job = useJob()
const words = { MET: '✓', WARN: 'weak', BROKEN: 'broken', OPEN: '' }
const strip = computed(() => {
  const wires = job.line?.schedule.wires ?? []
  return wires.map((w, i) => ({ role: w.role, x: 16 + (96 * (i + 0.5)) / wires.length }))
})
const rows = computed(() =>
  job.testPoints.map((point, i) => {
    const before = job.testPoints[i - 1]
    const line = job.design?.layout.lines.find((l) => l.lineId === point.lineId)
    const from = before && before.lineId === point.lineId ? before.stationM : 0
    const between = (line?.posts ?? []).filter(
      (p) => p.stationM > from + 0.01 && p.stationM <= point.stationM + 0.01,
    )
    const strong = between.filter((p) => p.label !== '' && p.kind !== 'GATE')
    const gate = line?.gates.find((g) => point.id === `gate:${g.id}:b`)
    const stand = job.assessment?.points.find((p) => p.testPointId === point.id)
    const newLine = !before || before.lineId !== point.lineId
    const cutOut = point.id.startsWith('before:')
    return {
      point,
      posts: Math.min(between.length, 6),
      strong,
      gate,
      stand,
      newLine,
      name: line?.name ?? '',
      cutOut,
    }
  }),
)
const height = (row: { posts: number; strong: unknown[] }) => 46 + row.strong.length * 26 + row.posts * 6
</script>

<template>
  <ol class="upright">
    <li v-for="row in rows" :key="row.point.id" :class="{ here: chosen === row.point.id }">
      <h3 v-if="row.newLine">{{ row.name }}</h3>
      <button :style="{ minHeight: `${height(row)}px` }" @click="emit('choose', row.point.id)">
        <svg width="128" :height="height(row)" aria-hidden="true">
          <rect x="12" y="0" width="104" :height="height(row)" class="band" />
          <line
            v-for="(w, i) in strip"
            :key="i"
            :x1="w.x"
            :x2="w.x"
            y1="0"
            :y2="row.gate ? 8 : height(row)"
            class="wire"
            :class="w.role"
          />
          <line v-for="n in row.posts" :key="`p${n}`" x1="12" x2="116" :y1="n * 6" :y2="n * 6" class="post" />
          <g v-for="(s, i) in row.strong" :key="s.number">
            <rect x="4" :y="row.posts * 6 + 4 + i * 26" width="120" height="8" class="strong" />
            <text x="0" :y="row.posts * 6 + 28 + i * 26" class="letter">{{ s.label }}</text>
          </g>
          <path
            v-if="row.gate"
            :d="`M12 6H116M16 ${height(row) - 12}L84 10M12 ${height(row) - 8}H116`"
            class="gate"
          />
          <g v-if="row.cutOut" :transform="`translate(64 ${height(row) - 16})`">
            <circle r="9" class="ring-back" />
            <path d="M-8 -4.4A9 9 0 0 1 6.4 -6.4M8 4.4A9 9 0 0 1 -6.4 6.4" class="ring" />
          </g>
        </svg>
        <span class="text"
          ><span class="name">{{ row.point.name }}</span
          ><small v-if="chosen === row.point.id"
            >you are here · {{ stationText(row.point.stationM, job.units) }}</small
          ></span
        >
        <span class="standing number" :class="row.stand?.standing"
          >{{ row.stand?.peakV != null ? kvText(row.stand.peakV) : '' }}
          {{ words[row.stand?.standing ?? 'OPEN'] }}</span
        >
      </button>
    </li>
  </ol>
</template>

<style scoped>
.upright {
  list-style: none;
  margin: 0;
  padding: 0;
}
h3 {
  padding: 4px 14px;
  background: var(--ink);
  color: var(--on-ink);
}
button {
  display: grid;
  grid-template-columns: 128px 1fr auto;
  gap: 10px;
  align-items: end;
  width: 100%;
  padding: 0 14px 0 10px;
  text-align: left;
  color: var(--ink);
}
.here button {
  background: var(--accent-wash);
  box-shadow: inset 0 -3px 0 var(--accent);
}
.text {
  padding-bottom: 7px;
  font-size: 15px;
}
.text small {
  display: block;
}
.here .name {
  font-weight: 700;
}
.standing {
  font-size: 19px;
  padding-bottom: 5px;
}
svg {
  display: block;
}
.band {
  fill: var(--band);
}
.wire {
  stroke: var(--hot);
  stroke-width: 2;
}
.wire.EARTH {
  stroke: var(--earth);
  stroke-dasharray: 7 4;
}
.wire.PLAIN {
  stroke: var(--plain);
}
.post {
  stroke: var(--ink);
  stroke-width: 1;
}
.strong {
  fill: var(--ink);
}
.letter {
  font:
    600 15px 'Barlow Condensed',
    sans-serif;
  fill: var(--ink);
}
.gate {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.ring-back {
  fill: var(--paper);
}
.ring {
  fill: none;
  stroke: var(--accent);
  stroke-width: 3.5;
}
</style>
