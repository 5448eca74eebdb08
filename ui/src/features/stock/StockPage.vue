<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { keptRef } from '@/shared/kept'
import type { UnitSystem } from '@/api/types'
import LotsSheet from './LotsSheet.vue'

const route = useRoute()
const router = useRouter()
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
const sheet = computed(() => {
  const named = String(route.query.sheet ?? 'lots')
  return named in parts ? named : 'lots'
})
const open = (id: string) => router.replace({ name: 'stock', query: id === 'lots' ? {} : { sheet: id } })
</script>

<template>
  <main class="page">
    <header>
      <router-link to="/">Yard</router-link>
      <h1>Stock</h1>
      <nav aria-label="Sheets of the stock">
        <button
          v-for="s in sheets"
          :key="s.id"
          :aria-current="sheet === s.id ? 'true' : undefined"
          :data-test="`stock-${s.id}`"
          @click="open(s.id)"
        >
          {{ s.text }}
        </button>
      </nav>
      <span class="spring" />
      <label class="units"
        >Lengths in
        <select v-model="units" data-test="stock-units">
          <option value="FT_IN">feet</option>
          <option value="METRIC">metres</option>
        </select></label
      >
    </header>
    <component :is="parts[sheet]" :units="units" />
  </main>
</template>

<style scoped>
.page {
  padding: 14px 20px 40px;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  align-items: baseline;
  border-bottom: 1px solid var(--rule);
  margin-bottom: 12px;
}
nav {
  display: flex;
}
nav button {
  padding: 8px 14px;
  color: var(--ink);
  font:
    500 15.5px 'Barlow Condensed',
    sans-serif;
}
nav button[aria-current] {
  box-shadow: inset 0 -3px 0 var(--accent);
  font-weight: 600;
}
.spring {
  flex: 1;
}
.units select {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
</style>
