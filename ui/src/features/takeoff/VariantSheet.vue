<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { RevisionInfo, VariantAnswer, VariantFigures } from '@/api/types'
import { metWords } from '@/model/electricsWords'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { useTerms } from '@/model/terms'
import { useBooking } from '@/model/useBooking'
import { announce } from '@/shared/announce'
import { keptRef } from '@/shared/kept'
import { moneyText } from '@/shared/money'
import { countText, dateText, forceText, kvText, stationText } from '@/shared/units'
import { newId } from '@/shared/uuid'

/** Named revisions of the plan side by side with the plan as it stands. */
const MOST = 4
const KM_PER_MILE = 1.609344
const job = useJob()
const jobId = useOwnJobId()
const own = useTerms()
const revisions = shallowRef<RevisionInfo[]>([])
const chosen = ref<number[]>([])
const answer = shallowRef<VariantAnswer | null>(null)
const name = ref('')
const years = keptRef('buckle.variant.years', 20, (v): v is number => typeof v === 'number')
const upkeep = keptRef('buckle.variant.upkeep', 10, (v): v is number => typeof v === 'number')
const { problem, busy, book } = useBooking('The variants could not be compared.')

const named = computed(() => revisions.value.filter((r) => r.label && r.revision !== job.revision))
const label = (revision: number) =>
  revisions.value.find((r) => r.revision === revision)?.label ||
  (revision === job.revision ? 'the plan now' : `revision ${revision}`)

async function load() {
  await book(async () => {
    await job.saveNow()
    revisions.value = await ask(client.GET('/api/jobs/{id}/revisions', { params: { path: { id: jobId } } }))
    const known = chosen.value.filter((c) => named.value.some((r) => r.revision === c))
    chosen.value = known.length ? known : named.value.slice(0, MOST - 1).map((r) => r.revision)
    await compare()
  }, '')
}
onMounted(load)

async function compare() {
  if (!job.design?.layout.lines.length) return (answer.value = null)
  answer.value = await ask(
    client.POST('/api/jobs/{id}/variants', {
      params: { path: { id: jobId } },
      body: {
        revisions: [job.revision, ...chosen.value],
        life: { years: years.value, upkeepHoursPerKm: upkeep.value },
      },
    }),
  )
}
const again = () => book(compare, '')
function pick(revision: number) {
  chosen.value = chosen.value.includes(revision)
    ? chosen.value.filter((c) => c !== revision)
    : [...chosen.value, revision].slice(-(MOST - 1))
  void again()
}

const keep = () =>
  book(async () => {
    await job.saveNow()
    if (job.id !== jobId) return announce('The plan was not named: another job was opened meanwhile.')
    await ask(
      client.PUT('/api/jobs/{id}/revisions/{revision}/label', {
        params: { path: { id: jobId, revision: job.revision } },
        body: { label: name.value.trim() },
      }),
    )
    announce('The plan is kept under that name. Go on changing it: what you change goes into a new revision.')
    name.value = ''
    await load()
  }, '')

const choose = (revision: number) =>
  book(async () => {
    const text = label(revision)
    await job.restore(revision)
    if (job.id !== jobId) return
    announce(`“${text}” is the plan now, as revision ${job.revision}. The others are kept.`)
    await load()
  }, '')

/** As an option the client may tick instead of the plan as it stands. */
const offer = (revision: number) =>
  book(async () => {
    const more = answer.value!.variants.find((v) => v.revision === revision)!.more
    const text = `${label(revision)} instead of the fence as planned`
    own.change({
      ...own.terms,
      options: [
        ...own.terms.options.filter((o) => o.text !== text),
        { id: newId(), text, amount: more, taxClass: '', oneOf: 'fence' },
      ],
    })
    await own.stored()
  }, 'It stands among the options of the next quote.')

const now = computed(() => answer.value?.variants[0]?.figures ?? null)
type Row = {
  key: string
  text: string
  of: (v: VariantFigures) => string
  by?: (v: VariantFigures) => number
}
const money = (n: number) => moneyText(n, answer.value!.currency)
const rows = computed<Row[]>(() => [
  { key: 'length', text: 'Fence', of: (v) => stationText(v.lengthM, job.units), by: (v) => v.lengthM },
  { key: 'posts', text: 'Posts', of: (v) => countText(v.posts), by: (v) => v.posts },
  {
    key: 'strong',
    text: 'of which strong and brace posts',
    of: (v) => countText(v.strongPosts),
    by: (v) => v.strongPosts,
  },
  { key: 'wire', text: 'Wire', of: (v) => stationText(v.wireM, job.units), by: (v) => v.wireM },
  { key: 'insulators', text: 'Insulators', of: (v) => countText(v.insulators), by: (v) => v.insulators },
  {
    key: 'weakest',
    text: 'Weakest point, likely',
    of: (v) => (v.weakestV === null ? '' : `${kvText(v.weakestV)} kV${v.met ? `, ${metWords[v.met]}` : ''}`),
  },
  {
    key: 'uplift',
    text: 'Uplift at worst strong post',
    of: (v) => forceText(v.upliftN, job.units),
    by: (v) => v.upliftN,
  },
  { key: 'hours', text: 'Hours', of: (v) => countText(Math.round(v.hours)), by: (v) => v.hours },
  { key: 'net', text: 'Price before tax', of: (v) => money(v.net), by: (v) => v.net },
  { key: 'renewals', text: `Renewed in ${years.value} years`, of: (v) => money(v.life.renewals) },
  { key: 'upkeep', text: `Upkeep in ${years.value} years`, of: (v) => money(v.life.upkeep) },
  {
    key: 'life',
    text: `Over ${years.value} years`,
    of: (v) => money(v.life.total),
    by: (v) => v.life.total,
  },
])
const difference = (row: Row, v: VariantFigures) => {
  if (!row.by || !now.value || v === now.value || row.by(now.value) === 0) return ''
  const percent = Math.round((row.by(v) / row.by(now.value) - 1) * 1000) / 10
  return percent === 0 ? 'the same' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`
}
const number = (e: Event) => Number((e.target as HTMLInputElement).value.replace(',', '.'))
</script>

<template>
  <div class="variants">
    <header>
      <h1>Variants</h1>
      <span class="quiet-text">{{ [job.name, job.clientName].filter(Boolean).join(' · ') }}</span>
    </header>
    <p class="quiet-text small">
      Keep the plan under a name, change it, keep it again: named revisions stand beside the plan as it is.
      Choose one and it becomes the plan; the others are kept.
    </p>
    <p v-if="problem" class="weak" role="alert" data-test="variant-problem">{{ problem }}</p>
    <form class="bar" @submit.prevent="keep">
      <label
        >Keep the plan as
        <input v-model="name" maxlength="100" placeholder="five wires, timber" data-test="variant-name"
      /></label>
      <v-btn type="submit" :disabled="busy || !name.trim()" data-test="keep-variant">Keep</v-btn>
      <span class="spring" />
      <label
        >Over
        <input
          :value="years"
          inputmode="numeric"
          size="3"
          data-test="variant-years"
          @change="((years = number($event)), again())"
        />
        years</label
      >
      <label
        >upkeep
        <input
          :value="job.units === 'METRIC' ? upkeep : Math.round(upkeep * KM_PER_MILE * 10) / 10"
          inputmode="decimal"
          size="4"
          data-test="variant-upkeep"
          @change="
            ((upkeep = job.units === 'METRIC' ? number($event) : number($event) / KM_PER_MILE), again())
          "
        />
        h a {{ job.units === 'METRIC' ? 'km' : 'mile' }} and year</label
      >
    </form>
    <p v-if="named.length" class="picks">
      <label v-for="r in named" :key="r.revision" :title="dateText(r.savedAt)"
        ><input
          type="checkbox"
          :checked="chosen.includes(r.revision)"
          :data-test="`compare-${r.label}`"
          @change="pick(r.revision)"
        />
        {{ r.label }}</label
      >
    </p>
    <p v-if="job.nothingLaidOut" class="empty">Nothing is laid out yet.</p>
    <table v-else-if="answer" class="sheet" data-test="variants">
      <thead>
        <tr>
          <th />
          <th v-for="v in answer.variants" :key="v.revision" class="right">
            {{ label(v.revision) }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.key" :class="{ sum: row.key === 'life' || row.key === 'net' }">
          <td class="name">{{ row.text }}</td>
          <td
            v-for="v in answer.variants"
            :key="v.revision"
            class="right number"
            :data-test="`variant-${row.key}`"
          >
            {{ row.of(v.figures) }}
            <span class="quiet-text small">{{ difference(row, v.figures) }}</span>
          </td>
        </tr>
        <tr v-if="answer.variants.length > 1" class="no-print">
          <td />
          <td v-for="(v, i) in answer.variants" :key="v.revision" class="right act">
            <template v-if="i > 0">
              <v-btn :disabled="busy" :data-test="`choose-${label(v.revision)}`" @click="choose(v.revision)"
                >Choose</v-btn
              >
              <button class="link" :disabled="busy" data-test="offer-variant" @click="offer(v.revision)">
                Offer in the quote
              </button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="answer" class="quiet-text small foot">
      At today’s prices, without interest. What the price book gives a service life is bought and put up again
      when it is over; what it gives none is taken to last. Upkeep is walking, mending and mowing, at the cost
      of an hour.
    </p>
  </div>
</template>

<style scoped>
header,
.bar,
.picks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: baseline;
}
.spring {
  flex: 1;
}
.bar input {
  border: 1px solid var(--rule-strong);
  padding: 5px 8px;
  background: var(--paper);
  color: var(--ink);
}
.name {
  font-weight: 700;
}
.sum td {
  border-top: 1px solid var(--rule-strong);
  font-weight: 700;
}
.act {
  white-space: nowrap;
}
.act .link {
  margin-left: 10px;
}
td .small {
  display: block;
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 30px 0;
  font-size: 16px;
}
@media (max-width: 760px) {
  .sheet {
    display: block;
    overflow-x: auto;
  }
}
</style>
