<script setup lang="ts">
import { computed, onUnmounted } from 'vue'
import type { PriceView } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useParts } from '@/model/useParts'
import { usePrice } from '@/model/usePrice'
import { useTakeoffSheets } from '@/model/useTakeoffSheets'
import { useWords } from '@/model/useWords'
import { amountText, moneyText, perLengthText, wayText } from '@/shared/money'
import { countText, lengthText, massText, massUnit } from '@/shared/units'
import AmountTable from './AmountTable.vue'
import HoursTable from './HoursTable.vue'
import TermsForm from './TermsForm.vue'

type Row = PriceView['material'][number]
const job = useJob()
const parts = useParts()
const { say } = useWords()
const { price, problem } = usePrice()
const { open } = useTakeoffSheets()
onUnmounted(() => void parts.point(null))

const groups = computed(() => {
  const all = price.value?.material ?? []
  return [...new Set(all.map((m) => m.group))].map((title) => ({
    title,
    rows: all.filter((m) => m.group === title),
  }))
})
const amount = (m: Row, n: number) => (m.unit === 'm' ? lengthText(n, job.units) : countText(n))
const packs = (m: Row) =>
  m.bought.map((b) => {
    const single = b.packSize === 1 && m.unit === 'pcs'
    const of = single ? '' : ` of ${amount(m, b.packSize)}`
    return {
      text: `${countText(b.count)} × ${b.pack}${of}`,
      detail: `${b.code}, ${b.supplier}, ${amountText(b.price)} each`,
    }
  })
const point = (m: Row) => {
  const line = job.design?.takeoff.find((l) => l.product === m.product)
  if (line) void parts.point(line)
}
const mass = computed(() => {
  const bought = (price.value?.material ?? []).filter((m) => !m.made)
  return {
    kg: bought.reduce((sum, m) => sum + (m.massKg ?? 0), 0),
    unknown: bought.filter((m) => m.massKg === null).length,
  }
})
const sums = computed(() => {
  const s = price.value?.sums
  if (!s) return []
  return [
    { key: 'material', text: 'Material', note: 'packs, below', value: s.material },
    {
      key: 'labour',
      text: 'Labour',
      note: `${s.hours.toFixed(1)} h, ${s.days.toFixed(1)} days of the crew`,
      value: s.labour,
    },
    { key: 'machine', text: 'Machines', note: `${s.machineHours.toFixed(1)} h`, value: s.machine },
    {
      key: 'travel',
      text: 'Travel',
      note: `${wayText(s.travelKm, job.units)}, ${s.travelHours.toFixed(1)} h on the road`,
      value: s.travel,
    },
    {
      key: 'freight',
      text: 'Freight',
      note: price.value!.deliveries.map((d) => d.supplier).join(', '),
      value: s.freight,
    },
    { key: 'direct', text: 'Together', note: '', value: s.direct },
    { key: 'overhead', text: 'Overhead', note: '', value: s.overhead },
    { key: 'contingency', text: 'Contingency', note: '', value: s.contingency },
    { key: 'cost', text: 'Cost', note: '', value: s.cost },
    { key: 'margin', text: 'Margin', note: `${s.marginPercent} % of the price before tax`, value: s.margin },
  ]
})
</script>

<template>
  <div class="price">
    <header>
      <h1>Price</h1>
      <span class="quiet-text">{{ [job.name, job.clientName].filter(Boolean).join(' · ') }}</span>
      <span class="spring" />
      <nav class="no-print" aria-label="Files">
        <a :href="`/api/jobs/${job.id}/priced-takeoff.xlsx`" data-test="priced-xlsx">Workbook</a>
        <router-link to="/prices">Price book</router-link>
        <router-link to="/prices?sheet=firm">Firm and rates</router-link>
      </nav>
    </header>
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <p v-if="job.nothingLaidOut" class="empty">Nothing to price yet: lay out a line first.</p>
    <template v-else-if="price">
      <div class="head">
        <dl class="figures">
          <div>
            <dt>Before tax</dt>
            <dd data-test="price-net">{{ moneyText(price.net, price.currency) }}</dd>
          </div>
          <div>
            <dt>With tax</dt>
            <dd data-test="price-total">{{ moneyText(price.total, price.currency) }}</dd>
          </div>
          <div v-if="price.perMetre !== null">
            <dt>Before tax, along the fence</dt>
            <dd>{{ perLengthText(price.perMetre, price.currency, job.units) }}</dd>
          </div>
          <div>
            <dt>Margin</dt>
            <dd data-test="price-margin">{{ price.sums.marginPercent }} %</dd>
          </div>
        </dl>
        <div class="act no-print">
          <v-btn class="strong" data-test="to-quote" @click="open('quote')">Quote …</v-btn>
        </div>
      </div>
      <ul v-if="price.says.length" class="says" aria-label="To look at">
        <li v-for="s in price.says" :key="s" data-test="price-says">{{ say(s) }}</li>
      </ul>
      <div class="columns">
        <section class="built" aria-label="What is asked">
          <h2>What the client is asked</h2>
          <AmountTable :lines="price.lines" :net="price.net" :taxes="price.taxes" :total="price.total" />
        </section>
        <section aria-label="What it costs the house">
          <h2>What it costs the house</h2>
          <table class="sheet">
            <tbody>
              <tr v-for="s in sums" :key="s.key" :class="{ sum: s.key === 'direct' || s.key === 'cost' }">
                <td>
                  {{ s.text }} <span class="quiet-text">{{ s.note }}</span>
                </td>
                <td class="right number">{{ amountText(s.value) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
      <TermsForm />
      <h2>Material</h2>
      <p v-if="mass.kg > 0" class="quiet-text small" data-test="price-mass">
        Whole packs weigh {{ massText(mass.kg, job.units) }} {{ massUnit(job.units)
        }}{{ mass.unknown > 0 ? `, without ${mass.unknown} products whose mass nobody has entered` : '' }}.
      </p>
      <p class="quiet-text small">
        What is counted, what rules and the house add to it, and the cheapest packs over all suppliers. Point
        at a row and its parts light up.
      </p>
      <table class="sheet">
        <template v-for="g in groups" :key="g.title">
          <thead>
            <tr>
              <th>{{ g.title }}</th>
              <th class="right">Counted</th>
              <th class="right">Spare</th>
              <th class="right">Allowance</th>
              <th>To buy</th>
              <th class="right">Left over</th>
              <th class="right">{{ massUnit(job.units) }}</th>
              <th class="right">Cost</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="m in g.rows"
              :key="m.product"
              :data-test="`price-${m.item}`"
              :class="{ open: !m.priced }"
              tabindex="0"
              @pointerenter="point(m)"
              @pointerleave="parts.point(null)"
              @focus="point(m)"
              @blur="parts.point(null)"
            >
              <td class="name">{{ say(m.name) }}</td>
              <td class="right number">{{ amount(m, m.counted) }}</td>
              <td class="right number">{{ m.spare > 0 ? amount(m, m.spare) : '' }}</td>
              <td class="right number">{{ m.allowance > 0 ? amount(m, m.allowance) : '' }}</td>
              <td>
                <span v-if="m.made" class="quiet-text">made on site</span>
                <span v-else-if="!m.priced" class="weak">no price</span>
                <template v-else>
                  <div v-for="(b, i) in packs(m)" :key="i">
                    {{ b.text }} <span class="quiet-text small">{{ b.detail }}</span>
                  </div>
                  <span v-if="m.substitute" class="weak small">in its place</span>
                </template>
              </td>
              <td class="right number quiet-text">{{ m.left > 0 ? amount(m, m.left) : '' }}</td>
              <td class="right number">{{ m.massKg === null ? '' : massText(m.massKg, job.units) }}</td>
              <td class="right number">{{ m.made ? '' : amountText(m.cost) }}</td>
            </tr>
          </tbody>
        </template>
      </table>
      <HoursTable :labour="price.labour" />
    </template>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: baseline;
}
.spring {
  flex: 1;
}
nav {
  display: flex;
  gap: 14px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 34px;
  align-items: end;
  margin: 8px 0 12px;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 34px;
  margin: 0;
}
.figures dt {
  font-size: 12px;
  color: var(--quiet);
}
.figures dd {
  margin: 0;
  font:
    600 24px/1.2 'Barlow Condensed',
    sans-serif;
}
.act {
  margin-left: auto;
}
.says {
  list-style: none;
  padding: 0;
  margin: 0 0 12px;
}
.says li {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 4px 10px;
  margin-bottom: 4px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 6px 34px;
}
.sum td {
  font-weight: 700;
}
h2 {
  margin-top: 18px;
}
thead th {
  padding-top: 12px !important;
}
tbody tr:hover,
tbody tr:focus {
  background: var(--band);
}
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
