<script setup lang="ts">
import { computed, ref } from 'vue'
import type { JobTerms } from '@/api/types'
import EntryField from '@/shared/EntryField.vue'
import { useTerms } from '@/model/terms'
import { useJob } from '@/model/jobStore'
import { KM_PER_MI, parseAmount } from '@/shared/money'
import { newId } from '@/shared/uuid'

const job = useJob()
const own = useTerms()
const wrong = ref('')

function number(key: 'km' | 'marginPercent' | 'agreed', text: string) {
  if (text.trim() === '') return void own.change({ [key]: null })
  const value = parseAmount(text)
  if (value === null) wrong.value = `“${text}” is no number.`
  else {
    wrong.value = ''
    void own.change({ [key]: value })
  }
}

const metric = computed(() => job.units === 'METRIC')
const way = computed(() =>
  own.terms.km === null ? '' : Math.round((own.terms.km / (metric.value ? 1 : KM_PER_MI)) * 10) / 10,
)
function setWay(text: string) {
  const value = parseAmount(text)
  if (metric.value || value === null) number('km', text)
  else void own.change({ km: Math.round(value * KM_PER_MI * 1000) / 1000 })
}

type Extra = JobTerms['extras'][number]
type Option = JobTerms['options'][number]
const extra = (i: number, next: Partial<Extra>) =>
  own.change({ extras: own.terms.extras.map((e, k) => (k === i ? { ...e, ...next } : e)) })
const option = (i: number, next: Partial<Option>) =>
  own.change({ options: own.terms.options.map((o, k) => (k === i ? { ...o, ...next } : o)) })
const addExtra = () =>
  own.change({ extras: [...own.terms.extras, { text: 'Extra', quantity: 1, cost: 0, taxClass: '' }] })
const addOption = () =>
  own.change({
    options: [
      ...own.terms.options,
      { id: newId().slice(0, 8), text: 'Option', amount: 0, taxClass: '', oneOf: '' },
    ],
  })
const text = (e: Event) => (e.target as HTMLInputElement).value
function amount(e: Event, then: (n: number) => void) {
  const value = parseAmount(text(e))
  if (value === null) wrong.value = `“${text(e)}” is no number.`
  else {
    wrong.value = ''
    then(value)
  }
}
</script>

<template>
  <details class="terms no-print">
    <summary data-test="terms">This job: way, margin, extras, options, scope</summary>
    <p v-if="wrong || own.problem" class="weak" role="alert">{{ wrong || own.problem }}</p>
    <div class="row">
      <label
        >Way to it, {{ metric ? 'km' : 'miles'
        }}<EntryField
          :value="way"
          inputmode="decimal"
          placeholder="the house’s"
          data-test="terms-km"
          @change="setWay(text($event))"
      /></label>
      <label
        >Margin, %<EntryField
          :value="own.terms.marginPercent ?? ''"
          inputmode="decimal"
          placeholder="the house’s"
          data-test="terms-margin"
          @change="number('marginPercent', text($event))"
      /></label>
      <label
        >Price that was agreed, before tax<EntryField
          :value="own.terms.agreed ?? ''"
          inputmode="decimal"
          placeholder="none"
          data-test="terms-agreed"
          @change="number('agreed', text($event))"
      /></label>
    </div>
    <label
      >What we build, in a sentence<EntryField
        :value="own.terms.scope"
        inputmode="text"
        maxlength="2000"
        data-test="terms-scope"
        @change="own.change({ scope: text($event) })"
    /></label>
    <h3>Extras, in the price</h3>
    <div v-for="(e, i) in own.terms.extras" :key="i" class="row">
      <label
        >Text<EntryField
          :value="e.text"
          inputmode="text"
          maxlength="200"
          @change="extra(i, { text: text($event) || e.text })"
      /></label>
      <label
        >How many<EntryField
          :value="e.quantity"
          inputmode="decimal"
          @change="amount($event, (n) => extra(i, { quantity: n }))"
      /></label>
      <label
        >Cost of one<EntryField
          :value="e.cost"
          inputmode="decimal"
          @change="amount($event, (n) => extra(i, { cost: n }))"
      /></label>
      <button class="link" @click="own.change({ extras: own.terms.extras.filter((_, k) => k !== i) })">
        remove
      </button>
    </div>
    <button class="link" data-test="add-extra" @click="addExtra">Add an extra</button>
    <h3>Options the client can tick</h3>
    <div v-for="(o, i) in own.terms.options" :key="o.id" class="row">
      <label
        >Text<EntryField
          :value="o.text"
          inputmode="text"
          maxlength="200"
          data-test="option-text"
          @change="option(i, { text: text($event) || o.text })"
      /></label>
      <label
        >Amount before tax<EntryField
          :value="o.amount"
          inputmode="decimal"
          data-test="option-amount"
          @change="amount($event, (n) => option(i, { amount: n }))"
      /></label>
      <label
        >One of<EntryField
          :value="o.oneOf"
          inputmode="text"
          maxlength="60"
          placeholder="stands by itself"
          @change="option(i, { oneOf: text($event) })"
      /></label>
      <button class="link" @click="own.change({ options: own.terms.options.filter((_, k) => k !== i) })">
        remove
      </button>
    </div>
    <button class="link" data-test="add-option" @click="addOption">Add an option</button>
    <p class="small quiet-text">
      Options that name the same “one of” exclude each other. Amounts under zero make the fence cheaper.
    </p>
  </details>
</template>

<style src="@/components/fields.css" scoped></style>
<style scoped>
.terms {
  margin: 14px 0;
  border: 1px solid var(--rule);
  padding: 6px 12px;
}
summary {
  cursor: pointer;
  font-weight: 700;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: end;
}
.row label {
  flex: 1 1 140px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
  padding: 6px 0;
}
.weak {
  color: var(--broken);
}
</style>
