<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { UnitSystem } from '@/api/types'
import { areaText, tapedText } from '@/shared/units'
import { placeBeside } from './placeBeside'
import type { Live } from './planPointer'

/** What is said beside the pointer where there is room, and never beyond the edge of the plan. */
const props = defineProps<{ live: Live | null; host: HTMLElement | undefined; units: UnitSystem }>()
const text = computed(() => {
  const l = props.live
  if (!l) return ''
  const parts = []
  if (l.lengthM !== null) parts.push(tapedText(l.lengthM, props.units))
  if (l.bearingDeg !== null) parts.push(`${l.bearingDeg.toFixed(1)}° from north`)
  if (l.turnDeg !== null && Math.abs(l.turnDeg) > 0.05)
    parts.push(`turns ${Math.abs(l.turnDeg).toFixed(1)}° ${l.turnDeg > 0 ? 'right' : 'left'}`)
  if (l.areaM2 !== null) parts.push(areaText(l.areaM2, props.units))
  return parts.join(' · ')
})
const label = ref<HTMLElement>()
const place = ref({ x: 0, y: 0 })
watch(
  [() => props.live, text],
  () => {
    if (props.live && props.host) place.value = placeBeside(props.live, label.value, props.host)
  },
  { flush: 'post' },
)
</script>

<template>
  <div
    v-if="live && (text || live.snap)"
    ref="label"
    class="live"
    :style="{ transform: `translate(${place.x}px, ${place.y}px)` }"
    data-passing
    data-test="live"
  >
    {{ text }}<b v-if="live.snap" data-test="snap">{{ live.snap }}</b>
  </div>
</template>

<style scoped>
.live {
  position: absolute;
  left: 0;
  top: 0;
  pointer-events: none;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  padding: 2px 7px;
  font-size: 13px;
  white-space: nowrap;
  z-index: 2;
}
.live b {
  display: block;
  color: var(--accent);
}
</style>
