<script setup lang="ts">
import 'ol/ol.css'
import { computed, onMounted, onUnmounted, ref, shallowRef, watch } from 'vue'
import type { Electrics, FenceDiagnosis, Position } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useParts } from '@/model/useParts'
import { useKeys } from '@/shared/keys'
import { useLook } from '@/shared/look'
import type { Band } from './dragView'
import { createCovers } from './covers'
import LegField from './LegField.vue'
import { createPlanMap } from './planMap'
import PulseLegend from './PulseLegend.vue'
import type { Live } from './planPointer'
import PointerLabel from './PointerLabel.vue'
import { hints, tools, useTool } from '@/model/tool'
import { usePlanKeys } from './usePlanKeys'

const props = defineProps<{
  editable: boolean
  preview?: Position[][]
  pulse?: Electrics | null
  /** How probable a fault is along the lines. */
  heat?: FenceDiagnosis | null
}>()
const job = useJob()
const parts = useParts()
const plan = useTool()
const { tool, drawFor, choose, fits, fit } = plan
/** Beside the pulse only what bears on it. */
const offered = computed(() =>
  props.pulse === undefined ? tools : tools.filter((t) => ['select', 'cutOut', 'energizer'].includes(t.id)),
)
const { look } = useLook()
const host = ref<HTMLElement>()
const hint = ref('')
const scale = ref({ px: 0, text: '' })
const covers = createCovers(() => host.value)
let map: ReturnType<typeof createPlanMap> | undefined

watch(
  [tool, drawFor],
  ([t, d]) => {
    hint.value = t === 'draw' && d.what === 'points' ? d.say : hints[t]
    if (t !== 'draw') map?.draft.drop()
  },
  { immediate: true },
)
const live = ref<Live | null>(null)
const band = shallowRef<Band | null>(null)
const bandPath = computed(() => band.value?.ends.map((e) => `M${e}L${band.value!.at}`).join('') ?? '')
const legField = ref<InstanceType<typeof LegField>>()
onMounted(() => {
  map = createPlanMap(
    host.value!,
    job,
    parts,
    plan,
    () => props.editable,
    (s) => (scale.value = s),
    () => props.pulse ?? null,
    covers,
    () => props.heat ?? null,
  )
  map.draw()
  map.fit()
  map.preview(props.preview ?? [])
  watch(map.live, (now) => (live.value = now))
  watch(map.band, (now) => (band.value = now))
})
onUnmounted(() => map?.dispose())
watch(
  () => [job.plan, job.land],
  () => map?.moved(),
)
watch(
  () => [job.design, job.selected, job.lineId, job.units, job.assessment],
  () => map?.redraw({ fence: true }),
)
watch(
  () => [job.cursorM, job.lineId],
  () => map?.drawCursor(true),
)
watch(
  () => [parts.lit, parts.stretch],
  () => map?.drawCursor(false),
)
watch(
  () => [props.pulse, props.heat, props.heat ? job.design : null],
  () => map?.redraw({ pulse: true }),
)
watch([hint, scale, tool, drawFor, () => props.editable, () => !props.pulse], covers.changed)
watch(look, () => map?.redraw())
watch(fits, () => map?.fit())
watch(
  () => props.preview,
  (paths) => map?.preview(paths ?? []),
)
watch(
  () => job.id + (job.design ? '1' : '0'),
  () => map?.fit(),
)
const keys = usePlanKeys(() => map)
useKeys((e) => {
  if (e.ctrlKey || e.metaKey || e.altKey) return false
  if (e.key.toLowerCase() === 'f') return (fit(), true)
  if (props.editable && tool.value === 'draw' && drawFor.value.what !== 'points' && /^[0-9]$/.test(e.key)) {
    legField.value?.begin(e.key)
    return true
  }
  return props.editable ? keys(e) : false
})
</script>

<template>
  <div class="plan-view">
    <div class="ground">
      <div
        ref="host"
        class="map"
        role="application"
        tabindex="0"
        aria-label="Plan. Keys: D draw, G gate, C cut-out, E energizer, brackets choose a corner, arrows move it."
      />
      <div v-if="editable" class="tools" role="toolbar" aria-label="Plan tools">
        <button
          v-for="t in offered"
          :key="t.id"
          :aria-pressed="tool === t.id"
          :data-test="`tool-${t.id}`"
          @click="choose(t.id)"
        >
          <span>{{ t.text }}</span><span class="key">{{ t.key }}</span>
        </button>
      </div>
      <p v-if="editable" class="hint">{{ hint }}</p>
      <svg v-if="band" class="pull" aria-hidden="true" data-passing data-test="pull">
        <path :d="bandPath" />
        <circle :cx="band.at[0]" :cy="band.at[1]" r="7" />
      </svg>
      <PointerLabel :live="live" :host="host" :units="job.units" />
      <div class="north" aria-hidden="true">
        <svg viewBox="0 0 20 44" width="20" height="44"><path d="M10 42V4M4 12l6-9 6 9" /></svg>N
      </div>
      <PulseLegend v-if="pulse" :electrics="pulse" />
      <p
        v-if="(job.plan?.site.lines.length ?? 0) === 0 && tool !== 'draw' && !preview?.length"
        class="nothing"
      >
        Nothing laid out yet. Drop a walked track here, or press <span class="key">D</span> and draw.
      </p>
      <!-- Over the plan, not beside it: what one points at stays where it is when the tool is taken up. -->
      <LegField
        v-if="editable && tool === 'draw' && drawFor.what !== 'points'"
        ref="legField"
        class="leg"
        @leg="map?.draft.leg($event)"
        @finish="map?.draft.finish()"
        @cancel="(map?.draft.drop(), choose('select'))"
      />
      <div v-if="scale.text" class="scale" :style="{ width: `${scale.px}px` }">
        <span>0</span><span>{{ scale.text }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.plan-view {
  position: absolute;
  inset: 0;
  display: flex;
  flex-direction: column;
}
.ground {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
}
.map {
  position: absolute;
  inset: 0;
}
.map:focus-visible {
  outline-offset: -3px;
}
.tools {
  position: absolute;
  left: 10px;
  top: 10px;
  width: 138px;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
}
.tools button {
  display: flex;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  padding: 5px 8px;
  border-bottom: 1px solid var(--rule);
  border-left: 4px solid transparent;
  color: var(--ink);
}
.tools button:last-child {
  border-bottom: 0;
}
.tools button[aria-pressed='true'] {
  background: var(--accent-wash);
  border-left-color: var(--accent);
}
.hint {
  position: absolute;
  left: 158px;
  max-width: calc(100% - 202px);
  top: 8px;
  margin: 0;
  background: color-mix(in srgb, var(--paper) 85%, transparent);
  color: var(--quiet);
  font-size: 13px;
  padding: 1px 6px;
  pointer-events: none;
}
.pull {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.pull path {
  stroke: var(--accent);
  stroke-width: 1.5;
  stroke-dasharray: 6 5;
}
.pull circle {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.leg {
  position: absolute;
  inset: auto 0 0 0;
}
.north {
  position: absolute;
  right: 14px;
  top: 12px;
  text-align: center;
  pointer-events: none;
  line-height: 1;
}
.north svg {
  display: block;
}
.north path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.scale {
  position: absolute;
  left: 16px;
  bottom: 14px;
  border-bottom: 2px solid var(--ink);
  display: flex;
  justify-content: space-between;
  font-size: 13px;
  pointer-events: none;
}
.leg ~ .scale {
  bottom: 58px;
}
.nothing {
  position: absolute;
  inset: 40% 0 auto 0;
  text-align: center;
  font-size: 17px;
  pointer-events: none;
}
@media (max-width: 760px) {
  .leg ~ .scale {
    display: none;
  }
  .hint {
    display: none;
  }
  .tools {
    width: auto;
  }
  .tools .key {
    display: none;
  }
}
</style>
