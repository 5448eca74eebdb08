<script setup lang="ts">
import type { TapeResult, UnitSystem } from '@/api/types'
import { tapedText, unitM } from '@/shared/units'

const props = defineProps<{ result: TapeResult; units: UnitSystem }>()
const coordinate = (m: number) =>
  `${(m / unitM(props.units)).toFixed(2)} ${props.units === 'METRIC' ? 'm' : 'ft'}`
const words = { WRONG: 'wrong', SUSPECT: 'suspect', NEXT: 'next', NOTE: 'note', GOOD: 'good' }
</script>

<template>
  <div>
    <ul class="verdicts" data-test="tape-verdicts">
      <li v-for="v in result.verdicts" :key="v.text" :class="v.kind">
        <b>{{ words[v.kind] }}</b> {{ v.text }}
      </li>
    </ul>
    <p v-if="result.typicalErrorM !== null" class="small">
      {{ result.spare }} to spare; one measure seems to be off by about
      {{ tapedText(result.typicalErrorM, units) }}.
    </p>
    <table class="sheet">
      <thead>
        <tr>
          <th>point</th>
          <th class="right">east</th>
          <th class="right">north</th>
          <th class="right">± (1 σ)</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in result.points" :key="p.name">
          <td>{{ p.name }}</td>
          <td class="right number">{{ coordinate(p.eastM) }}</td>
          <td class="right number">{{ coordinate(p.northM) }}</td>
          <td class="right number">{{ tapedText(p.sigmaM, units) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet-text">
      From {{ result.points[0]?.name }}, with {{ result.points[0]?.name }}–{{ result.points[1]?.name }}
      held; adjusted by least squares (Q2).
    </p>
  </div>
</template>

<style scoped>
.verdicts {
  list-style: none;
  padding: 0;
  margin: 10px 0;
}
.verdicts li {
  border-left: 4px solid var(--rule);
  padding: 3px 8px;
  margin-bottom: 5px;
}
.verdicts .WRONG,
.verdicts .SUSPECT {
  border-left-color: var(--broken);
}
.verdicts .NEXT {
  border-left-color: var(--accent);
}
.verdicts .GOOD {
  border-left-color: var(--met);
}
</style>
