<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { ask, client } from '@/api/client'
import type { QuoteChange, QuoteState } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useWords } from '@/model/useWords'
import { amountText } from '@/shared/money'
import { countText, lengthText } from '@/shared/units'

/** What a revision changes, in items and in money. */
const props = defineProps<{ quote: QuoteState['quote'] }>()
const job = useJob()
const { say } = useWords()
const changes = shallowRef<QuoteChange | null>(null)
watch(
  () => props.quote,
  async (quote) => {
    changes.value = null
    const path = { number: quote.number, revision: quote.revision }
    try {
      const found = await ask(client.GET('/api/quotes/{number}/{revision}/changes', { params: { path } }))
      if (props.quote === quote) changes.value = found.difference
    } catch {
      changes.value = null
    }
  },
  { immediate: true },
)
const quantity = (n: number, byMetre: boolean) => (byMetre ? lengthText(n, job.units) : countText(n))
</script>

<template>
  <section v-if="changes" aria-label="What changes">
    <h3>What changes</h3>
    <table class="sheet">
      <thead>
        <tr>
          <th>Built in</th>
          <th class="right">before</th>
          <th class="right">now</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="i in changes.items" :key="i.product" data-test="change-item">
          <td>{{ say(i.name) }}</td>
          <td class="right number">{{ quantity(i.before, i.byMetre) }}</td>
          <td class="right number">{{ quantity(i.after, i.byMetre) }}</td>
        </tr>
        <tr class="sum">
          <td>Difference before tax</td>
          <td />
          <td class="right number" data-test="change-net">{{ amountText(changes.net) }}</td>
        </tr>
        <tr>
          <td>Difference with tax</td>
          <td />
          <td class="right number">{{ amountText(changes.total) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.sum td {
  font-weight: 700;
}
</style>
