<script setup lang="ts">
import { ref } from 'vue'
import type { PriceItem, PriceOffer } from '@/api/types'
import { parseAmount } from '@/shared/money'

/** One item with its prices, edited as text and stored whole. */
const props = defineProps<{ item: PriceItem }>()
const emit = defineEmits<{ save: [item: PriceItem]; remove: []; leave: [] }>()
const today = new Date().toISOString().slice(0, 10)

const code = ref(props.item.code)
const description = ref(props.item.description)
const unit = ref(props.item.unit)
const product = ref(props.item.product)
const substitutes = ref(props.item.substituteFor.join(' '))
const kg = ref(String(props.item.unitKg ?? ''))
const years = ref(String(props.item.lifeYears ?? ''))
const asText = (o: PriceOffer) => ({
  supplier: o.supplier,
  pack: o.pack,
  packSize: String(o.packSize),
  price: String(o.price),
  currency: o.currency,
  fromPacks: String(o.fromPacks),
  date: o.date,
  taxClass: o.taxClass,
})
const offers = ref(props.item.offers.map(asText))
const wrong = ref('')

const add = () =>
  offers.value.push({
    supplier: '',
    pack: 'piece',
    packSize: '1',
    price: '',
    currency: '',
    fromPacks: '1',
    date: today,
    taxClass: '',
  })

function number(text: string, what: string): number {
  const value = parseAmount(text)
  if (value === null) throw new Error(`${what}: “${text}” is no number.`)
  return value
}

function save() {
  try {
    wrong.value = ''
    emit('save', {
      code: code.value.trim(),
      description: description.value.trim(),
      unit: unit.value,
      product: product.value.trim(),
      substituteFor: substitutes.value.split(/\s+/).filter(Boolean),
      unitKg: kg.value.trim() ? number(kg.value, 'Mass') : null,
      lifeYears: years.value.trim() ? number(years.value, 'Service life') : null,
      offers: offers.value.map((o) => ({
        ...o,
        supplier: o.supplier.trim(),
        packSize: number(o.packSize, 'Pack size'),
        price: number(o.price, 'Price'),
        fromPacks: number(o.fromPacks, 'From packs'),
      })),
    })
  } catch (e) {
    wrong.value = (e as Error).message
  }
}
</script>

<template>
  <form class="item" aria-label="Item" @submit.prevent="save">
    <p v-if="wrong" class="weak" role="alert">{{ wrong }}</p>
    <div class="row">
      <label
        >Code<input v-model="code" inputmode="text" :readonly="item.code !== ''" data-test="item-code"
      /></label>
      <label class="wide"
        >Description<input v-model="description" inputmode="text" data-test="item-description"
      /></label>
      <label
        >Unit<select v-model="unit">
          <option value="PCS">pcs</option>
          <option value="M">m</option>
          <option value="FT">ft</option>
        </select></label
      >
      <label class="wide"
        >Serves as<input v-model="product" inputmode="text" data-test="item-product"
      /></label>
      <label class="wide">Substitute for<input v-model="substitutes" inputmode="text" /></label>
      <label>kg each<input v-model="kg" inputmode="decimal" /></label>
      <label>Years<input v-model="years" inputmode="decimal" /></label>
    </div>
    <div v-for="(o, i) in offers" :key="i" class="row">
      <label class="wide"
        >Supplier<input v-model="o.supplier" inputmode="text" data-test="offer-supplier"
      /></label>
      <label>Pack<input v-model="o.pack" inputmode="text" /></label>
      <label>Pack size<input v-model="o.packSize" inputmode="decimal" /></label>
      <label>Price<input v-model="o.price" inputmode="decimal" data-test="offer-price" /></label>
      <label
        >Currency<input v-model="o.currency" inputmode="text" placeholder="the book’s" maxlength="3"
      /></label>
      <label>From packs<input v-model="o.fromPacks" inputmode="numeric" /></label>
      <label>Date<input v-model="o.date" type="date" /></label>
      <label>Tax class<input v-model="o.taxClass" inputmode="text" /></label>
      <button type="button" class="link" @click="offers.splice(i, 1)">remove</button>
    </div>
    <div class="acts">
      <button type="button" class="link" data-test="add-offer" @click="add">Add a price</button>
      <span class="spring" />
      <v-btn class="strong" type="submit" data-test="save-item">Save</v-btn>
      <v-btn @click="emit('leave')">Cancel</v-btn>
      <v-btn v-if="item.code" data-test="remove-item" @click="emit('remove')">Remove</v-btn>
    </div>
  </form>
</template>

<style src="@/components/fields.css" scoped></style>
<style scoped>
.item {
  background: var(--band);
  padding: 6px 12px 12px;
  margin: 6px 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: end;
}
.row label {
  flex: 1 1 90px;
  max-width: 150px;
}
.row .wide {
  flex: 2 1 180px;
  max-width: none;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-top: 10px;
}
.spring {
  flex: 1;
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
