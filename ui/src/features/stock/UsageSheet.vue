<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { FirmState, UnitSystem, UsageRow } from '@/api/types'
import { useBooking } from '@/model/useBooking'
import { countText, lengthText } from '@/shared/units'

const props = defineProps<{ units: UnitSystem }>()
const rows = shallowRef<UsageRow[]>([])
const firm = shallowRef<FirmState | null>(null)
const { problem, busy, book } = useBooking('What was used could not be read.')
onMounted(() =>
  book(async () => {
    rows.value = await ask(client.GET('/api/stock/usage'))
    firm.value = await ask(client.GET('/api/firm'))
  }, ''),
)
const amount = (r: UsageRow, n: number) => (r.usage.byMetre ? lengthText(n, props.units) : countText(n))
const signed = (ratio: number) =>
  `${ratio >= 1 ? '+' : '−'}${Math.abs(Math.round((ratio - 1) * 1000) / 10)} %`
const own = (r: UsageRow) =>
  firm.value?.firm.rates.allowances.own.find((o) => o.product === r.usage.product)?.percent

/** The house's allowance for the product from now on; nothing changes by itself. */
const take = (r: UsageRow) =>
  book(async () => {
    const next = structuredClone(firm.value!.firm)
    const others = next.rates.allowances.own.filter((o) => o.product !== r.usage.product)
    next.rates.allowances.own = [...others, { product: r.usage.product, percent: r.proposedPercent! }]
    firm.value = await ask(
      client.PUT('/api/firm', { body: { baseRevision: firm.value!.revision, firm: next } }),
    )
  }, `The allowance of ${r.usage.name} is ${r.proposedPercent} % from now on.`)
</script>

<template>
  <section aria-label="Counted and used">
    <p class="quiet-text small">
      What closed load sheets used of each product, beside what the takeoff counted without spares and
      allowance. From three jobs on an allowance is proposed that would have been enough for about five of
      six: the mean and one standard deviation, up to the next whole percent.
    </p>
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <p v-if="rows.length === 0" class="empty">
      No load sheet was closed yet. Tick what goes on the truck, book what comes back, and this fills by
      itself.
    </p>
    <table v-else class="sheet">
      <thead>
        <tr>
          <th>Product</th>
          <th class="right">Jobs</th>
          <th class="right">Counted</th>
          <th class="right">Used</th>
          <th class="right">Difference</th>
          <th class="right">Spread</th>
          <th>Allowance</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in rows" :key="r.usage.product" :data-test="`usage-${r.usage.product}`">
          <td class="name">{{ r.usage.name }}</td>
          <td class="right number">{{ r.usage.ratios.length }}</td>
          <td class="right number">{{ amount(r, r.usage.counted) }}</td>
          <td class="right number">{{ amount(r, r.usage.used) }}</td>
          <td class="right number" :class="{ weak: r.usage.mean > 1.0005 }">{{ signed(r.usage.mean) }}</td>
          <td class="right number quiet-text">
            {{ r.usage.spread === null ? '' : `± ${Math.round(r.usage.spread * 1000) / 10} %` }}
          </td>
          <td>
            <span v-if="own(r) !== undefined" class="quiet-text">{{ own(r) }} % is set </span>
            <button
              v-if="r.proposedPercent !== null && r.proposedPercent !== own(r)"
              class="link"
              :disabled="busy"
              :data-test="`take-${r.usage.product}`"
              @click="take(r)"
            >
              Set {{ r.proposedPercent }} %
            </button>
            <span v-else-if="r.proposedPercent === null" class="quiet-text">{{
              3 - r.usage.ratios.length > 0 ? `${3 - r.usage.ratios.length} more jobs tell` : ''
            }}</span>
          </td>
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
