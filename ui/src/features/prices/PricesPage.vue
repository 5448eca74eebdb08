<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import SheetPage from '@/components/SheetPage.vue'
import PriceBookSheet from './PriceBookSheet.vue'

const sheets = [
  { id: 'book', text: 'Price book' },
  { id: 'list', text: 'Import a list' },
  { id: 'firm', text: 'Firm and rates' },
]
const parts: Record<string, unknown> = {
  book: PriceBookSheet,
  list: defineAsyncComponent(() => import('./ListSheet.vue')),
  firm: defineAsyncComponent(() => import('./FirmSheet.vue')),
}
</script>

<template>
  <SheetPage v-slot="{ sheet, done }" title="Prices" name="prices" :sheets="sheets">
    <component :is="parts[sheet]" @done="done" />
  </SheetPage>
</template>
