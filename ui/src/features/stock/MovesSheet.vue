<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { StockMove, UnitSystem } from '@/api/types'
import { useBooking } from '@/model/useBooking'
import { piecesOf, piecesText } from '@/shared/pieces'
import { dateText } from '@/shared/units'

defineProps<{ units: UnitSystem }>()
const moves = shallowRef<StockMove[]>([])
const names = shallowRef(new Map<string, string>())
const { problem, book } = useBooking('What moved could not be read.')
onMounted(() =>
  book(async () => {
    const stock = await ask(client.GET('/api/stock'))
    names.value = new Map(stock.products.map((p) => [p.product, p.name]))
    moves.value = await ask(client.GET('/api/stock/history', { params: { query: { limit: 200 } } }))
  }, ''),
)
const words: Record<StockMove['kind'], string> = {
  BOUGHT: 'came in',
  COUNTED: 'counted',
  LOADED: 'loaded',
  DELIVERED: 'delivered',
  UNLOADED: 'put back',
  RETURNED: 'came back',
  USED: 'used',
}
</script>

<template>
  <section aria-label="What moved">
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <p v-if="moves.length === 0" class="empty">Nothing has moved yet.</p>
    <table v-else class="sheet">
      <thead>
        <tr>
          <th>When</th>
          <th>Product</th>
          <th>Place</th>
          <th class="right">In or out</th>
          <th>Why</th>
          <th>By</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(m, i) in moves" :key="i" data-test="move">
          <td class="quiet-text">{{ dateText(m.bookedAt) }}</td>
          <td class="name">{{ names.get(m.product) ?? m.product }}</td>
          <td>{{ m.place }}</td>
          <td class="right number">
            {{ m.amount < 0 ? '−' : '+'
            }}{{ piecesText(piecesOf(Math.abs(m.amount), m.lengthM), m.lengthM, units) }}
          </td>
          <td>
            {{ words[m.kind] }}<template v-if="m.job">, {{ m.job }}</template
            ><template v-if="m.reason">: {{ m.reason }}</template>
          </td>
          <td class="quiet-text">{{ m.bookedBy }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.name {
  font-weight: 700;
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 40px 0;
  font-size: 16px;
}
</style>
