<script setup lang="ts">
import type { Firm } from '@/api/types'
import { parseAmount } from '@/shared/money'

/** What stands on every quote. */
const texts = defineModel<Firm['texts']>({ required: true })
const emit = defineEmits<{ problem: [text: string] }>()
const lines = (list: string[]) => list.join('\n')
const listed = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
const text = (e: Event) => (e.target as HTMLInputElement | HTMLTextAreaElement).value
function number(e: Event, then: (n: number) => void) {
  const value = parseAmount(text(e))
  emit('problem', value === null ? `“${text(e)}” is no number.` : '')
  if (value !== null) then(value)
}
</script>

<template>
  <section>
    <h2>What stands on every quote</h2>
    <label
      >What the client sees to, a line each<textarea
        :value="lines(texts.clientDoes)"
        rows="5"
        @change="texts.clientDoes = listed(text($event))"
      />
    </label>
    <label
      >What is not part of it<textarea
        :value="lines(texts.exclusions)"
        rows="4"
        @change="texts.exclusions = listed(text($event))"
      />
    </label>
    <label
      >Cautions<textarea
        :value="lines(texts.cautions)"
        rows="4"
        @change="texts.cautions = listed(text($event))"
      />
    </label>
    <label>Terms<textarea v-model="texts.terms" rows="4" maxlength="2000" /></label>
    <h3>Payment</h3>
    <div v-for="(s, i) in texts.stages" :key="i" class="pair">
      <label>When<input v-model="s.when" inputmode="text" /></label>
      <label
        >%<input :value="s.percent" inputmode="decimal" @change="number($event, (n) => (s.percent = n))"
      /></label>
    </div>
  </section>
</template>

<style src="@/components/fields.css" scoped></style>
<style scoped>
textarea {
  display: block;
  width: 100%;
  box-sizing: border-box;
  border: 1px solid var(--rule-strong);
  padding: 5px 7px;
  font-size: 14px;
  color: var(--ink);
  background: var(--paper);
}
</style>
