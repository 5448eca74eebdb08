<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { SheetLine, SheetState } from '@/api/types'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { useBooking } from '@/model/useBooking'
import { amountText, moneyText } from '@/shared/money'
import { piecesText } from '@/shared/pieces'
import { dateText, massText, massUnit } from '@/shared/units'
import { newId } from '@/shared/uuid'
import LoadAccounts from './LoadAccounts.vue'
import ReturnForm from './ReturnForm.vue'

type State = SheetState['ticks'][number]['state']
const job = useJob()
const jobId = useOwnJobId()
const state = shallowRef<SheetState | null>(null)
const { problem, busy, book } = useBooking('That did not work.')
let request = newId()

/** Whether it is known if there is a sheet. */
const read = ref(false)
async function load() {
  await book(async () => {
    const found = await ask(client.GET('/api/jobs/{id}/load-sheet', { params: { path: { id: jobId } } }))
    state.value = found.sheet
    read.value = true
  }, '')
}
onMounted(load)

async function make() {
  await job.saveNow()
  const done = await book(async () => {
    state.value = await ask(
      client.POST('/api/jobs/{id}/load-sheet', { params: { path: { id: jobId } }, body: { id: request } }),
    )
  }, 'The load sheet was made out.')
  if (done) request = newId()
}

const sheet = computed(() => state.value?.sheet ?? null)
const closed = computed(() => state.value?.closedAt != null)
const groups = computed(() => {
  const lines = sheet.value?.lines ?? []
  return [...new Set(lines.map((l) => l.group))].map((title) => ({
    title,
    lines: lines.filter((l) => l.group === title),
  }))
})
const tick = (l: SheetLine) => state.value?.ticks.find((t) => t.line === l.number)
const stateOf = (l: SheetLine): State => tick(l)?.state ?? 'OPEN'
const left = computed(() => (sheet.value?.lines ?? []).filter((l) => stateOf(l) !== 'LOADED').length)
const kg = computed(() => (sheet.value?.lines ?? []).reduce((sum, l) => sum + (l.massKg ?? 0), 0))
const noMass = computed(() => (sheet.value?.lines ?? []).filter((l) => l.massKg === null).length)
const cost = computed(() =>
  (sheet.value?.lines ?? []).reduce((sum, l) => sum + (l.source.order?.cost ?? 0), 0),
)

const put = (l: SheetLine, to: State) =>
  book(async () => {
    state.value = await ask(
      client.PUT('/api/load-sheets/{id}/lines/{line}', {
        params: { path: { id: state.value!.id, line: l.number } },
        body: { state: to },
      }),
    )
  }, '')
async function loadAll(lines: SheetLine[]) {
  for (const l of lines) if (stateOf(l) !== 'LOADED' && !(await put(l, 'LOADED'))) return
}
const toggle = (l: SheetLine, to: 'PICKED' | 'LOADED') =>
  put(l, stateOf(l) === to ? (to === 'LOADED' ? 'PICKED' : 'OPEN') : to)

/** What is out of a line's product and length. */
const out = (l: SheetLine) =>
  state.value?.out.find((o) => o.product === l.product && o.lengthM === l.lengthM) ?? null
const returning = ref<number | null>(null)

const close = () =>
  book(async () => {
    state.value = await ask(
      client.POST('/api/load-sheets/{id}/close', { params: { path: { id: state.value!.id } } }),
    )
  }, 'The sheet was closed: what did not come back was used.')
const remove = () =>
  book(async () => {
    await ask(client.DELETE('/api/load-sheets/{id}', { params: { path: { id: state.value!.id } } }))
    state.value = null
    await load()
  }, 'The sheet was taken away.')

const from = (l: SheetLine) =>
  l.source.place ||
  (l.source.order ? `${l.source.order.supplier}, ${l.source.order.code}` : 'nobody prices it')
const file = (name: string) => `/api/load-sheets/${state.value!.id}/${name}`
</script>

<template>
  <div class="load">
    <header>
      <h1>Load and return</h1>
      <span class="quiet-text">{{ [job.name, job.clientName].filter(Boolean).join(' · ') }}</span>
      <span class="spring" />
      <nav v-if="state" class="no-print" aria-label="Files">
        <a :href="file('load-sheet.pdf?paper=A4')">PDF, A4</a>
        <a :href="file('load-sheet.pdf?paper=LETTER')">PDF, Letter</a>
        <a :href="file('load-sheet.xlsx')">Workbook</a>
        <a :href="file('load-sheet.csv')">CSV</a>
        <a :href="file('purchase-list.csv')">Purchase list</a>
        <router-link to="/stock">Stock</router-link>
      </nav>
    </header>
    <p v-if="problem" class="weak" role="alert" data-test="load-problem">{{ problem }}</p>
    <template v-if="!state">
      <p v-if="read" class="empty">
        No sheet yet. It takes what lies in the yard first, then packs from the price book, for the plan as it
        stands.
      </p>
      <v-btn
        class="strong"
        :disabled="busy || !read || !job.design?.layout.lines.length"
        data-test="make-sheet"
        @click="make"
        >Make out the sheet</v-btn
      >
    </template>
    <template v-else-if="sheet">
      <p class="quiet-text small">
        Plan revision {{ sheet.planRevision }}, made out{{ state.madeBy ? ` by ${state.madeBy}` : '' }} on
        {{ dateText(state.madeAt)
        }}<template v-if="closed">, closed on {{ dateText(state.closedAt!) }}</template
        >. Known to weigh {{ massText(kg, job.units) }} {{ massUnit(job.units)
        }}<template v-if="noMass">, {{ noMass }} lines without a mass left out</template>; to buy for
        {{ moneyText(cost, sheet.currency)
        }}<template v-for="d in sheet.deliveries" :key="d.supplier"
          >, freight of {{ d.supplier }} {{ amountText(d.cost) }}</template
        >. What is used first goes on last; keep to what truck and axles may carry.
      </p>
      <p v-if="!closed" class="progress" data-test="load-left">
        <b>{{ left === 0 ? 'All is loaded.' : `${left} of ${sheet.lines.length} still to load.` }}</b>
      </p>
      <section v-for="g in groups" :key="g.title" :aria-label="g.title">
        <h2>
          {{ g.title }}
          <button
            v-if="!closed && g.lines.some((l) => stateOf(l) !== 'LOADED')"
            class="link no-print"
            :disabled="busy"
            :data-test="`all-${g.title}`"
            @click="loadAll(g.lines)"
          >
            all loaded
          </button>
        </h2>
        <ul>
          <li
            v-for="l in g.lines"
            :key="l.number"
            :class="stateOf(l).toLowerCase()"
            :data-test="`load-${l.number}`"
          >
            <div class="what">
              <b>{{ l.name }}</b>
              <span class="quiet-text small">{{ l.bay.toLowerCase() }} · {{ from(l) }}</span>
            </div>
            <span class="number amount">{{ piecesText(l.pieces, l.lengthM, job.units) }}</span>
            <span class="number mass">{{
              l.massKg === null ? '' : `${massText(l.massKg, job.units)} ${massUnit(job.units)}`
            }}</span>
            <span v-if="!closed" class="ticks">
              <button
                v-if="stateOf(l) !== 'LOADED'"
                role="checkbox"
                :aria-checked="stateOf(l) === 'PICKED'"
                :aria-label="`Picked: ${l.name}`"
                :disabled="busy"
                :data-test="`picked-${l.number}`"
                @click="toggle(l, 'PICKED')"
              >
                {{ stateOf(l) === 'PICKED' ? '✓ ' : '' }}Picked
              </button>
              <button
                role="checkbox"
                :aria-checked="stateOf(l) === 'LOADED'"
                :aria-label="`Loaded: ${l.name}`"
                :title="tick(l) ? `${tick(l)!.by}, ${dateText(tick(l)!.at)}` : ''"
                :disabled="busy"
                :data-test="`loaded-${l.number}`"
                @click="toggle(l, 'LOADED')"
              >
                {{ stateOf(l) === 'LOADED' ? '✓ ' : '' }}Loaded
              </button>
              <button
                v-if="stateOf(l) === 'LOADED' && out(l)"
                :aria-expanded="returning === l.number"
                :data-test="`back-${l.number}`"
                @click="returning = returning === l.number ? null : l.number"
              >
                Back …
              </button>
            </span>
            <ReturnForm
              v-if="!closed && returning === l.number && out(l)"
              :sheet="state.id"
              :line="l"
              :out="out(l)!"
              @back="((state = $event), (returning = null))"
            />
          </li>
        </ul>
      </section>
      <LoadAccounts v-if="closed || state.accounts.some((a) => a.returned > 0)" :state="state" />
      <p class="end no-print">
        <template v-if="!closed">
          <v-btn class="strong" :disabled="busy" data-test="close-sheet" @click="close"
            >Close: the rest was built in</v-btn
          >
          <button v-if="state.out.length === 0" class="link" data-test="remove-sheet" @click="remove">
            Take the sheet away
          </button>
        </template>
        <v-btn v-else data-test="make-sheet" :disabled="busy" @click="make">Make out another sheet</v-btn>
        <span v-if="!closed && cost > 0" class="quiet-text small"
          >Bought for this job: {{ sheet.currency }} {{ amountText(cost) }}</span
        >
      </p>
    </template>
  </div>
</template>

<style scoped>
header,
nav,
.end {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: baseline;
}
.spring {
  flex: 1;
}
h2 {
  margin: 14px 0 2px;
}
h2 .link {
  font-size: 14px;
  margin-left: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 1fr 150px 80px 250px;
  gap: 4px 14px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}
.what {
  display: flex;
  flex-direction: column;
}
.amount,
.mass {
  text-align: right;
}
.mass {
  color: var(--quiet);
}
.ticks {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}
.ticks button {
  min-height: 34px;
  padding: 0 12px;
  border: 1px solid var(--rule-strong);
  color: var(--ink);
}
.ticks [aria-checked='true'] {
  background: var(--ink);
  color: var(--paper);
}
li.loaded .what b {
  font-weight: 500;
}
li :deep(form) {
  grid-column: 1 / -1;
}
.end {
  margin-top: 18px;
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 30px 0 10px;
  font-size: 16px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr auto;
  }
  .mass {
    display: none;
  }
  .ticks {
    grid-column: 1 / -1;
    justify-content: stretch;
  }
  .ticks button {
    flex: 1;
    min-height: 46px;
    font-size: 16px;
  }
}
</style>
