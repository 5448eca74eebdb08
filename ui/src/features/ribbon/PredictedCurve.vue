<script setup lang="ts">
import type { predicted } from './usePulseLane'

defineProps<{ drawn: ReturnType<typeof predicted> }>()
</script>

<template>
  <template v-if="drawn">
    <path :d="drawn.band" class="range" />
    <path :d="drawn.likely" class="likely" data-test="predicted" />
  </template>
</template>

<style scoped>
.range {
  fill: var(--accent);
  opacity: 0.16;
}
.likely {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
</style>
