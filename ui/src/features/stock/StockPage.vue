<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import type { UnitSystem } from '@/api/types'
import SheetPage from '@/components/SheetPage.vue'
import { keptRef } from '@/shared/kept'
import LotsSheet from './LotsSheet.vue'

const units = keptRef<UnitSystem>(
  'buckle.stock.units',
  'FT_IN',
  (v): v is UnitSystem => v === 'METRIC' || v === 'FT_IN',
)
const sheets = [
  { id: 'lots', text: 'In the yard' },
  { id: 'moves', text: 'What moved' },
  { id: 'usage', text: 'Counted and used' },
]
const parts: Record<string, unknown> = {
  lots: LotsSheet,
  moves: defineAsyncComponent(() => import('./MovesSheet.vue')),
  usage: defineAsyncComponent(() => import('./UsageSheet.vue')),
}
</script>

<template>
  <SheetPage title="Stock" name="stock" :sheets="sheets">
    <template #end>
      <label class="units"
        >Lengths in
        <select v-model="units" data-test="stock-units">
          <option value="FT_IN">feet</option>
          <option value="METRIC">metres</option>
        </select></label
      >
    </template>
    <template #default="{ sheet }">
      <component :is="parts[sheet]" :units="units" />
    </template>
  </SheetPage>
</template>

<style scoped>
.units select {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
</style>
