<script setup lang="ts">
import { ref } from 'vue'
import type { Circumstances } from '@/api/types'
import EntryField from '@/shared/EntryField.vue'
import { useElectrics } from '@/model/useElectrics'

/** What no plate and no map tells, with its range: to be narrowed by whoever knows better, later by readings. */
type Model = Circumstances['model']
type Key = keyof Model
type Spread = Model['steelMuR']
type End = keyof Spread

const { circumstances, setCircumstances } = useElectrics()
interface Row {
  key: Key
  text: string
  unit: number
  least: number
  most: number
  /** To start from, where the plate decides until somebody says it. */
  own?: Spread
}
const rows: Row[] = [
  { key: 'steelMuR', text: 'Permeability of steel', unit: 1, least: 1, most: 5000 },
  {
    key: 'bleedOhm',
    text: 'Damping across the terminals, kΩ',
    unit: 1000,
    least: 100,
    most: 1e9,
    own: { low: 2500, likely: 5000, high: 12000 },
  },
  {
    key: 'terminalNf',
    text: 'and nF',
    unit: 1,
    least: 0,
    most: 500,
    own: { low: 1, likely: 5, high: 15 },
  },
]
const spread = (r: Row) => circumstances.value.model[r.key]
const say = (r: Row, value: Spread | null) =>
  setCircumstances({ model: { ...circumstances.value.model, [r.key]: value } as Model })
const ends: { key: End; text: string }[] = [
  { key: 'low', text: 'low' },
  { key: 'likely', text: 'likely' },
  { key: 'high', text: 'high' },
]
const refused = ref('')

function set(row: Row, end: End, e: Event) {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.')
  const value = Number(text) * row.unit
  const moved = { ...(spread(row) ?? row.own!), [end]: value }
  const within = text !== '' && value >= row.least && value <= row.most
  if (!within || !(moved.low <= moved.likely && moved.likely <= moved.high)) {
    refused.value = `From ${row.least / row.unit} to ${row.most / row.unit}, and low, likely and high in that order, please; the old value was kept.`
    return
  }
  refused.value = ''
  say(row, moved)
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
        <td>
          {{ r.text }}
          <button v-if="r.own && spread(r)" class="link small" @click="say(r, null)">
            from the rating plate
          </button>
        </td>
        <td v-if="!spread(r)" :colspan="ends.length" class="quiet-text">
          as the rating plate asks (E9)
          <button class="link small" :data-test="`model-${r.key}-own`" @click="say(r, r.own!)">
            enter it
          </button>
        </td>
        <td v-for="e in spread(r) ? ends : []" :key="e.key">
          <EntryField
            :value="String(spread(r)![e.key] / r.unit)"
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

<style scoped src="@/components/fields.css" />
<style scoped src="./electrics.css" />
<style scoped>
td input {
  width: 84px;
}
</style>
