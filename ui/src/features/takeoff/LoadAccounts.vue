<script setup lang="ts">
import { computed } from 'vue'
import type { SheetState } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { countText, lengthText } from '@/shared/units'

/** What was counted, loaded, brought back and used, product by product. */
const props = defineProps<{ state: SheetState }>()
const job = useJob()
const rows = computed(() =>
  props.state.sheet.planned.map((p) => ({
    ...p,
    account: props.state.accounts.find((a) => a.product === p.product),
  })),
)
const amount = (byMetre: boolean, n: number) => (byMetre ? lengthText(n, job.units) : countText(n))
const off = (counted: number, used: number) =>
  counted > 0
    ? `${used >= counted ? '+' : '−'}${Math.abs(Math.round((used / counted - 1) * 1000) / 10)} %`
    : ''
</script>

<template>
  <section aria-label="Counted and used">
    <h2>Counted and used</h2>
    <table class="sheet">
      <thead>
        <tr>
          <th>Product</th>
          <th class="right">Counted</th>
          <th class="right">Loaded</th>
          <th class="right">Came back</th>
          <th class="right">Used</th>
          <th class="right">Difference</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.product" :data-test="`account-${r.product}`">
          <td class="name">{{ r.name }}</td>
          <td class="right number">{{ amount(r.byMetre, r.counted) }}</td>
          <td class="right number">{{ amount(r.byMetre, r.account?.loaded ?? 0) }}</td>
          <td class="right number">{{ r.account?.returned ? amount(r.byMetre, r.account.returned) : '' }}</td>
          <td class="right number">{{ r.account?.used == null ? '' : amount(r.byMetre, r.account.used) }}</td>
          <td class="right number">{{ r.account?.used == null ? '' : off(r.counted, r.account.used) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.name {
  font-weight: 700;
}
</style>
