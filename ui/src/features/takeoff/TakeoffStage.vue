<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import SheetStage from '@/components/SheetStage.vue'
import { takeoffSheets, useTakeoffSheets } from '@/model/useTakeoffSheets'
import CountSheet from './CountSheet.vue'

const { sheet } = useTakeoffSheets()
const parts = {
  counts: CountSheet,
  reach: defineAsyncComponent(() => import('./ReachSheet.vue')),
  price: defineAsyncComponent(() => import('./PriceSheet.vue')),
  variants: defineAsyncComponent(() => import('./VariantSheet.vue')),
  cuts: defineAsyncComponent(() => import('./CutsSheet.vue')),
  load: defineAsyncComponent(() => import('./LoadSheet.vue')),
  quote: defineAsyncComponent(() => import('./QuoteSheet.vue')),
}
const current = computed(() => parts[sheet.value])
</script>

<template>
  <SheetStage v-model="sheet" :sheets="takeoffSheets" label="Sheets of the takeoff" alone>
    <component :is="current" />
  </SheetStage>
</template>
