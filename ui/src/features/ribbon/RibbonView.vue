<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, toRef, watch } from 'vue'
import type { FenceDiagnosis } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useParts } from '@/model/useParts'
import { lengthText, stationText, unitM } from '@/shared/units'
import { gatesNamed } from './gatesNamed'
import RibbonDetail from './RibbonDetail.vue'
import RibbonHead from './RibbonHead.vue'
import { useRibbonWindow } from './useRibbonWindow'
import { axisStations, bracePath, groundPath, postPath, ribbonScale, wirePath } from './ribbonGeometry'
import PredictedCurve from './PredictedCurve.vue'
import PulseLane from './PulseLane.vue'
import RibbonMarks from './RibbonMarks.vue'
import { useRoom } from '@/model/room'
import HeatLane from './HeatLane.vue'
import { useHeatLane } from './useHeatLane'
import { useLandLane } from './useLandLane'
import { usePulseLane } from './usePulseLane'
import { useReadingLane } from './useReadingLane'

const props = defineProps<{
  readings: boolean
  pulse?: boolean
  select?: boolean
  /** How probable a fault is along the lines. */
  heat?: FenceDiagnosis | null
}>()
const job = useJob()
const parts = useParts()
const host = ref<HTMLElement>()
const width = ref(1000)
const HEAD_PX = 36
/** Sections and stations below the ground. */
const BELOW_PX = 46
/** Symbols over the wires. */
const ABOVE_PX = 30
const LEAST_FENCE_PX = 40
/** Of the pane, with the lane of loads in it. */
const LOADS_PX = 294
const loads = ref(false)
const room = useRoom()
const laned = computed(() => props.readings || !!props.pulse)
const loaded = computed(() => loads.value && !laned.value && room.ribbonOpen)
const letterY = computed(() => (laned.value ? 84 : loaded.value ? 58 : 12))
/** What the pane leaves for the fence between letters and axis. */
const openPx = computed(() => room.ribbonPx - HEAD_PX)
const fencePx = computed(() => openPx.value - letterY.value - ABOVE_PX - BELOW_PX)
/** Only the figures: folded, or there is no room for more. */
const folded = computed(() => !room.ribbonOpen || fencePx.value < LEAST_FENCE_PX)
const height = computed(() =>
  folded.value ? Math.max(letterY.value + 52, room.ribbonOpen ? openPx.value : 0) : openPx.value,
)

/** Loads are asked for: the ribbon takes the room they need. */
watch(loads, (on) => {
  if (on) room.dragRibbon(Math.max(room.ribbonPx, LOADS_PX))
})

const line = computed(() => job.line)
const wires = computed(() => line.value?.schedule.wires ?? [])
const part = useRibbonWindow(
  computed(() => line.value?.lengthM ?? 1),
  toRef(job, 'cursorM'),
  computed(() => line.value?.lineId ?? ''),
)
const topM = computed(() => wires.value.at(-1)?.heightM ?? 1)
const baseY = computed(() => height.value - BELOW_PX)
const scale = computed(() =>
  line.value
    ? ribbonScale(line.value, topM.value, {
        width: width.value,
        left: 26,
        right: 26,
        baseY: baseY.value,
        wirePx: Math.max(10, fencePx.value * 0.66),
        groundPx: Math.max(6, fencePx.value * 0.34),
        fromM: part.fromM.value,
        toM: part.toM.value,
      })
    : null,
)
/** Words and boxes stand on whole pixels: crisp, and most of them stay where they are while a corner is dragged. */
const px = (stationM: number) => Math.round(scale.value!.x(stationM))
const drawn = computed(() => {
  const l = line.value
  const s = scale.value
  if (!l || !s || folded.value) return null
  return {
    ground: groundPath(l, s, baseY.value),
    wires: wires.value.map((w) => ({ role: w.role, d: wirePath(l, s, w) })),
    line: postPath(l, s, ['LINE', 'TIE_DOWN'], 2, topM.value, 3),
    light: postPath(l, s, ['LIGHT'], 0, topM.value, 3),
    strong: postPath(l, s, ['END', 'CORNER', 'GATE', 'TEE', 'INLINE'], 8, topM.value, 1),
    brace: postPath(l, s, ['BRACE'], 4, topM.value, 1),
    braces: bracePath(l, s, topM.value),
  }
})
const named = computed(() => gatesNamed(line.value?.gates ?? [], scale.value))
const inPart = (m: number) => m >= part.fromM.value - 0.01 && m <= part.toM.value + 0.01
/** Letters of the corners; a closed line ends where it began. */
const letters = computed(() => {
  const l = line.value
  if (!l) return []
  const all = l.posts.filter((p) => p.label !== '' && p.kind !== 'GATE')
  const last = l.closed && l.posts[0] ? [{ label: l.posts[0].label, stationM: l.lengthM }] : []
  return [...all, ...last].filter((p) => inPart(p.stationM))
})
const axis = computed(() =>
  line.value ? axisStations(part.fromM.value, part.toM.value, unitM(job.units), width.value) : [],
)
const sections = computed(() => {
  const standing = new Map((job.assessment?.sections ?? []).map((s) => [s.sectionId, s.standing]))
  return (job.design?.layout.sections ?? []).flatMap((section) =>
    section.stretches
      .filter((s) => s.lineId === line.value?.lineId && s.toM > part.fromM.value && s.fromM < part.toM.value)
      .map((s) => ({
        ...s,
        name: section.live ? section.name : `${section.name}, dead`,
        standing: props.readings ? standing.get(section.id) : undefined,
      })),
  )
})
const landLane = useLandLane(scale, () => props.readings)
const joints = computed(() =>
  (job.design?.layout.joints ?? []).filter((j) => j.lineId === line.value?.lineId),
)
const hot = useHeatLane(scale, part, () => props.heat ?? null)
const lane = useReadingLane(scale)
const curve = usePulseLane(scale)
const said = computed(() =>
  props.readings
    ? {
        text: hot.value
          ? 'kV read; red where a fault is probable, underlined 90 %'
          : lane.curve.value
            ? 'kV read, over those predicted'
            : 'kV read',
        needV: lane.need.value,
      }
    : props.pulse
      ? { text: 'kV predicted, low to high shaded', needV: curve.need.value }
      : null,
)
const cursor = computed(() => (job.cursorM === null || !scale.value ? null : scale.value.x(job.cursorM)))
/** What is pointed at in the takeoff: marks at single places, bars along stretches. */
const lit = computed(() => {
  const s = scale.value
  if (!s || !line.value) return null
  const here = parts.lit.filter((p) => p.lineId === line.value!.lineId)
  const marks = here.flatMap((p) => p.stationsM).filter(inPart)
  return {
    marks: marks.map((m) => `M${s.x(m)} ${baseY.value + 2}v-12`).join(''),
    bars: here.flatMap((p) => (p.along ? [{ x: s.x(p.along.fromM), to: s.x(p.along.toM) }] : [])),
  }
})
const chosen = computed(() => {
  const s = parts.stretch
  if (!props.select || !s || !scale.value || s.lineId !== line.value?.lineId) return null
  const x = Math.max(0, scale.value.x(s.fromM))
  return { x, width: Math.max(2, Math.min(width.value, scale.value.x(s.toM)) - x) }
})
const words = { MET: 'met', WARN: 'weak', BROKEN: 'broken', OPEN: 'no reading yet' }

let begunM: number | null = null
function begin(e: PointerEvent) {
  point(e)
  begunM = props.select ? job.cursorM : null
  if (props.select) parts.stretch = null
}
function end() {
  begunM = null
}

function point(e: PointerEvent) {
  if (e.pointerType !== 'mouse' && e.type === 'pointermove' && e.buttons === 0) return
  const box = host.value?.getBoundingClientRect()
  if (!box || !scale.value || !line.value) return
  const station = scale.value.station(e.clientX - box.left)
  const near = line.value.posts.reduce(
    (a, b) => (Math.abs(b.stationM - station) < Math.abs(a.stationM - station) ? b : a),
    line.value.posts[0]!,
  )
  const snapPx = Math.abs(scale.value.x(near.stationM) - scale.value.x(station))
  job.cursorM = snapPx < 5 ? near.stationM : station
  if (begunM !== null && e.buttons === 1) {
    const [fromM, toM] = [Math.min(begunM, job.cursorM), Math.max(begunM, job.cursorM)]
    if (toM - fromM > 0.5) parts.stretch = { lineId: line.value.lineId, fromM, toM }
  }
}

function wheel(e: WheelEvent) {
  const box = host.value?.getBoundingClientRect()
  if (!box || !scale.value) return
  const about = scale.value.station(e.clientX - box.left)
  if (e.shiftKey || Math.abs(e.deltaX) > Math.abs(e.deltaY))
    part.slide(((e.deltaX || e.deltaY) / Math.max(0.001, scale.value.perM)) * 0.8)
  else if (e.deltaY < 0) part.closer(about)
  else part.wider(about)
}
let observer: ResizeObserver | undefined
onMounted(() => {
  observer = new ResizeObserver((entries) => (width.value = Math.max(320, entries[0]!.contentRect.width)))
  if (host.value) observer.observe(host.value)
})
onUnmounted(() => observer?.disconnect())
</script>

<template>
  <section class="band no-print" aria-label="Ribbon: the line pulled straight">
    <RibbonHead
      v-model:loads="loads"
      :line="line"
      :part="part"
      :folded="folded"
      :ground-times="scale?.groundTimes ?? 0"
      :lane="said"
    />
    <div
      ref="host"
      class="strip"
      @pointermove="point"
      @pointerdown="begin"
      @pointerup="end"
      @wheel.prevent="wheel"
    >
      <svg
        v-if="line && scale"
        :width="width"
        :height="height"
        :viewBox="`0 0 ${width} ${height}`"
        role="img"
        :aria-label="`${line.name}, ${line.posts.length} posts`"
      >
        <g v-if="readings" class="lane">
          <rect x="0" :width="width" :y="16" height="52" class="lane-back" />
          <HeatLane v-if="hot" :hot="hot" />
          <PredictedCurve :drawn="lane.curve.value" />
          <line
            v-if="lane.need.value !== null"
            :x1="20"
            :x2="width - 20"
            :y1="lane.y(lane.need.value)"
            :y2="lane.y(lane.need.value)"
            class="need"
          />
        </g>
        <PulseLane v-if="pulse" :lane="curve" :width="width" />
        <template v-if="drawn">
          <path :d="drawn.ground" class="ground" />
          <g v-for="g in line.profileGaps" :key="`gap-${g.fromM}`" class="gap">
            <rect
              :x="scale.x(g.fromM)"
              :width="Math.max(3, scale.x(g.toM) - scale.x(g.fromM))"
              :y="baseY - 10"
              height="10"
            />
            <title>
              no height known from {{ lengthText(g.fromM, job.units) }} to {{ lengthText(g.toM, job.units) }}
            </title>
          </g>
          <g v-for="(l, i) in landLane" :key="`land-${i}`" class="land" :class="l.kind">
            <rect :x="l.x" :width="l.width" :y="baseY - 7" height="7" />
            <text v-if="l.label" :x="l.x + l.width / 2" :y="baseY - 10" text-anchor="middle">
              {{ l.label }}
            </text>
            <title>
              {{ l.title }}, {{ lengthText(l.fromM, job.units) }} to {{ lengthText(l.toM, job.units) }}
            </title>
          </g>
          <path v-for="(w, i) in drawn.wires" :key="i" :d="w.d" class="wire" :class="w.role" />
          <path :d="drawn.line" class="post line-post" />
          <path :d="drawn.light" class="post light-post" />
          <path :d="drawn.brace" class="post brace-post" />
          <path :d="drawn.braces" class="brace" />
          <path :d="drawn.strong" class="post strong-post" />
          <RibbonDetail
            v-bind="{ line, wires, scale, topM, units: job.units }"
            :loads="loaded && !job.rough"
            :joints="joints"
            :load-top="16"
          />
          <RibbonMarks v-bind="{ line, scale, topM, named, inPart }" />
        </template>
        <text :y="letterY" text-anchor="middle" class="letter">
          <tspan v-for="(l, i) in letters" :key="i" :x="px(l.stationM)">{{ l.label }}</tspan>
        </text>
        <g v-for="(s, i) in sections" :key="i" class="section" :class="s.standing">
          <rect
            :x="px(s.fromM) + 1"
            :y="baseY + 3"
            :width="Math.max(1, px(s.toM) - px(s.fromM) - 2)"
            height="18"
          />
          <text :x="Math.max(30, px(s.fromM) + 8)" :y="baseY + 16">
            {{ s.name }}
            <template v-if="s.standing">· {{ words[s.standing] }}</template>
          </text>
        </g>
        <g v-for="s in axis" :key="s" class="axis">
          <text :x="px(s)" :y="baseY + 38" text-anchor="middle">
            {{ stationText(s, job.units) }}
          </text>
        </g>
        <g v-if="readings">
          <g
            v-for="d in lane.dots.value"
            :key="d.id"
            class="dot"
            :class="d.standing"
            :transform="`translate(${d.x} ${d.y})`"
          >
            <circle v-if="d.standing !== 'BROKEN'" r="4.5" />
            <path v-else d="M-5 -5L5 5M5 -5L-5 5" />
            <text :x="d.shift" :y="-8" :text-anchor="d.anchor">{{ d.text }}</text>
          </g>
        </g>
        <rect v-if="chosen" :x="chosen.x" :width="chosen.width" y="0" :height="height - 14" class="chosen" />
        <g v-if="lit" class="lit" data-test="lit">
          <rect
            v-for="(b, i) in lit.bars"
            :key="i"
            :x="b.x"
            :width="Math.max(2, b.to - b.x)"
            :y="baseY - 2"
            height="4"
          />
          <path :d="lit.marks" />
        </g>
        <line v-if="cursor !== null" :x1="cursor" :x2="cursor" y1="0" :y2="height - 14" class="cursor" />
      </svg>
    </div>
  </section>
</template>

<style scoped src="./ribbon.css" />
