<script setup lang="ts">
import type { Firm } from '@/api/types'
import { asLines, enterNumber, listed, typed } from './entries'

/** What stands on every quote. */
const texts = defineModel<Firm['texts']>({ required: true })
const emit = defineEmits<{ problem: [text: string] }>()
const number = (e: Event, then: (n: number) => void) => enterNumber(e, then, (text) => emit('problem', text))
</script>

<template>
  <section>
    <h2>What stands on every quote</h2>
    <label
      >What the client sees to, a line each<textarea
        :value="asLines(texts.clientDoes)"
        rows="5"
        @change="texts.clientDoes = listed(typed($event))"
      />
    </label>
    <label
      >What is not part of it<textarea
        :value="asLines(texts.exclusions)"
        rows="4"
        @change="texts.exclusions = listed(typed($event))"
      />
    </label>
    <label
      >Cautions<textarea
        :value="asLines(texts.cautions)"
        rows="4"
        @change="texts.cautions = listed(typed($event))"
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
