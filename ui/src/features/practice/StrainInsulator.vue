<script setup lang="ts">
/** A strain insulator with the loops of both wires: crossing inside it, or not. */
defineProps<{ apart: boolean }>()
</script>

<template>
  <svg viewBox="0 0 120 54" width="120" height="54" aria-hidden="true">
    <rect x="38" y="12" width="44" height="30" rx="12" class="body" />
    <template v-if="apart">
      <path d="M2 27 L40 27 M40 27 C40 16 54 16 54 27 C54 38 40 38 40 27" class="wire" />
      <path d="M118 27 L80 27 M80 27 C80 16 66 16 66 27 C66 38 80 38 80 27" class="wire back" />
    </template>
    <template v-else>
      <path d="M2 27 L30 27 C38 8 72 8 72 27 C72 46 38 46 30 27" class="wire" />
      <path d="M118 27 L90 27 C82 8 48 8 48 27 C48 46 82 46 90 27" class="wire back" />
    </template>
  </svg>
</template>

<style scoped>
.body {
  fill: var(--band);
  stroke: var(--quiet);
}
.wire {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.back {
  stroke: var(--accent);
}
</style>
