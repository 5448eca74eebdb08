<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import PriceBookSheet from './PriceBookSheet.vue'

const route = useRoute()
const router = useRouter()
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
const sheet = computed(() => {
  const named = String(route.query.sheet ?? 'book')
  return named in parts ? named : 'book'
})
const open = (id: string) => router.replace({ name: 'prices', query: id === 'book' ? {} : { sheet: id } })
</script>

<template>
  <main class="page">
    <header>
      <router-link to="/">Yard</router-link>
      <h1>Prices</h1>
      <nav aria-label="Sheets of the prices">
        <button
          v-for="s in sheets"
          :key="s.id"
          :aria-current="sheet === s.id ? 'true' : undefined"
          :data-test="`prices-${s.id}`"
          @click="open(s.id)"
        >
          {{ s.text }}
        </button>
      </nav>
    </header>
    <component :is="parts[sheet]" @done="open('book')" />
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
</style>
