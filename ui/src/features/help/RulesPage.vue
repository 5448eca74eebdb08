<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { ask, client } from '@/api/client'
import type { HouseState, Materials, Rule } from '@/api/types'
import { basisText } from '@/components/basis'

const rules = ref<Rule[]>([])
const revision = ref(0)
const query = ref('')
const materials = ref<Materials | null>(null)
const house = ref<HouseState | null>(null)
/** The schools that stand on a rule, ours marked. */
const schools = (id: string) =>
  (materials.value?.schools ?? [])
    .filter((s) => s.rule === id)
    .map((s) => ({
      ...s,
      ours: house.value?.house.choices.includes(s.id) ?? false,
      topicText: materials.value?.topics.find((t) => t.id === s.topic)?.text ?? '',
    }))
const found = computed(() => {
  const q = query.value.trim().toLowerCase()
  return rules.value.filter((r) => !q || r.id.toLowerCase() === q || r.says.toLowerCase().includes(q))
})
onMounted(async () => {
  const all = await ask(client.GET('/api/catalogue'))
  rules.value = all.rules
  revision.value = all.rulebook
  materials.value = await ask(client.GET('/api/materials'))
  house.value = await ask(client.GET('/api/house'))
})
</script>

<template>
  <main class="page">
    <p><router-link to="/">Yard</router-link></p>
    <h1>Rules behind the numbers</h1>
    <p class="quiet-text">
      Rulebook {{ revision }}. Each number in Buckle names its rules. Values from memory have to be checked
      against the current edition, the maker's sheet or the local code; the local code and licensed people
      have the last word. Where practitioners disagree the schools stand with their rule; what each does to a
      job is told on the sheet Schools of its layout, where the house's way is chosen too (revision
      {{ house?.revision ?? 0 }}).
    </p>
    <v-text-field v-model="query" label="Find a rule" class="my-3" style="max-width: 320px" />
    <table class="sheet">
      <thead>
        <tr>
          <th>Rule</th>
          <th>Says</th>
          <th>Basis</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in found" :key="r.id">
          <td class="number">{{ r.id }}</td>
          <td>
            {{ r.says }}
            <p v-for="s in schools(r.id)" :key="s.id" class="small school">
              {{ s.topicText }}: {{ s.text }}<b v-if="s.ours"> · the house's way</b>
            </p>
          </td>
          <td class="basis">{{ basisText(r) }}</td>
        </tr>
      </tbody>
    </table>
  </main>
</template>

<style scoped>
.school {
  margin: 2px 0 0;
  padding-left: 10px;
  border-left: 2px solid var(--rule);
}
.basis {
  white-space: nowrap;
}
.page {
  box-sizing: border-box;
  max-width: min(900px, 100vw);
  margin: 0 auto;
  padding: 20px;
}
/* On a phone the basis stands under the rule. */
@media (max-width: 760px) {
  thead,
  .sheet td {
    display: block;
  }
  thead {
    display: none;
  }
  .sheet td:not(:last-child) {
    border-bottom: none;
    padding-bottom: 0;
  }
  .basis {
    color: var(--quiet);
    font-size: 12.5px;
  }
}
</style>
