<script setup lang="ts">
import { ref } from 'vue'
import type { Spec } from '@/api/types'
import EntryField from '@/shared/EntryField.vue'
import { useElectrics } from './useElectrics'

/** What no plate and no map tells, with its range: to be narrowed by whoever knows better, later by readings. */
type Model = Spec['power']['model']
type Key = keyof Model
type End = keyof Model[Key]

const { power, setPower } = useElectrics()
const rows: { key: Key; text: string; unit: number; least: number; most: number }[] = [
  { key: 'steelMuR', text: 'Permeability of steel', unit: 1, least: 1, most: 5000 },
  { key: 'bleedOhm', text: 'Damping across the terminals, kΩ', unit: 1000, least: 100, most: 1e9 },
  { key: 'terminalNf', text: 'and nF', unit: 1, least: 0, most: 50 },
]
const ends: { key: End; text: string }[] = [
  { key: 'low', text: 'low' },
  { key: 'likely', text: 'likely' },
  { key: 'high', text: 'high' },
]
const refused = ref('')

function set(row: (typeof rows)[number], end: End, e: Event) {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.')
  const value = Number(text) * row.unit
  const spread = { ...power.value.model[row.key], [end]: value }
  const within = text !== '' && value >= row.least && value <= row.most
  if (!within || !(spread.low <= spread.likely && spread.likely <= spread.high)) {
    refused.value = `From ${row.least / row.unit} to ${row.most / row.unit}, and low, likely and high in that order, please; the old value was kept.`
    return
  }
  refused.value = ''
  setPower({ model: { ...power.value.model, [row.key]: spread } })
}
</script>

<template>
  <table class="sheet">
    <thead>
      <tr>
        <th>Assumption</th>
        <th v-for="e in ends" :key="e.key">{{ e.text }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.key">
        <td>{{ r.text }}</td>
        <td v-for="e in ends" :key="e.key">
          <EntryField
            :value="String(power.model[r.key][e.key] / r.unit)"
            inputmode="decimal"
            :aria-label="`${r.text}, ${e.text}`"
            :data-test="`model-${r.key}-${e.key}`"
            @change="set(r, e.key, $event)"
          />
        </td>
      </tr>
    </tbody>
  </table>
  <p v-if="refused" role="alert" class="weak">{{ refused }}</p>
</template>

<style scoped src="../layout/fields.css" />
<style scoped src="./electrics.css" />
<style scoped>
td input {
  width: 84px;
}
</style>
