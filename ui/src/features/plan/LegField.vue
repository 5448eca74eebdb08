<script setup lang="ts">
import { ref } from 'vue'
import { useJob } from '@/model/jobStore'
import { parseLeg, type AngleKind, type Leg } from './leg'
import { useTool } from '@/model/tool'

const emit = defineEmits<{ leg: [leg: Leg]; finish: []; cancel: [] }>()
const job = useJob()
const { curved } = useTool()
const typed = ref('')
const wrong = ref(false)
const angleKind = ref<AngleKind>('bearing')
const field = ref<HTMLInputElement>()

/** Adds the typed side, or ends the line when nothing is typed. */
function add() {
  wrong.value = false
  if (typed.value.trim() === '') return emit('finish')
  const leg = parseLeg(typed.value, job.units, angleKind.value)
  wrong.value = leg === null
  if (!leg) return
  emit('leg', leg)
  typed.value = ''
}

/** Typing begins wherever the keyboard was. */
function begin(text: string) {
  typed.value = text
  field.value?.focus()
}

function cancel() {
  field.value?.blur()
  emit('cancel')
}
defineExpose({ begin })
</script>

<template>
  <form class="next" @submit.prevent="add">
    <label
      >next side
      <input
        ref="field"
        v-model="typed"
        :placeholder="job.units === 'METRIC' ? '25.76 m @ 92°' : '84 ft 6 in @ 92°'"
        :aria-invalid="wrong"
        data-test="leg"
        @keydown.escape.prevent="cancel"
    /></label>
    <select v-model="angleKind" aria-label="What the angle is" data-test="leg-kind">
      <option value="bearing">from north</option>
      <option value="turn">turn off the last side</option>
      <option value="corner">angle inside the corner</option>
    </select>
    <label><input v-model="curved" type="checkbox" data-test="curved" /> curve through the points</label>
    <span v-if="wrong" role="alert"
      >Write a length, then @ and degrees: 84 ft 6 in @ 92°, 25 m @ 30 left.</span
    >
  </form>
</template>

<style scoped>
.next {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  padding: 6px 10px;
}
.next input:not([type]) {
  width: 170px;
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
.next select {
  border: 1px solid var(--rule-strong);
  padding: 3px 5px;
  background: var(--paper);
  color: var(--ink);
}
.next [role='alert'] {
  color: var(--broken);
}
</style>
