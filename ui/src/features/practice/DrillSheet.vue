<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { ask, client, failureText } from '@/api/client'
import type { Drill } from '@/api/types'
import { drillWords } from './caseWords'
import StrainInsulator from './StrainInsulator.vue'

/** Short questions with one answer. */
const kinds = Object.keys(drillWords) as Drill['kind'][]
const kind = ref<Drill['kind']>('LIVE')
const drill = shallowRef<Drill | null>(null)
const chosen = ref<number | null>(null)
const asked = ref(0)
const right = ref(0)
const failure = ref('')

async function next() {
  chosen.value = null
  try {
    drill.value = await ask(
      client.GET('/api/practice/drills/{kind}', {
        params: { path: { kind: kind.value }, query: { seed: Math.floor(Math.random() * 1e6) } },
      }),
    )
    failure.value = ''
  } catch (e) {
    failure.value = failureText(e, 'The drill could not be read.')
  }
}
onMounted(next)
watch(kind, () => {
  asked.value = 0
  right.value = 0
  drill.value = null
  void next()
})
function choose(i: number) {
  if (chosen.value !== null || !drill.value) return
  chosen.value = i
  asked.value++
  if (i === drill.value.right) right.value++
}

const letters = 'ABCDEFGH'
const names = (list: number[]) => list.map((n) => letters[n]).join(', ')
const question = computed(() => {
  const d = drill.value
  if (!d) return ''
  const [first, second] = [d.given[0]!, d.given[1]!]
  switch (d.kind) {
    case 'LIVE': {
      const cuts = d.given.slice(2)
      const open = cuts.length ? `Open: the cut-outs behind ${names(cuts)}.` : 'Every cut-out is closed.'
      return `Sections ${names([...Array(first).keys()])} stand in a row, a cut-out between each two. The energizer feeds ${letters[second]}. ${open} What is live?`
    }
    case 'STRAIN_INSULATOR':
      return 'At which strain insulator do the loops pull it apart?'
    case 'NEXT_CUT_OUT':
      return `A fence of ${first} m, fed at its start, with cut-outs at ${d.given.slice(1).join(' m and ')} m. Where does one more help most to find a fault?`
    case 'SQUARE':
      return `A yard of ${first} m by ${second} m: how long is its diagonal when the corners are square?`
    case 'RODS':
      return `An energizer of ${first} J: how many rods of 6 ft are driven for it?`
  }
  return ''
})
const choices = computed(() => {
  const d = drill.value
  if (!d) return []
  if (d.kind === 'LIVE')
    return Array.from({ length: d.choices.length / 2 }, (_, i) => {
      const [a, b] = [d.choices[2 * i]!, d.choices[2 * i + 1]!]
      return a === b ? `only ${letters[a]}` : `${letters[a]} to ${letters[b]}`
    })
  if (d.kind === 'SQUARE') return d.choices.map((c) => `${c.toFixed(2)} m`)
  if (d.kind === 'NEXT_CUT_OUT') return d.choices.map((c) => `at ${Math.round(c)} m`)
  if (d.kind === 'STRAIN_INSULATOR') return d.choices.map((_, i) => letters[i]!)
  return d.choices.map((c) => String(c))
})
const why = computed(() => {
  switch (drill.value?.kind) {
    case 'LIVE':
      return 'From the section that is fed, live as far as the first open cut-out on each side.'
    case 'STRAIN_INSULATOR':
      return 'The loops cross inside and squeeze it; looped the other way they pull it apart.'
    case 'NEXT_CUT_OUT':
      return 'In the middle of the longest stretch that no cut-out parts.'
    case 'SQUARE':
      return 'The root of both sides squared and added.'
    case 'RODS':
      return 'Three feet of rod for each joule, rounded up to whole rods. Local code has the last word.'
    default:
      return ''
  }
})
const rules = computed(() =>
  drill.value?.kind === 'RODS' ? ['G4'] : drill.value?.kind === 'NEXT_CUT_OUT' ? ['F6'] : [],
)
</script>

<template>
  <section class="drill">
    <p class="kinds">
      <button
        v-for="k in kinds"
        :key="k"
        class="link"
        :aria-current="k === kind ? 'true' : undefined"
        :data-test="`drill-${k}`"
        @click="kind = k"
      >
        {{ drillWords[k] }}
      </button>
    </p>
    <p v-if="failure" class="weak" role="alert">{{ failure }}</p>
    <template v-if="drill">
      <p class="question" data-test="drill-question">{{ question }}</p>
      <div class="choices">
        <v-btn
          v-for="(c, i) in choices"
          :key="i"
          class="quiet choice"
          :class="{ right: chosen !== null && i === drill.right, wrong: chosen === i && i !== drill.right }"
          data-test="drill-choice"
          @click="choose(i)"
        >
          <StrainInsulator v-if="drill.kind === 'STRAIN_INSULATOR'" :apart="drill.given[0] === i" />
          {{ c }}</v-btn
        >
      </div>
      <p v-if="chosen !== null" data-test="drill-answer">
        <b>{{ chosen === drill.right ? 'Right.' : `No: ${choices[drill.right]}.` }}</b> {{ why }}
        <RuleChips v-if="rules.length" :rules="rules" />
      </p>
      <p class="kinds">
        <v-btn class="strong" data-test="drill-next" @click="next">{{
          chosen === null ? 'Leave this one' : 'Next'
        }}</v-btn>
        <span v-if="asked" class="quiet-text small">{{ right }} of {{ asked }} right</span>
      </p>
    </template>
  </section>
</template>

<style scoped>
.drill {
  padding: 8px 18px 24px;
  max-width: 760px;
}
.kinds,
.choices {
  display: flex;
  gap: 8px 14px;
  flex-wrap: wrap;
  align-items: center;
}
.kinds [aria-current] {
  font-weight: 700;
}
.question {
  font-size: 17px;
  margin: 14px 0 8px;
}
.choice {
  height: auto !important;
  padding: 8px 14px;
}
.right {
  outline: 3px solid var(--met);
}
.wrong {
  outline: 3px solid var(--broken);
}
.weak {
  color: var(--broken);
}
</style>
