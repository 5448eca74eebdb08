<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import type { Position } from '@/api/types'
import SheetStage from '@/components/SheetStage.vue'
import { sheets, useSheets } from '@/model/useSheets'

const { sheet } = useSheets()
const parts = {
  bring: defineAsyncComponent(() => import('./BringIn.vue')),
  lines: defineAsyncComponent(() => import('./LinesSheet.vue')),
  land: defineAsyncComponent(() => import('./LandSheet.vue')),
  ground: defineAsyncComponent(() => import('./GroundSheet.vue')),
  tape: defineAsyncComponent(() => import('./TapeSheet.vue')),
  square: defineAsyncComponent(() => import('./SquareSheet.vue')),
  setout: defineAsyncComponent(() => import('./SetOutSheet.vue')),
  dayone: defineAsyncComponent(() => import('./DayOneSheet.vue')),
  history: defineAsyncComponent(() => import('./RevisionsSheet.vue')),
}
const current = computed(() => parts[sheet.value])
/** What is only looked at is not drawn over. */
const editable = computed(
  () => preview.value.length === 0 || !['bring', 'dayone', 'history'].includes(sheet.value),
)
const preview = shallowRef<Position[][]>([])
const dropped = shallowRef<File | null>(null)
const over = ref(false)
watch(sheet, () => (preview.value = []))

/** A file dropped anywhere on the survey is brought in. */
function drop(e: DragEvent) {
  over.value = false
  const file = e.dataTransfer?.files[0]
  if (!file) return
  sheet.value = 'bring'
  dropped.value = file
}
</script>

<template>
  <SheetStage
    v-model="sheet"
    :sheets="sheets"
    label="Sheets of the survey"
    :alone="sheet === 'setout'"
    :class="{ over }"
    @dragover="over = true"
    @dragleave.self="over = false"
    @drop.prevent="drop"
  >
    <component :is="current" v-model:preview="preview" v-model:dropped="dropped" />
    <template #plan><PlanView :editable="editable" :preview="preview" /></template>
  </SheetStage>
</template>
