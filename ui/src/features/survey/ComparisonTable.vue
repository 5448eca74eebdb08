<script setup lang="ts">
import { computed } from 'vue'
import type { Comparison } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { countText, lengthText } from '@/shared/units'

const props = defineProps<{ comparison: Comparison; before: string; after: string }>()
const job = useJob()
type Row = Comparison['items'][number]
const text = (value: number, unit: string) => (unit === 'm' ? lengthText(value, job.units) : countText(value))
const change = (r: Row) => {
  const d = r.after - r.before
  return d === 0 ? '' : `${d > 0 ? '+' : '−'}${text(Math.abs(d), r.unit)}`
}
/** `build.posts.strong` as words. */
const words = (path: string) =>
  path
    .split('.')
    .map((p) => p.replace(/(M|N|V|J|C|W|Deg|Ah|Percent|Mm2)$/, '').replace(/([a-z])([A-Z])/g, '$1 $2'))
    .filter((p, i, all) => p !== all[i - 1])
    .join(', ')
    .toLowerCase()
const effects = {
  MATERIAL: 'material',
  LAYOUT: 'layout',
  FINDINGS: 'findings',
  PULSE: 'pulse',
  ONLY_TOGETHER: 'only together with the others',
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
    <table v-if="comparison.fields.length" class="sheet" data-test="changed-fields">
      <thead>
        <tr>
          <th>Changed in the plan</th>
          <th>{{ before }}</th>
          <th>{{ after }}</th>
          <th>alone it changes</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="f in comparison.fields" :key="f.path">
          <td>{{ words(f.path) }}</td>
          <td>{{ f.before }}</td>
          <td>{{ f.after }}</td>
          <td>{{ f.effects.map((e) => effects[e]).join(', ') || 'nothing on this job' }}</td>
        </tr>
      </tbody>
    </table>
    <ul v-if="comparison.come.length || comparison.gone.length" class="small">
      <li v-for="m in comparison.come" :key="m"><b>new:</b> {{ m }}</li>
      <li v-for="m in comparison.gone" :key="m"><b>gone:</b> {{ m }}</li>
    </ul>
  </div>
</template>
