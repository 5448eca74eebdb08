<script setup lang="ts">
interface Box {
  x: number
  width: number
}

defineProps<{ hot: { parts: (Box & { heat: number })[]; region: Box[] } }>()
</script>

<template>
  <g data-test="ribbon-heat">
    <rect
      v-for="(h, i) in hot.parts"
      :key="`h${i}`"
      :x="h.x"
      :width="h.width"
      y="17"
      height="50"
      class="heat"
      :fill-opacity="0.75 * h.heat"
    />
    <rect
      v-for="(r, i) in hot.region"
      :key="`r${i}`"
      :x="r.x"
      :width="r.width"
      y="66"
      height="3"
      class="region"
    />
  </g>
</template>

<style scoped>
.heat {
  fill: var(--broken);
}
.region {
  fill: var(--ink);
}
</style>
