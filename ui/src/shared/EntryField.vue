<script setup lang="ts">
import { ref, watch } from 'vue'

/** A field that keeps what is being typed while answers arrive and the sheet around it is drawn anew. */
const props = defineProps<{ value: string | number }>()
const text = ref(String(props.value))
const field = ref<HTMLInputElement>()
watch(
  () => props.value,
  (value) => {
    if (document.activeElement !== field.value) text.value = String(value)
  },
)
</script>

<template>
  <input ref="field" v-model="text" />
</template>
