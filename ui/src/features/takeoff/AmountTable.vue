<script setup lang="ts">
import { useWords } from '@/model/useWords'
import { amountText } from '@/shared/money'

/** What is asked, by heading, with tax and total. */
defineProps<{
  lines: { heading: string; text: string; amount: number }[]
  net: number
  taxes: { taxClass: string; percent: number; on: number; tax: number }[]
  total: number
}>()
const { say } = useWords()
</script>

<template>
  <table class="sheet">
    <tbody>
      <tr v-for="(l, i) in lines" :key="i">
        <td>
          {{ say(l.heading) }} <span v-if="l.text" class="quiet-text">{{ l.text }}</span>
        </td>
        <td class="right number">{{ amountText(l.amount) }}</td>
      </tr>
      <tr class="sum">
        <td>Before tax</td>
        <td class="right number">{{ amountText(net) }}</td>
      </tr>
      <tr v-for="t in taxes" :key="t.taxClass">
        <td>Tax, {{ t.taxClass }}, {{ t.percent }} % of {{ amountText(t.on) }}</td>
        <td class="right number">{{ amountText(t.tax) }}</td>
      </tr>
      <tr class="sum">
        <td>Total</td>
        <td class="right number" data-test="amount-total">{{ amountText(total) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.sum td {
  font-weight: 700;
}
</style>
