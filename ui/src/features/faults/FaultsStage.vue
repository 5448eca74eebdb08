<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import SheetStage from '@/components/SheetStage.vue'
import { useLive } from '@/model/live'
import { faultSheets, useFaultSheets } from '@/model/useFaultSheets'
import WhereSheet from './WhereSheet.vue'

const { sheet } = useFaultSheets()
useLive()
const parts = {
  where: WhereSheet,
  log: defineAsyncComponent(() => import('./LogSheet.vue')),
  falling: defineAsyncComponent(() => import('./TrendSheet.vue')),
}
const current = computed(() => parts[sheet.value])
</script>

<template>
  <SheetStage v-model="sheet" :sheets="faultSheets" label="Sheets of the faults" alone>
    <component :is="current" />
  </SheetStage>
</template>
