<script setup lang="ts">
import { onMounted, ref, shallowRef, watch } from 'vue'
import { RequestFailed, ask, client, failureText } from '@/api/client'
import type { PriceItem } from '@/api/types'
import { announce } from '@/shared/announce'
import { latestOnly } from '@/shared/latest'
import { amountText } from '@/shared/money'
import { countText } from '@/shared/units'
import ItemForm from './ItemForm.vue'

const PAGE = 50
const search = ref('')
const offset = ref(0)
const revision = ref(0)
const found = ref(0)
const items = shallowRef<PriceItem[]>([])
const problem = ref('')
const open = ref<PriceItem | null>(null)
const adding = ref(false)

const run = latestOnly(
  (query: { search: string; offset: number }) =>
    ask(client.GET('/api/price-book', { params: { query: { ...query, limit: PAGE } } })),
  (page) => {
    revision.value = page.revision
    found.value = page.found
    items.value = page.items
    problem.value = ''
  },
  (e) => (problem.value = e instanceof RequestFailed ? e.message : 'The price book could not be read.'),
)
const load = () => run({ search: search.value, offset: offset.value })
watch(search, () => {
  offset.value = 0
  load()
})
watch(offset, load)
onMounted(load)

const units = { PCS: 'pcs', M: 'm', FT: 'ft' }
const blank: PriceItem = {
  code: '',
  description: '',
  unit: 'PCS',
  product: '',
  substituteFor: [],
  unitKg: null,
  lifeYears: null,
  offers: [],
}
const offerText = (o: PriceItem['offers'][number], unit: PriceItem['unit']) => {
  const of = o.packSize === 1 && unit === 'PCS' ? '' : ` of ${countText(o.packSize)} ${units[unit]}`
  const from = o.fromPacks > 1 ? ` from ${o.fromPacks} on` : ''
  return `${o.pack}${of}${from}`
}

async function store(run: Promise<unknown>, said: string) {
  try {
    await run
    announce(said)
    open.value = null
    adding.value = false
    load()
  } catch (e) {
    problem.value = failureText(e, 'That did not work.')
  }
}
const save = (item: PriceItem) =>
  store(
    ask(client.PUT('/api/price-book/item', { body: { baseRevision: revision.value, item } })),
    `${item.code} was saved.`,
  )
const remove = (item: PriceItem) =>
  store(
    ask(
      client.DELETE('/api/price-book/item', {
        params: { query: { code: item.code, baseRevision: revision.value } },
      }),
    ),
    `${item.code} was removed. Quotes that were sent keep it.`,
  )
</script>

<template>
  <section aria-label="Price book">
    <div class="bar">
      <input
        v-model="search"
        type="search"
        class="field"
        placeholder="Search code, words, supplier"
        aria-label="Search the price book"
        maxlength="200"
        data-test="price-search"
      />
      <span class="quiet-text" data-test="price-found"
        >{{ countText(found) }} items, revision {{ revision }}</span
      >
      <span class="spring" />
      <a href="/api/price-book.csv" data-test="price-csv">CSV</a>
      <a href="/api/price-book.xlsx" data-test="price-xlsx">Workbook</a>
      <v-btn data-test="add-item" @click="((adding = true), (open = null))">Add an item</v-btn>
    </div>
    <p v-if="problem" class="weak" role="alert" data-test="price-problem">{{ problem }}</p>
    <ItemForm v-if="adding" :item="blank" @save="save" @leave="adding = false" />
    <p v-if="found === 0 && !search" class="empty">
      Nothing has a price yet. Import a supplier’s list, or add items one by one.
    </p>
    <table v-else class="sheet">
      <thead>
        <tr>
          <th>Code</th>
          <th>Description</th>
          <th>Serves as</th>
          <th>Packs and prices</th>
          <th class="right">kg</th>
          <th class="right">Years</th>
        </tr>
      </thead>
      <tbody v-for="i in items" :key="i.code">
        <tr :data-test="`item-${i.code}`">
          <td>
            <button
              class="code"
              :aria-expanded="open?.code === i.code"
              @click="open = open?.code === i.code ? null : i"
            >
              {{ i.code }}
            </button>
          </td>
          <td>{{ i.description }}</td>
          <td class="small quiet-text product">{{ i.product }}</td>
          <td>
            <div
              v-for="(o, k) in i.offers"
              :key="k"
              class="offer"
              :title="o.taxClass ? `tax class ${o.taxClass}` : ''"
            >
              <span>{{ offerText(o, i.unit) }}</span>
              <span class="quiet-text small">{{ o.supplier }}, {{ o.date }}</span>
              <span class="number">{{ o.currency }} {{ amountText(o.price) }}</span>
            </div>
          </td>
          <td class="right number">{{ i.unitKg ?? '' }}</td>
          <td class="right number">{{ i.lifeYears ?? '' }}</td>
        </tr>
        <tr v-if="open?.code === i.code">
          <td colspan="6"><ItemForm :item="i" @save="save" @remove="remove(i)" @leave="open = null" /></td>
        </tr>
      </tbody>
    </table>
    <p v-if="found > PAGE" class="pages">
      <v-btn :disabled="offset === 0" @click="offset -= PAGE">Before</v-btn>
      <span class="quiet-text"
        >{{ offset + 1 }} to {{ offset + items.length }} of {{ countText(found) }}</span
      >
      <v-btn :disabled="offset + PAGE >= found" data-test="price-next" @click="offset += PAGE">Next</v-btn>
    </p>
  </section>
</template>

<style scoped>
.bar,
.pages {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin-bottom: 8px;
}
.field {
  border: 1px solid var(--rule-strong);
  padding: 5px 8px;
  width: 260px;
  background: var(--paper);
  color: var(--ink);
}
.spring {
  flex: 1;
}
.code {
  font-weight: 700;
  color: var(--accent);
  text-align: left;
}
.product {
  max-width: 150px;
  overflow-wrap: anywhere;
}
.offer {
  display: grid;
  grid-template-columns: minmax(120px, 1fr) 235px 74px;
  gap: 10px;
  white-space: nowrap;
}
.offer .number {
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
  .offer {
    display: block;
    white-space: normal;
    margin-bottom: 6px;
  }
  .offer span {
    display: block;
    text-align: left;
  }
}
</style>
