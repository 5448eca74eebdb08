<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, client } from '@/api/client'
import type { SheetLine, SheetState, StockLot } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useBooking } from '@/model/useBooking'
import { keptRef } from '@/shared/kept'
import { piecesOf, piecesText } from '@/shared/pieces'
import { parseLengthM } from '@/shared/units'
import { newId } from '@/shared/uuid'

/** What came back of one line: whole pieces, or what is left of one opened coil. */
const props = defineProps<{ sheet: string; line: SheetLine; out: StockLot }>()
const emit = defineEmits<{ back: [SheetState] }>()
const job = useJob()
const coil = computed(() => props.line.lengthM > 0)
const pieces = ref(coil.value ? '' : String(piecesOf(props.out.amount, props.out.lengthM)))
const rest = ref('')
/** Back to where it came from; what was bought goes where something was brought last. */
const lastPlace = keptRef('buckle.stock.place', 'Barn', (v): v is string => typeof v === 'string')
const place = ref(props.line.source.place || lastPlace.value)
const { problem, busy, book } = useBooking('That did not work.')
const request = newId()

async function bring() {
  const restM = rest.value.trim() ? parseLengthM(rest.value, job.units) : null
  if (rest.value.trim() && restM === null) return (problem.value = `“${rest.value}” is no length.`)
  let next: SheetState | null = null
  const done = await book(async () => {
    next = await ask(
      client.POST('/api/load-sheets/{id}/returns', {
        params: { path: { id: props.sheet } },
        body: {
          id: request,
          product: props.line.product,
          lengthM: props.line.lengthM,
          pieces: restM === null ? Number(pieces.value) || 0 : 1,
          restM,
          place: place.value.trim(),
        },
      }),
    )
  }, `${props.line.name} came back.`)
  if (done && next) {
    lastPlace.value = place.value
    emit('back', next)
  }
}
</script>

<template>
  <form class="back" aria-label="What came back" @submit.prevent="bring">
    <span class="quiet-text"
      >{{ piecesText(piecesOf(out.amount, out.lengthM), out.lengthM, job.units) }} are out.</span
    >
    <label
      >{{ coil ? 'Unopened' : 'Came back' }}
      <input v-model="pieces" inputmode="numeric" size="5" data-test="back-pieces"
    /></label>
    <label v-if="coil">or left of one <input v-model="rest" size="8" data-test="back-rest" /></label>
    <label>to <input v-model="place" size="14" maxlength="300" data-test="back-place" /></label>
    <v-btn type="submit" :disabled="busy" data-test="bring">Book back</v-btn>
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
  </form>
</template>

<style scoped>
.back {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
  background: var(--band);
  padding: 8px 10px;
}
input {
  border: 1px solid var(--rule-strong);
  padding: 6px 8px;
  background: var(--paper);
  color: var(--ink);
}
.weak {
  color: var(--broken);
  margin: 0;
}
</style>
