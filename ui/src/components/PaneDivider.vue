<script setup lang="ts">
/** Parts two panes: dragged, moved by arrow keys, set back by a double click. */
const props = defineProps<{
  /** Whether it lies across, below the one pane and above the other. */
  across?: boolean
  label: string
  /** Size of the pane it belongs to. */
  px: number
  /** Whether that pane lies after the divider, so that it grows the other way. */
  after?: boolean
}>()
const emit = defineEmits<{ drag: [px: number]; reset: [] }>()
const STEP_PX = 24
let from: { at: number; px: number } | null = null
const at = (e: PointerEvent) => (props.across ? e.clientY : e.clientX)
const sign = () => (props.after ? -1 : 1)

function begin(e: PointerEvent) {
  if (e.button !== 0) return
  from = { at: at(e), px: props.px }
  ;(e.target as HTMLElement).setPointerCapture(e.pointerId)
  e.preventDefault()
}
function move(e: PointerEvent) {
  if (from) emit('drag', from.px + sign() * (at(e) - from.at))
}
const end = () => (from = null)

function key(e: KeyboardEvent) {
  const grow = props.across ? ['ArrowDown', 'ArrowUp'] : ['ArrowRight', 'ArrowLeft']
  const step = grow.indexOf(e.key)
  if (step >= 0) emit('drag', props.px + sign() * (step === 0 ? STEP_PX : -STEP_PX))
  else if (e.key === 'Home') emit('reset')
  else return
  e.preventDefault()
  e.stopPropagation()
}
</script>

<template>
  <div
    class="divider no-print"
    :class="{ across }"
    role="separator"
    tabindex="0"
    :aria-orientation="across ? 'horizontal' : 'vertical'"
    :aria-label="label"
    :aria-valuenow="Math.round(px)"
    aria-valuemin="0"
    aria-valuemax="2000"
    :title="`${label}: drag, or double-click to reset`"
    @pointerdown="begin"
    @pointermove="move"
    @pointerup="end"
    @pointercancel="end"
    @dblclick="emit('reset')"
    @keydown="key"
  />
</template>

<style scoped>
.divider {
  width: 7px;
  cursor: col-resize;
  touch-action: none;
  background: var(--band);
  border: 0 solid var(--rule);
  border-width: 0 1px;
  z-index: 3;
}
.divider.across {
  width: auto;
  height: 7px;
  cursor: row-resize;
  border-width: 1px 0;
}
.divider:hover,
.divider:focus-visible,
.divider:active {
  background: var(--accent);
  outline: none;
}
@media (max-width: 760px) {
  .divider {
    display: none;
  }
}
</style>
