<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Electrics, Plate } from '@/api/types'
import RuleChips from '@/features/help/RuleChips.vue'
import { useJob } from '@/features/job/jobStore'
import EntryField from '@/shared/EntryField.vue'
import { kvText, lengthText } from '@/shared/units'
import { useElectrics } from './useElectrics'
import { metWords } from './words'

const props = defineProps<{ electrics: Electrics }>()
const job = useJob()
const { power, setPower } = useElectrics()
const chosen = computed(() => power.value.energizer?.name ?? '')
const choose = (plate: Plate | null) => setPower({ energizer: plate })

/** A plate of one's own. */
const own = ref({
  name: '',
  storedJ: '',
  out500J: '',
  openKv: '',
  v500Kv: '',
  v100Kv: '',
  perMinute: '45',
  price: '',
})
const refused = ref('')
function take() {
  const number = (text: string) => Number(text.trim().replace(',', '.'))
  const storedJ = number(own.value.storedJ)
  const out500J = number(own.value.out500J)
  const openV = number(own.value.openKv) * 1000
  const v500 = number(own.value.v500Kv) * 1000
  const perMinute = number(own.value.perMinute)
  const given = (text: string) => (text.trim() === '' ? null : number(text))
  const v100 = given(own.value.v100Kv)
  const price = given(own.value.price)
  if (![storedJ, out500J, openV, v500, perMinute, v100 ?? 1, 1 + (price ?? 0)].every((n) => n > 0)) {
    refused.value =
      'Give stored and output joules, both kilovolts and pulses a minute, as the plate has them; 100 Ω and price only if known.'
    return
  }
  refused.value = ''
  choose({
    name: own.value.name.trim() || 'own plate',
    storedJ,
    out500J,
    openV,
    v500,
    v100: v100 === null ? null : v100 * 1000,
    perMinute,
    price,
  })
}
const need = computed(() => props.electrics.needV)
</script>

<template>
  <div>
    <h2>Which energizer, and why</h2>
    <p class="why" data-test="recommended">{{ electrics.recommended || 'Being compared …' }}</p>
    <p v-if="electrics.weakest" class="small quiet-text">
      Reckoned with: {{ electrics.energizer.name
      }}{{ electrics.chosen ? ', as chosen' : ', as recommended' }}. Weakest point
      {{ kvText(electrics.weakest.likelyV) }} kV likely, {{ kvText(electrics.weakest.lowV) }} to
      {{ kvText(electrics.weakest.highV) }}. <RuleChips :rules="['V11', 'V13', 'E7']" />
    </p>
    <table class="sheet">
      <thead>
        <tr>
          <th>Energizer</th>
          <th class="right">clean, kV</th>
          <th class="right">as set</th>
          <th class="right">heavy</th>
          <th>need {{ need === null ? '' : kvText(need) }}</th>
          <th class="right">W</th>
          <th class="right">rods</th>
          <th class="right">price</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="c in electrics.candidates"
          :key="c.plate.name"
          :class="{ here: c.plate.name === (chosen || electrics.energizer.name) }"
        >
          <td>
            <button
              class="pick"
              :aria-pressed="c.plate.name === chosen"
              :data-test="`energizer-${c.plate.name}`"
              @click="choose(c.plate)"
            >
              <span class="dot" :class="{ on: c.plate.name === chosen }" />{{ c.plate.name }}
            </button>
            <span v-if="!c.plate.name.includes(`${c.plate.out500J} J`)" class="small quiet-text">
              {{ c.plate.out500J }} J</span
            >
            <b v-if="c.recommended" class="small"> recommended</b>
            <span v-if="c.over5J" class="small weak"> over 5 J <RuleChips :rules="['C13']" /></span>
          </td>
          <td class="right number">{{ kvText(c.cleanV) }}</td>
          <td class="right number" :class="c.met">{{ kvText(c.likelyV) }}</td>
          <td class="right number" :class="c.metHeavy">{{ kvText(c.heavyV) }}</td>
          <td :class="c.met">
            {{ c.metHeavy === 'MET' ? 'met, heavy too' : metWords[c.met] }}
          </td>
          <td class="right number">{{ c.drawW.toFixed(1) }}</td>
          <td class="right number">{{ lengthText(c.rodM, job.units) }}</td>
          <td class="right number">{{ c.plate.price === null ? '–' : c.plate.price.toFixed(0) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet-text">
      Peaks at the weakest point of this fence with the wires clean, as set above and heavily overgrown;
      joules are what a pulse leaves in 500 ohm, W the mean draw in the chosen mode, rods their length by
      school G4. These energizers are of no maker, made up to plan with, prices and all; plate and price of
      the one you buy decide. Feed the fence from a certified energizer only.
      <RuleChips :rules="['C1', 'C12']" />
    </p>
    <div class="row">
      <v-btn :disabled="!chosen" data-test="no-choice" @click="choose(null)">Go by the recommendation</v-btn>
      <a class="link" :href="`/api/jobs/${job.id}/energizer.pdf`" data-test="why-pdf"
        >Why this energizer, PDF</a
      >
      <a class="link" :href="`/api/jobs/${job.id}/electrics.csv`">All numbers, CSV</a>
    </div>
    <h3>A plate of your own</h3>
    <form class="plate" @submit.prevent="take">
      <label
        >Name<EntryField :value="own.name" @input="own.name = ($event.target as HTMLInputElement).value"
      /></label>
      <label>stored, J<input v-model="own.storedJ" inputmode="decimal" data-test="plate-stored" /></label>
      <label>into 500 Ω, J<input v-model="own.out500J" inputmode="decimal" data-test="plate-out" /></label>
      <label>open, kV<input v-model="own.openKv" inputmode="decimal" data-test="plate-open" /></label>
      <label>at 500 Ω, kV<input v-model="own.v500Kv" inputmode="decimal" data-test="plate-500" /></label>
      <label>at 100 Ω, kV<input v-model="own.v100Kv" inputmode="decimal" placeholder="if given" /></label>
      <label>pulses a minute<input v-model="own.perMinute" inputmode="decimal" /></label>
      <label>price<input v-model="own.price" inputmode="decimal" placeholder="if known" /></label>
      <v-btn type="submit" data-test="take-plate">Try it</v-btn>
    </form>
    <p v-if="refused" role="alert" class="weak">{{ refused }}</p>
    <p
      v-for="f in electrics.findings.filter((x) => x.rule === 'E7')"
      :key="f.message"
      role="alert"
      class="weak"
    >
      {{ f.message }}
    </p>
  </div>
</template>

<style scoped src="../layout/fields.css" />
<style scoped src="./electrics.css" />
<style scoped>
.plate {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  align-items: end;
}
</style>
