<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { ask, client, RequestFailed, storePicture } from '@/api/client'
import type { Firm } from '@/api/types'
import { announce } from '@/shared/announce'
import { asLines, enterNumber, listed, typed } from './entries'
import FirmTexts from './FirmTexts.vue'
import { rateFields } from './rateFields'

const firm = ref<Firm | null>(null)
const revision = ref(0)
const named = ref<string[]>([])
const problem = ref('')

async function load() {
  const state = await ask(client.GET('/api/firm'))
  firm.value = structuredClone(state.firm)
  revision.value = state.revision
  named.value = await ask(client.GET('/api/price-book/suppliers'))
}
onMounted(() => load().catch((e) => (problem.value = (e as Error).message)))

const number = (e: Event, then: (n: number) => void) => enterNumber(e, then, (text) => (problem.value = text))
/** Of suppliers that the price book names and of whom no freight is known yet. */
const without = computed(() => named.value.filter((n) => !firm.value?.suppliers.some((s) => s.name === n)))
const schools: { id: string; text: string; effect: string; of: [number, number, number, number] }[] = [
  { id: 'COUNT', text: 'the count', effect: 'whoever runs short drives back', of: [0, 0, 0, 0] },
  { id: 'SOME', text: 'a few more', effect: 'what drops in the grass is there', of: [2, 0, 5, 5] },
  { id: 'PLENTY', text: 'plenty', effect: 'nobody drives back, money lies in the barn', of: [5, 3, 10, 10] },
]
const school = computed(() => {
  const a = firm.value?.rates.allowances
  return schools.find(
    (s) =>
      a &&
      s.of[0] === a.postsPercent &&
      s.of[1] === a.wirePercent &&
      s.of[2] === a.smallPartsPercent &&
      s.of[3] === a.cablePercent,
  )?.id
})
function follow(s: (typeof schools)[number]) {
  const a = firm.value!.rates.allowances
  ;[a.postsPercent, a.wirePercent, a.smallPartsPercent, a.cablePercent] = s.of
}

async function setMark(e: Event) {
  const file = (e.target as HTMLInputElement).files?.[0]
  if (!file) return
  const input = e.target as HTMLInputElement
  try {
    firm.value!.mark = (await storePicture(file, file.name)).hash
    problem.value = ''
  } catch (failure) {
    problem.value = failure instanceof RequestFailed ? failure.message : 'The picture could not be read.'
  } finally {
    input.value = ''
  }
}

async function save() {
  try {
    problem.value = ''
    const state = await ask(
      client.PUT('/api/firm', { body: { baseRevision: revision.value, firm: firm.value! } }),
    )
    revision.value = state.revision
    firm.value = structuredClone(state.firm)
    announce('The firm’s rates and words were saved. Quotes that were sent stay as they are.')
  } catch (e) {
    problem.value =
      e instanceof RequestFailed
        ? [e.message, ...e.places.map((p) => `${p.path}: ${p.message}`)].join(' ')
        : 'That did not work.'
  }
}
</script>

<template>
  <form v-if="firm" class="firm" aria-label="Firm and rates" @submit.prevent="save">
    <p v-if="problem" class="weak" role="alert" data-test="firm-problem">{{ problem }}</p>
    <div class="grid">
      <section>
        <h2>On paper</h2>
        <label
          >Name<input v-model="firm.name" inputmode="text" maxlength="200" data-test="firm-name"
        /></label>
        <label
          >Address, a line each<textarea
            :value="asLines(firm.address)"
            rows="3"
            @change="firm.address = listed(typed($event))"
          />
        </label>
        <label>How to reach you<input v-model="firm.contact" inputmode="text" maxlength="200" /></label>
        <p class="mark">
          <img v-if="firm.mark" :src="`/api/attachments/${firm.mark}`" alt="The firm’s mark" height="60" />
          <label class="file"
            ><span>{{ firm.mark ? 'Another mark …' : 'A mark for the head of quotes, PNG or JPEG …' }}</span
            ><input type="file" accept="image/png,image/jpeg" data-test="firm-mark" @change="setMark"
          /></label>
          <button v-if="firm.mark" type="button" class="link" @click="firm.mark = null">without</button>
        </p>
        <label
          >A quote holds for, days<input
            :value="firm.texts.validDays"
            inputmode="numeric"
            @change="number($event, (n) => (firm!.texts.validDays = n))"
        /></label>
      </section>
      <section>
        <h2>Rates</h2>
        <label v-for="f in rateFields" :key="f.test"
          >{{ f.text
          }}<input
            :value="f.get(firm.rates)"
            inputmode="decimal"
            :data-test="`rate-${f.test}`"
            @change="number($event, (n) => f.set(firm!.rates, n))"
        /></label>
      </section>
      <section>
        <h2>More than the count</h2>
        <div v-for="s in schools" :key="s.id" class="school">
          <label class="check"
            ><input
              type="radio"
              :checked="school === s.id"
              name="allowance"
              :data-test="`school-${s.id}`"
              @change="follow(s)"
            />
            {{ s.text }}: posts {{ s.of[0] }} %, wire {{ s.of[1] }} %, small parts {{ s.of[2] }} %, cable
            {{ s.of[3] }} %</label
          >
          <p class="small quiet-text">{{ s.effect }}</p>
        </div>
        <p class="small quiet-text">
          Shown beside the count, never inside it; spares that rules ask for stand for themselves.
        </p>
        <div v-for="(o, i) in firm.rates.allowances.own" :key="i" class="pair">
          <label
            >Product<input v-model="o.product" inputmode="text" placeholder="insulator.timber.usual"
          /></label>
          <label
            >%<input :value="o.percent" inputmode="decimal" @change="number($event, (n) => (o.percent = n))"
          /></label>
        </div>
        <button
          type="button"
          class="link"
          @click="firm.rates.allowances.own.push({ product: '', percent: 0 })"
        >
          A percentage of its own for a product
        </button>
        <h2>Money and tax</h2>
        <label>Currency<input v-model="firm.currency" inputmode="text" maxlength="3" /></label>
        <div v-for="(t, i) in firm.rates.tax.rates" :key="i" class="pair">
          <label>Class<input v-model="t.taxClass" inputmode="text" /></label>
          <label
            >Tax, %<input
              :value="t.percent"
              inputmode="decimal"
              @change="number($event, (n) => (t.percent = n))"
          /></label>
        </div>
        <button
          type="button"
          class="link"
          @click="firm.rates.tax.rates.push({ taxClass: 'other', percent: 0 })"
        >
          Add a class
        </button>
        <div class="pair">
          <label>Class of goods<input v-model="firm.rates.tax.goodsClass" inputmode="text" /></label>
          <label>Class of work<input v-model="firm.rates.tax.workClass" inputmode="text" /></label>
        </div>
        <label
          >Tax is rounded<select v-model="firm.rates.tax.rounding">
            <option value="PER_RATE">once for each rate</option>
            <option value="PER_LINE">on each amount</option>
          </select></label
        >
        <p class="small quiet-text">Cents are rounded half up, always.</p>
        <h2>Freight of a delivery</h2>
        <div v-for="(s, i) in firm.suppliers" :key="s.name" class="pair">
          <label
            >{{ s.name
            }}<input :value="s.freight" inputmode="decimal" @change="number($event, (n) => (s.freight = n))"
          /></label>
          <button type="button" class="link" @click="firm.suppliers.splice(i, 1)">remove</button>
        </div>
        <p v-for="n in without" :key="n" class="small">
          {{ n }} delivers free as far as is known.
          <button type="button" class="link" @click="firm.suppliers.push({ name: n, freight: 0 })">
            say what it costs
          </button>
        </p>
      </section>
      <FirmTexts v-model="firm.texts" @problem="problem = $event" />
    </div>
    <p class="foot">
      <v-btn class="strong" type="submit" data-test="save-firm">Save</v-btn>
      <span class="quiet-text">revision {{ revision }}</span>
    </p>
  </form>
  <p v-else class="quiet-text">{{ problem || 'Reading …' }}</p>
</template>

<style src="@/components/fields.css" scoped></style>
<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
  gap: 10px 34px;
}
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
.mark {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.file {
  border: 1px dashed var(--rule-strong);
  padding: 6px 10px;
  cursor: pointer;
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.file:focus-within {
  outline: 2px solid var(--accent);
}
.school p {
  margin: 0 0 4px 22px;
}
.foot {
  display: flex;
  gap: 14px;
  align-items: center;
  position: sticky;
  bottom: 0;
  background: var(--paper);
  padding: 8px 0;
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
