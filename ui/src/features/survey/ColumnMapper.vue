<script setup lang="ts">
import { ref } from 'vue'
import type { PointTable, Position } from '@/api/types'

const props = defineProps<{ table: PointTable; near: Position | null; busy: boolean }>()
const emit = defineEmits<{ read: [columns: string, asLine: boolean]; leave: [] }>()

const roles = [
  { id: 'lat', text: 'latitude' },
  { id: 'lon', text: 'longitude' },
  { id: 'east', text: 'metres east' },
  { id: 'north', text: 'metres north' },
  { id: 'height', text: 'height' },
  { id: 'name', text: 'name' },
  { id: 'line', text: 'which line' },
] as const
type Role = (typeof roles)[number]['id']
const guess = props.table.guess
const role = ref<(Role | '')[]>(
  props.table.columns.map((_, i) => roles.find((r) => guess[r.id] === i)?.id ?? ''),
)
const asLine = ref(guess.asLine)

function read() {
  const at = (r: Role) => role.value.indexOf(r)
  emit('read', roles.map((r) => at(r.id)).join(','), asLine.value)
}
</script>

<template>
  <div data-test="column-mapper">
    <h2>Points in columns</h2>
    <p class="quiet-text">Nothing is stored yet. {{ table.rowCount }} rows; say what each column is.</p>
    <div class="scroll">
      <table class="sheet">
        <thead>
          <tr>
            <th v-for="(c, i) in table.columns" :key="i">
              {{ c }}
              <select v-model="role[i]" :aria-label="`What ${c} is`">
                <option value="">leave out</option>
                <option v-for="r in roles" :key="r.id" :value="r.id">{{ r.text }}</option>
              </select>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in table.sample" :key="i">
            <td v-for="(cell, k) in row" :key="k" class="number">{{ cell }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <fieldset>
      <legend>The points are</legend>
      <label><input v-model="asLine" type="radio" :value="true" /> a line, in this order</label>
      <label><input v-model="asLine" type="radio" :value="false" /> marks by name, or heights</label>
    </fieldset>
    <p v-if="role.includes('east') && !near" class="small">
      Metres east and north are counted from a place: put the energizer or a line on the plan first.
    </p>
    <p v-else-if="role.includes('east')" class="small quiet-text">
      Metres are counted from the first corner of the plan.
    </p>
    <v-btn class="strong mr-2" data-test="read-columns" :disabled="busy" @click="read">Preview</v-btn>
    <v-btn @click="emit('leave')">Cancel</v-btn>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
th select {
  display: block;
  max-width: 110px;
}
fieldset {
  border: 0;
  padding: 8px 0;
}
label {
  display: block;
}
</style>
