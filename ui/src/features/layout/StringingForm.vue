<script setup lang="ts">
import { ref } from 'vue'
import type { Stringing, UnitSystem } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { tighteners, wireEnds, wireWays } from '@/model/layoutWords'
import { forceText, parseForceN } from '@/shared/units'

/** How wire is run: where it ends, where it is tightened, how its ends are fastened. */
const props = defineProps<{ stringing: Stringing; units: UnitSystem; name: string }>()
const emit = defineEmits<{ change: [stringing: Stringing] }>()
const problem = ref('')
const set = (part: Partial<Stringing>) => {
  problem.value = ''
  emit('change', { ...props.stringing, ...part })
}
const chosen = (e: Event) => (e.target as HTMLSelectElement).value

function setRounds(e: Event) {
  const field = e.target as HTMLInputElement
  const rounds = Number(field.value)
  if (Number.isInteger(rounds) && rounds >= 1 && rounds <= 16) set({ rounds })
  else {
    problem.value = 'A wire goes round 1 to 16 times.'
    field.value = String(props.stringing.rounds)
  }
}
function setHand(e: Event) {
  const field = e.target as HTMLInputElement
  const text = field.value.trim()
  const newtons = text === '' ? null : parseForceN(text, props.units)
  if (text === '' || (newtons !== null && newtons >= 5 && newtons <= 2000)) set({ handN: newtons })
  else {
    problem.value = `“${text}” is not a pull by hand: ${forceText(5, props.units)} to ${forceText(2000, props.units)}.`
    field.value = props.stringing.handN === null ? '' : forceText(props.stringing.handN, props.units)
  }
}
</script>

<template>
  <fieldset class="stringing" :aria-label="name">
    <label
      >Wire <RuleChips :rules="['X1', 'X2']" />
      <select
        :value="stringing.way"
        data-test="wire-way"
        @change="set({ way: chosen($event) as Stringing['way'] })"
      >
        <option v-for="(text, id) in wireWays" :key="id" :value="id">{{ text }}</option>
      </select>
    </label>
    <label v-if="stringing.way === 'ROUND_AND_ROUND'"
      >Rounds
      <input :value="stringing.rounds" inputmode="numeric" data-test="rounds" @change="setRounds" />
    </label>
    <label
      >Tightener <RuleChips :rules="['S4']" />
      <select
        :value="stringing.tightener"
        data-test="tightener"
        @change="set({ tightener: chosen($event) as Stringing['tightener'] })"
      >
        <option v-for="(text, id) in tighteners" :key="id" :value="id">{{ text }}</option>
      </select>
    </label>
    <div class="pair">
      <label v-if="stringing.tightener === 'NONE'"
        >Pull by hand <RuleChips :rules="['H3']" />
        <input
          :value="stringing.handN === null ? '' : forceText(stringing.handN, units)"
          placeholder="as usual"
          data-test="hand-pull"
          @change="setHand"
        />
      </label>
      <label
        >Ends
        <select
          :value="stringing.end ?? ''"
          data-test="wire-end"
          @change="set({ end: (chosen($event) || null) as Stringing['end'] })"
        >
          <option value="">as usual for the wire</option>
          <option v-for="(text, id) in wireEnds" :key="id" :value="id">{{ text }}</option>
        </select>
      </label>
    </div>
    <p v-if="problem" role="alert" class="weak">{{ problem }}</p>
  </fieldset>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.stringing {
  border: 0;
  padding: 0;
  margin: 0;
}
.weak {
  color: var(--broken);
}
</style>
