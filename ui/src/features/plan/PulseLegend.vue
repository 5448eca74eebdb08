<script setup lang="ts">
import { computed } from 'vue'
import type { Electrics } from '@/api/types'
import { bandOf, bandWords, type Band } from '@/model/electricsWords'
import { strokes } from './pulseFeatures'

/** What the lines' colours and strokes mean: the bands that this fence shows, in words. */
const props = defineProps<{ electrics: Electrics }>()
const shown = computed(() => {
  const here = new Set<Band>(props.electrics.points.map((p) => bandOf(p, props.electrics.bands)))
  return bandWords(props.electrics.bands).filter((b) => here.has(b.band))
})
</script>

<template>
  <ul v-if="shown.length" class="legend" data-test="pulse-legend" aria-label="Strokes of the plan">
    <li v-for="b in shown" :key="b.band">
      <svg width="34" height="10" aria-hidden="true">
        <line
          x1="0"
          x2="34"
          y1="5"
          y2="5"
          :stroke="`var(${strokes[b.band].color})`"
          :stroke-width="strokes[b.band].width"
          :stroke-dasharray="strokes[b.band].dash?.join(' ')"
        />
      </svg>
      {{ b.text }}
    </li>
  </ul>
</template>

<style scoped>
.legend {
  position: absolute;
  right: 10px;
  bottom: 10px;
  margin: 0;
  padding: 4px 8px;
  list-style: none;
  font-size: 12.5px;
  background: var(--paper);
  border: 1px solid var(--rule);
  pointer-events: none;
}
.legend li {
  display: flex;
  align-items: center;
  gap: 8px;
}
</style>
