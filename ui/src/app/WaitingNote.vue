<script setup lang="ts">
import { onUnmounted, ref, watch } from 'vue'
import { longestWait, waitText } from '@/api/waiting'

/** Says that something heavy is being worked out, since when, and what comes before it. */
const text = ref('')
const tell = () => (text.value = longestWait.value ? waitText(longestWait.value) : '')
let timer: ReturnType<typeof setInterval> | undefined
watch(longestWait, (wait) => {
  clearInterval(timer)
  tell()
  if (wait) timer = setInterval(tell, 1000)
})
onUnmounted(() => clearInterval(timer))
</script>

<template>
  <p v-if="text" class="waiting no-print" role="status" data-test="waiting">
    <span class="mark" aria-hidden="true" />{{ text }}
  </p>
</template>

<style scoped>
.waiting {
  position: fixed;
  right: 12px;
  top: 58px;
  z-index: 900;
  /* It says something and is in nobody's way. */
  pointer-events: none;
  margin: 0;
  padding: 4px 10px;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
}
.mark {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 7px;
  background: var(--accent);
  animation: pulse 1.2s steps(2) infinite;
}
@keyframes pulse {
  50% {
    opacity: 0.2;
  }
}
@media (prefers-reduced-motion: reduce) {
  .mark {
    animation: none;
  }
}
</style>
