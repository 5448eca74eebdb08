<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { Largest, ReachAnswer } from '@/api/types'
import EntryField from '@/shared/EntryField.vue'
import KitBar from './KitBar.vue'
import PacedRow from './PacedRow.vue'
import { useHeap } from '@/model/heap'
import { useJob } from '@/model/jobStore'
import { useWords } from '@/model/useWords'
import { latestOnly } from '@/shared/latest'
import { areaText, countText, lengthText, parseLengthM } from '@/shared/units'
import { moneyText, parseAmount } from '@/shared/money'

const job = useJob()
const heap = useHeap()
const { say } = useWords()
const answer = shallowRef<ReachAnswer | null>(null)
const problem = ref('')
const shape = ref<'CIRCLE' | 'SQUARE' | 'RECTANGLE' | 'LINE'>('SQUARE')
const ratio = ref(2)
const largest = shallowRef<Largest | null>(null)
const asked = ref(false)

/** What the fence takes and may be on hand, a product a row; what is made on site is no stock. */
const products = computed(() => {
  const rows: { product: string; name: string; unit: string }[] = []
  for (const l of [...(answer.value?.lines ?? []), ...(answer.value?.besides ?? [])]) rows.push(l)
  return rows.sort((a, b) => order(a.product) - order(b.product))
})
const order = (product: string) => job.design?.takeoff.findIndex((t) => t.product === product) ?? 0
const line = (product: string) => answer.value?.lines.find((l) => l.product === product)
const need = (product: string) =>
  [...(answer.value?.lines ?? []), ...(answer.value?.besides ?? [])].find((l) => l.product === product)!.need
const amount = (unit: string, n: number) => (unit === 'm' ? lengthText(n, job.units) : countText(n))
const typed = (p: { product: string; unit: string }) => {
  const have = heap.have[p.product]
  return have === undefined ? '' : amount(p.unit, have)
}

const run = latestOnly(
  () => ask(client.POST('/api/reach', { body: { plan: job.plan!, land: job.land!, heap: heap.items() } })),
  (found) => {
    answer.value = found
    problem.value = ''
  },
  (e) => (problem.value = e instanceof RequestFailed ? e.message : 'That could not be worked out.'),
)
watch(
  () => [job.design, heap.have] as const,
  () => {
    largest.value = null
    asked.value = false
    if (job.plan && job.land && job.design?.layout.lines.length) run(undefined)
  },
  { immediate: true },
)

function put(p: { product: string; unit: string }, text: string) {
  if (text.trim() === '') return heap.put(p.product, null)
  const value = p.unit === 'm' ? parseLengthM(text, job.units) : parseAmount(text)
  if (value === null || value < 0) problem.value = `“${text}” is no ${p.unit === 'm' ? 'length' : 'number'}.`
  else {
    problem.value = ''
    heap.put(p.product, value)
  }
}

async function wish() {
  try {
    const found = await ask(
      client.POST('/api/reach/largest', {
        body: { spec: job.plan!.spec, heap: heap.items(), shape: shape.value, ratio: ratio.value },
      }),
    )
    largest.value = found.largest
    asked.value = true
    problem.value = ''
  } catch (e) {
    problem.value = e instanceof RequestFailed ? e.message : 'That could not be worked out.'
  }
}
const spacing = computed(() => job.plan?.spec.fence.posts.spacingM ?? 0)

/** What lies in the yard becomes what is on hand here. */
async function fromTheYard() {
  try {
    const stock = await ask(client.GET('/api/stock'))
    const all = new Map<string, number>()
    for (const l of stock.lots) all.set(l.product, (all.get(l.product) ?? 0) + l.amount)
    for (const [product, amount] of all) heap.put(product, amount)
    problem.value = stock.lots.length ? '' : 'Nothing lies in the yard: book it in on the page Stock.'
  } catch (e) {
    problem.value = e instanceof RequestFailed ? e.message : 'The stock could not be read.'
  }
}
const binds = computed(() => answer.value?.lines[0] ?? null)
const buy = computed(() => answer.value?.toBuy ?? null)
</script>

<template>
  <div class="reach">
    <header>
      <h1>Material on hand</h1>
      <span class="quiet-text">{{ job.name }}</span>
    </header>
    <p class="quiet-text small">
      Type what lies in the barn or comes in a kit; leave empty what it was never meant to have. Kits are kept
      for the house, what is typed on this device.
      <button class="link" data-test="heap-from-yard" @click="fromTheYard">Take what lies in the yard</button>
    </p>
    <KitBar />
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <p v-if="answer && binds" class="verdict" data-test="reach-verdict">
      <template v-if="answer.reaches">It reaches. </template>
      <template v-else
        >It is short: <b>{{ say(binds.name) }}</b> runs out first, {{ amount(binds.unit, binds.shortBy) }} of
        {{ amount(binds.unit, binds.need) }} are missing ({{
          Math.round((100 * binds.shortBy) / binds.need)
        }}
        %). </template
      ><span v-if="answer.unused.length" class="quiet-text"
        >Not used here: {{ answer.unused.join(', ') }}.</span
      >
    </p>
    <p v-if="answer?.spacingM != null" class="small" data-test="reach-spacing">
      {{ answer.spacingM > spacing + 0.01 ? 'Opened up to' : 'It would reach with posts every' }}
      <b>{{ lengthText(answer.spacingM, job.units) }}</b>{{
        answer.spacingM > spacing + 0.01
          ? ' between posts it reaches.'
          : ' too: some would be left over otherwise.'
      }}
    </p>
    <p v-for="r in answer?.rounds ?? []" :key="r.product" class="small quiet-text">
      {{ say(line(r.product)?.name ?? r.product) }}: {{ r.rounds }}
      {{ r.rounds === 1 ? 'round' : 'rounds' }} and {{ lengthText(r.leftM, job.units) }} left.
    </p>
    <p v-if="buy?.packs.length" class="small" data-test="reach-buy">
      To buy so that it reaches, <b>{{ moneyText(buy.cost, buy.currency) }}</b>:
      <span v-for="(p, i) in buy.packs" :key="i"
        >{{ i ? '; ' : '' }}{{ p.count }} × {{ p.pack }} of {{ say(line(p.product)?.name ?? p.product) }} ({{
          p.supplier
        }})</span
      >.
    </p>
    <p v-if="buy?.unpriced.length" class="small weak">
      In no price book: {{ buy.unpriced.map((p) => say(line(p)?.name ?? p)).join(', ') }}.
    </p>
    <form v-if="binds" class="wish" @submit.prevent="wish">
      <label
        >The largest
        <select v-model="shape" data-test="wish-shape">
          <option value="SQUARE">square</option>
          <option value="CIRCLE">circle</option>
          <option value="RECTANGLE">rectangle</option>
          <option value="LINE">line</option>
        </select></label
      >
      <label v-if="shape === 'RECTANGLE'"
        >as long as wide, times <input v-model.number="ratio" inputmode="decimal" size="4"
      /></label>
      <v-btn type="submit" data-test="wish">that it is enough for</v-btn>
      <span v-if="largest" data-test="wish-answer"
        ><b>{{ lengthText(largest.lengthM, job.units) }}</b
        >{{ largest.areaM2 > 0 ? ` round ${areaText(largest.areaM2, job.units)}` : '' }}, on flat open ground,
        built as this job; {{ say(largest.binds?.name ?? '') }} runs out then.</span
      >
      <span v-else-if="asked" data-test="wish-answer">It is not enough for a few steps of it.</span>
    </form>
    <PacedRow />
    <p v-if="job.nothingLaidOut" class="empty">Nothing is laid out yet.</p>
    <table v-else-if="answer" class="sheet">
      <thead>
        <tr>
          <th>Product</th>
          <th class="right">Needed</th>
          <th>On hand</th>
          <th class="right">Missing</th>
          <th class="right">Left over</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in products" :key="p.product" :class="{ short: (line(p.product)?.shortBy ?? 0) > 0 }">
          <td class="name">{{ say(p.name) }}</td>
          <td class="right number">{{ amount(p.unit, need(p.product)) }}</td>
          <td>
            <EntryField
              :value="typed(p)"
              inputmode="decimal"
              :aria-label="`On hand: ${p.name}`"
              :data-test="`have-${p.product}`"
              class="have"
              @change="put(p, ($event.target as HTMLInputElement).value)"
            />
          </td>
          <td class="right number weak">
            {{ (line(p.product)?.shortBy ?? 0) > 0 ? amount(p.unit, line(p.product)!.shortBy) : '' }}
          </td>
          <td class="right number quiet-text">
            {{ (line(p.product)?.left ?? 0) > 0 ? amount(p.unit, line(p.product)!.left) : '' }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: baseline;
}
.verdict {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 6px 10px;
}
.wish {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin: 8px 0 14px;
}
.wish select,
.wish input,
.have {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
.have {
  width: 110px;
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
