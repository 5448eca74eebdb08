<script setup lang="ts">
import { computed } from 'vue'
import type { Comparison } from '@/api/types'
import { useJob } from '@/features/job/jobStore'
import { countText, lengthText } from '@/shared/units'

const props = defineProps<{ comparison: Comparison; before: string; after: string }>()
const job = useJob()
type Row = Comparison['items'][number]
const text = (value: number, unit: string) => (unit === 'm' ? lengthText(value, job.units) : countText(value))
const change = (r: Row) => {
  const d = r.after - r.before
  return d === 0 ? '' : `${d > 0 ? '+' : '−'}${text(Math.abs(d), r.unit)}`
}
const rows = computed(() => [
  ...props.comparison.lines.map((r) => ({ ...r, name: `${r.name}, length` })),
  ...props.comparison.items,
])
</script>

<template>
  <div data-test="comparison">
    <table class="sheet">
      <thead>
        <tr>
          <th></th>
          <th class="right">{{ before }}</th>
          <th class="right">{{ after }}</th>
          <th class="right">change</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.key">
          <td>{{ r.name }}</td>
          <td class="right number">{{ text(r.before, r.unit) }}</td>
          <td class="right number">{{ text(r.after, r.unit) }}</td>
          <td class="right number">{{ change(r) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="comparison.items.length === 0" class="small quiet-text">The material stays the same.</p>
    <ul v-if="comparison.come.length || comparison.gone.length" class="small">
      <li v-for="m in comparison.come" :key="m"><b>new:</b> {{ m }}</li>
      <li v-for="m in comparison.gone" :key="m"><b>gone:</b> {{ m }}</li>
    </ul>
  </div>
</template>
