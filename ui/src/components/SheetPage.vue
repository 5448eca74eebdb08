<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'

/** A page beside the jobs: its sheets as tabs, the open one in the address. */
const props = defineProps<{ title: string; name: string; sheets: { id: string; text: string }[] }>()
const route = useRoute()
const router = useRouter()
const first = computed(() => props.sheets[0]!.id)
const sheet = computed(() => {
  const named = String(route.query.sheet ?? first.value)
  return props.sheets.some((s) => s.id === named) ? named : first.value
})
const open = (id: string) =>
  router.replace({ name: props.name, query: id === first.value ? {} : { sheet: id } })
</script>

<template>
  <main class="page">
    <header>
      <router-link to="/">Yard</router-link>
      <h1>{{ title }}</h1>
      <nav :aria-label="`Sheets: ${title}`">
        <button
          v-for="s in sheets"
          :key="s.id"
          :aria-current="sheet === s.id ? 'true' : undefined"
          :data-test="`${name}-${s.id}`"
          @click="open(s.id)"
        >
          {{ s.text }}
        </button>
      </nav>
      <span class="spring" />
      <slot name="end" />
    </header>
    <slot :sheet="sheet" :done="() => open(first)" />
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
</style>
