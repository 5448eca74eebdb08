<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { StockLot, StockView, UnitSystem } from '@/api/types'
import { useBooking } from '@/model/useBooking'
import { piecesOf, piecesText } from '@/shared/pieces'
import { countText, lengthText, parseLengthM } from '@/shared/units'
import { newId } from '@/shared/uuid'

const props = defineProps<{ units: UnitSystem }>()
const stock = shallowRef<StockView>({ lots: [], products: [] })
const search = ref('')
const { problem, busy, book } = useBooking('The stock could not be read.')
const load = () =>
  book(async () => {
    stock.value = await ask(client.GET('/api/stock'))
  }, '')
onMounted(load)

const nameOf = (product: string) => stock.value.products.find((p) => p.product === product)?.name ?? product
const groups = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  const shown = stock.value.lots.filter((l) => {
    const text = `${nameOf(l.product)} ${l.product} ${l.place}`.toLowerCase()
    return words.every((w) => text.includes(w))
  })
  return [...new Set(shown.map((l) => l.product))]
    .map((product) => ({ product, name: nameOf(product), lots: shown.filter((l) => l.product === product) }))
    .sort((a, b) => a.name.localeCompare(b.name))
})
const places = computed(() => [...new Set(stock.value.lots.map((l) => l.place))].sort())
const total = (lots: StockLot[]) => {
  const sum = lots.reduce((all, l) => all + l.amount, 0)
  return lots[0]!.lengthM > 0 ? lengthText(sum, props.units) : countText(sum)
}

// What came in.
const blank = { product: '', length: '', pieces: '', place: '' }
const arrival = ref({ ...blank })
/** Named once for what is being booked, so that booking again makes no second one. */
let request = newId()
const chosen = computed(() => stock.value.products.find((p) => p.name === arrival.value.product))

async function arrive() {
  const lengthM = chosen.value?.byMetre ? parseLengthM(arrival.value.length, props.units) : 0
  if (lengthM === null) return (problem.value = `“${arrival.value.length}” is no length.`)
  const done = await book(async () => {
    stock.value = await ask(
      client.POST('/api/stock/arrivals', {
        body: {
          id: request,
          product: chosen.value?.product ?? arrival.value.product,
          lengthM,
          pieces: Number(arrival.value.pieces) || 0,
          place: arrival.value.place.trim(),
        },
      }),
    )
  }, `${arrival.value.product} was booked in.`)
  if (done) {
    arrival.value = { ...blank, place: arrival.value.place }
    request = newId()
  }
}

// What somebody counted.
const key = (l: StockLot) => `${l.product}/${l.lengthM}/${l.place}`
const counting = ref<{ key: string; found: string; reason: string } | null>(null)

async function count(l: StockLot) {
  const c = counting.value!
  const done = await book(
    async () => {
      stock.value = await ask(
        client.POST('/api/stock/counts', {
          body: {
            id: newId(),
            product: l.product,
            lengthM: l.lengthM,
            pieces: c.found.trim() === '' ? -1 : Number(c.found),
            place: l.place,
            reason: c.reason,
          },
        }),
      )
    },
    `${nameOf(l.product)} was counted.`,
  )
  if (done) counting.value = null
}
const fewer = (l: StockLot) => Number(counting.value!.found) < piecesOf(l.amount, l.lengthM)
</script>

<template>
  <section aria-label="In the yard">
    <form class="bar" aria-label="Book in" @submit.prevent="arrive">
      <label class="wide"
        >Came in
        <input
          v-model="arrival.product"
          list="stock-products"
          placeholder="search the price book"
          maxlength="300"
          data-test="arrival-product"
        />
      </label>
      <datalist id="stock-products">
        <option v-for="p in stock.products" :key="p.product" :value="p.name" />
      </datalist>
      <label v-if="chosen?.byMetre"
        >each
        <input
          v-model="arrival.length"
          size="8"
          :placeholder="units === 'METRIC' ? '400 m' : '1312 ft'"
          data-test="arrival-length"
      /></label>
      <label
        >how many <input v-model="arrival.pieces" inputmode="numeric" size="6" data-test="arrival-pieces"
      /></label>
      <label
        >at
        <input
          v-model="arrival.place"
          list="stock-places"
          size="16"
          placeholder="Barn, bay 2"
          maxlength="300"
          data-test="arrival-place"
      /></label>
      <datalist id="stock-places"><option v-for="p in places" :key="p" :value="p" /></datalist>
      <v-btn type="submit" :disabled="busy" data-test="arrive">Book in</v-btn>
      <span class="spring" />
      <input
        v-model="search"
        type="search"
        placeholder="Search the yard"
        aria-label="Search the yard"
        maxlength="200"
        data-test="stock-search"
      />
    </form>
    <p v-if="problem" class="weak" role="alert" data-test="stock-problem">{{ problem }}</p>
    <p v-if="stock.lots.length === 0" class="empty">
      Nothing lies in the yard yet. Book in what you have: a job’s load sheet takes it first, and only the
      rest is bought.
    </p>
    <table v-else class="sheet">
      <thead>
        <tr>
          <th>Product</th>
          <th>Place</th>
          <th class="right">There</th>
          <th class="right together">Together</th>
          <th />
        </tr>
      </thead>
      <tbody v-for="g in groups" :key="g.product">
        <tr v-for="(l, i) in g.lots" :key="key(l)" :data-test="`lot-${l.product}`">
          <td class="name">{{ i === 0 ? g.name : '' }}</td>
          <td>{{ l.place }}</td>
          <td class="right number">{{ piecesText(piecesOf(l.amount, l.lengthM), l.lengthM, units) }}</td>
          <td class="right number together">{{ i === 0 ? total(g.lots) : '' }}</td>
          <td class="act">
            <form v-if="counting?.key === key(l)" class="counted" @submit.prevent="count(l)">
              <label
                >found <input v-model="counting.found" inputmode="numeric" size="6" data-test="count-found"
              /></label>
              <label v-if="fewer(l)"
                >why fewer
                <input v-model="counting.reason" size="18" maxlength="300" data-test="count-reason"
              /></label>
              <v-btn type="submit" :disabled="busy" data-test="count-save">Book</v-btn>
              <button type="button" class="link" @click="counting = null">Leave</button>
            </form>
            <button
              v-else
              class="link"
              data-test="count"
              @click="counting = { key: key(l), found: String(piecesOf(l.amount, l.lengthM)), reason: '' }"
            >
              Count
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.bar,
.counted {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.bar {
  margin-bottom: 10px;
}
input {
  border: 1px solid var(--rule-strong);
  padding: 5px 8px;
  background: var(--paper);
  color: var(--ink);
}
.wide input {
  width: 290px;
  max-width: 100%;
}
.spring {
  flex: 1;
}
.name {
  font-weight: 700;
}
.act {
  width: 1%;
  white-space: nowrap;
  text-align: right;
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 40px 0;
  font-size: 16px;
}
@media (max-width: 760px) {
  .together {
    display: none;
  }
  .act {
    white-space: normal;
  }
}
</style>
