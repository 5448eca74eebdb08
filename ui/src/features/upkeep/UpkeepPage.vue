<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import SheetPage from '@/components/SheetPage.vue'
import DueSheet from './DueSheet.vue'

const sheets = [
  { id: 'due', text: 'What is due' },
  { id: 'fails', text: 'What fails' },
]
const parts: Record<string, unknown> = {
  due: DueSheet,
  fails: defineAsyncComponent(() => import('./FailuresSheet.vue')),
}
</script>

<template>
  <SheetPage title="Upkeep" name="upkeep" :sheets="sheets">
    <template #default="{ sheet }">
      <component :is="parts[sheet]" />
    </template>
  </SheetPage>
</template>
