<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Electrics, EnergizerRating } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import EntryField from '@/shared/EntryField.vue'
import { kvText, lengthText } from '@/shared/units'
import { useElectrics } from '@/model/useElectrics'
import { metWords, ohmText } from '@/model/electricsWords'
import { useWords } from '@/model/useWords'

type Candidate = NonNullable<Electrics['energizers']>['candidates'][number]
const props = defineProps<{ electrics: Electrics }>()
const job = useJob()
const { supply, setSupply } = useElectrics()
const chosen = computed(() => supply.value.energizer?.name ?? '')
const choose = (plate: EnergizerRating | null) => setSupply({ energizer: plate })

/** A plate of one's own. */
const own = ref({
  name: '',
  storedJ: '',
  out500J: '',
  openKv: '',
  v500Kv: '',
  v100Kv: '',
  perMinute: '45',
  fullW: '',
  slowW: '',
  price: '',
})
const refused = ref('')
/** Nothing when the field is empty, NaN when it holds no number above 0. */
function given(text: string): number | null {
  if (text.trim() === '') return null
  const value = Number(text.trim().replace(',', '.'))
  return value > 0 ? value : NaN
}
const volts = (kv: number) => Math.round(kv * 1000)
function take() {
  const o = own.value
  const [storedJ, out500J, openKv, v500Kv, v100Kv, perMinute, fullW, slowW] = [
    o.storedJ,
    o.out500J,
    o.openKv,
    o.v500Kv,
    o.v100Kv,
    o.perMinute,
    o.fullW,
    o.slowW,
  ].map(given) as (number | null)[]
  const price = o.price.trim() === '0' ? 0 : given(o.price)
  const all = [storedJ, out500J, openKv, v500Kv, v100Kv, perMinute, fullW, slowW, price]
  if (!openKv || !v500Kv || !perMinute || !(storedJ || out500J) || all.some(Number.isNaN)) {
    refused.value =
      'Give both kilovolts, the pulses a minute and at least one of the two energies, as the plate has them; the rest only if it is known. Nothing was changed.'
    return
  }
  refused.value = ''
  choose({
    name: o.name.trim() || 'own energizer',
    storedJ: storedJ ?? null,
    out500J: out500J ?? null,
    openV: volts(openKv),
    v500: volts(v500Kv),
    v100: v100Kv ? volts(v100Kv) : null,
    perMinute,
    draw: { fullW: fullW ?? null, slowW: slowW ?? null },
    price,
  })
}
const { say } = useWords()
const earthText = (need: Candidate['earth']) =>
  need.rods === null ? `under ${ohmText(need.mostOhm)}` : `${need.rods} × ${lengthText(need.rodM, job.units)}`
const candidates = computed(() => props.electrics.energizers?.candidates ?? [])
const need = computed(() => props.electrics.needV)

/** What is too low on this fence is folded away, unless it was chosen or nothing holds. */
const everyOne = ref(false)
const tooLow = computed(() => {
  const low = candidates.value.filter((c) => c.met === 'BROKEN' && c.plate.name !== chosen.value)
  return low.length < candidates.value.length ? low : []
})
const shown = computed(() =>
  everyOne.value ? candidates.value : candidates.value.filter((c) => !tooLow.value.includes(c)),
)
const lowSays = computed(() => {
  const best = tooLow.value.reduce((most, c) => Math.max(most, c.likelyV), 0)
  const many = tooLow.value.length
  return `${many} ${many === 1 ? 'is' : 'are'} too low here, ${kvText(best)} kV at most`
})
</script>

<template>
  <div>
    <h2>Which energizer, and why</h2>
    <p class="why" data-test="recommended">{{ electrics.energizers?.why ?? 'Being compared …' }}</p>
    <p v-if="electrics.weakest" class="small quiet-text">
      Calculated with: {{ electrics.energizer.name
      }}{{ electrics.chosen ? ', as chosen' : ', as recommended' }}. Weakest point
      {{ kvText(electrics.weakest.likelyV) }} kV likely, {{ kvText(electrics.weakest.lowV) }} to
      {{ kvText(electrics.weakest.highV) }}. <RuleChips :rules="['V11', 'V13', 'E7']" />
    </p>
    <table class="sheet energizers">
      <thead>
        <tr>
          <th>Energizer</th>
          <th class="right">clean, kV</th>
          <th class="right">as set</th>
          <th class="right">heavy</th>
          <th>need {{ need === null ? '' : kvText(need) }}</th>
          <th class="right at-desk">in animal, J</th>
          <th class="right at-desk">W</th>
          <th class="right at-desk">rods</th>
          <th class="right at-desk">price</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="c in shown"
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
            <span v-if="!c.plate.name.includes(`${c.outJ} J`)" class="small quiet-text">
              {{ Number(c.outJ.toPrecision(2)) }} J</span
            >
            <span v-if="c.recommended" class="number"> recommended</span>
            <span class="in-hand small quiet-text"
              >{{ c.drawW.toFixed(1) }} W · {{ earthText(c.earth)
              }}{{ c.plate.price === null ? '' : ` · ${c.plate.price.toFixed(0)}` }}</span
            >
            <span v-if="c.over5J" class="number weak"> over 5 J <RuleChips :rules="['C13']" /></span>
          </td>
          <td class="right number">{{ kvText(c.cleanV) }}</td>
          <td class="right number" :class="c.met">{{ kvText(c.likelyV) }}</td>
          <td class="right number" :class="c.metHeavy">{{ kvText(c.heavyV) }}</td>
          <td class="verdict" :class="c.met">
            {{ c.metHeavy === 'MET' ? 'met, heavy too' : metWords[c.met] }}
          </td>
          <td class="right number at-desk" :class="{ weak: (c.bodyJ ?? 0) < (c.needJ ?? 0) }">
            {{ c.bodyJ === null ? '–' : Number(c.bodyJ.toPrecision(2)) }}
          </td>
          <td class="right number at-desk">{{ c.drawW.toFixed(1) }}</td>
          <td class="right number at-desk">{{ earthText(c.earth) }}</td>
          <td class="right number at-desk">{{ c.plate.price === null ? '–' : c.plate.price.toFixed(0) }}</td>
        </tr>
        <tr v-if="tooLow.length">
          <td colspan="9" class="quiet-text">
            {{ lowSays }}
            <button class="link" :aria-expanded="everyOne" data-test="too-low" @click="everyOne = !everyOne">
              {{ everyOne ? 'leave out' : 'show' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet-text">
      Peaks at the weakest point of this fence with the wires clean, as set above and heavily overgrown;
      joules are what a pulse leaves in 500 ohm, and in the animal that gets least for its need there<template
        v-if="candidates[0]?.needJ"
      >
        ({{ candidates[0].needJ }} J wanted)</template
      >, W the mean draw in the chosen mode, rods what keeps the last one under its limit in the
      {{ say('earth test') }}
      (or how few ohms, where a dozen do not). These are generic energizers to plan with, prices too; the
      rating plate and price of the one you buy decide. Feed the fence from a certified energizer only.
      <RuleChips :rules="['V14', 'G9', 'C1', 'C12']" />
    </p>
    <div class="row">
      <v-btn :disabled="!chosen" data-test="no-choice" @click="choose(null)">Use the recommended one</v-btn>
      <a class="link" :href="`/api/jobs/${job.id}/energizer.pdf`" data-test="why-pdf"
        >Why this energizer, PDF</a
      >
      <a class="link" :href="`/api/jobs/${job.id}/electrics.csv`">All numbers, CSV</a>
    </div>
    <h3>Your own energizer <RuleChips :rules="['E8']" /></h3>
    <p class="small quiet-text">
      One of the two energies is enough: with the voltage at 100 Ω the other follows, without it as usual.
      Open is what stands at the terminals with nothing connected. <RuleChips :rules="['E9']" />
    </p>
    <form class="plate" @submit.prevent="take">
      <label
        >Name<EntryField :value="own.name" @input="own.name = ($event.target as HTMLInputElement).value"
      /></label>
      <label>stored, J<input v-model="own.storedJ" inputmode="decimal" data-test="plate-stored" /></label>
      <label>into 500 Ω, J<input v-model="own.out500J" inputmode="decimal" data-test="plate-out" /></label>
      <label>open, kV<input v-model="own.openKv" inputmode="decimal" data-test="plate-open" /></label>
      <label>at 500 Ω, kV<input v-model="own.v500Kv" inputmode="decimal" data-test="plate-500" /></label>
      <label
        >at 100 Ω, kV<input
          v-model="own.v100Kv"
          inputmode="decimal"
          placeholder="if given"
          data-test="plate-100"
      /></label>
      <label>pulses a minute<input v-model="own.perMinute" inputmode="decimal" /></label>
      <label
        >draws, W<input v-model="own.fullW" inputmode="decimal" placeholder="if given" data-test="plate-draw"
      /></label>
      <label>slow mode, W<input v-model="own.slowW" inputmode="decimal" placeholder="if given" /></label>
      <label>price<input v-model="own.price" inputmode="decimal" placeholder="if known" /></label>
      <v-btn type="submit" data-test="take-plate">Try it</v-btn>
    </form>
    <p v-if="refused" role="alert" class="weak">{{ refused }}</p>
    <p
      v-for="f in electrics.findings.filter((x) => ['E7', 'E8', 'E9'].includes(x.rule))"
      :key="f.message"
      role="alert"
      :class="f.rule === 'E8' ? 'small' : 'weak'"
      :data-test="`plate-${f.rule}`"
    >
      {{ f.message }}
    </p>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped src="./electrics.css" />
<style scoped>
.energizers td {
  padding-top: 2px;
  padding-bottom: 2px;
}
.verdict {
  white-space: nowrap;
}
.in-hand {
  display: none;
}
@media (max-width: 760px) {
  .at-desk {
    display: none;
  }
  .in-hand {
    display: block;
  }
}
.plate {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
  align-items: end;
}
</style>
