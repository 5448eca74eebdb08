<script setup lang="ts">
import { computed, defineAsyncComponent, onUnmounted } from 'vue'
import { useJob } from '@/model/jobStore'
import SheetStage from '@/components/SheetStage.vue'
import ConditionBar from './ConditionBar.vue'
import EnergizerSheet from './EnergizerSheet.vue'
import { useElectrics } from '@/model/useElectrics'
import { electricsSheets, useElectricsSheets } from '@/model/useElectricsSheets'

const job = useJob()
const { sheet } = useElectricsSheets()
const { electrics, follow } = useElectrics()
const parts = {
  energizer: EnergizerSheet,
  pulse: defineAsyncComponent(() => import('./PulseSheet.vue')),
  earth: defineAsyncComponent(() => import('./EarthSheet.vue')),
  supply: defineAsyncComponent(() => import('./SupplySheet.vue')),
  whatif: defineAsyncComponent(() => import('./WhatIfSheet.vue')),
}
const current = computed(() => parts[sheet.value])
onUnmounted(follow())
</script>

<template>
  <SheetStage v-model="sheet" :sheets="electricsSheets" label="Sheets of the electrics">
    <ConditionBar />
    <p v-if="electrics?.says" role="alert" class="weak">{{ electrics.says }}</p>
    <component :is="current" v-if="electrics" :electrics="electrics" />
    <p v-else-if="(job.design?.layout.lines.length ?? 0) === 0" class="quiet-text">
      Nothing laid out yet: draw a line in Layout, then come back.
    </p>
    <p v-else class="quiet-text">Calculating the pulse …</p>
    <template #plan><PlanView :editable="true" :pulse="electrics" /></template>
  </SheetStage>
</template>

<style scoped>
.weak {
  color: var(--broken);
}
</style>
