<script setup lang="ts">
import type { Survey, UnitSystem } from '@/api/types'
import { lengthText, stationText } from '@/shared/units'
type Note = Survey['lines'][number]['notes'][number]

const props = defineProps<{ survey: Survey; units: UnitSystem; again: boolean }>()
const emit = defineEmits<{ take: []; leave: [] }>()
const tolerance = defineModel<number | null>('tolerance', { required: true })

/** The core says what was done and where; lengths are written in the units in use. */
function noteText(n: Note): string {
  const length = lengthText(n.lengthM, props.units)
  if (n.kind === 'GAP_BRIDGED')
    return `No signal for ${length} from station ${lengthText(n.stationM, props.units)}: bridged straight. Walk it again if it bends there.`
  if (n.kind === 'CLOSED') return `The ends met within ${length}: joined to a closed line.`
  if (n.kind === 'LEFT_OPEN') return `The ends lie ${length} apart: left open.`
  return n.text
}
const choices = [null, 1, 2, 4, 8]
</script>

<template>
  <div data-test="survey-preview">
    <h2>What the walk shows</h2>
    <p class="quiet-text">Nothing is stored yet.</p>
    <div v-for="l in survey.lines" :key="l.name" class="line">
      <h3>{{ l.name }}</h3>
      <table class="sheet">
        <tbody>
          <tr>
            <td>length</td>
            <td class="right number" data-test="preview-length">{{ lengthText(l.lengthM, units) }}</td>
          </tr>
          <tr v-if="l.walked">
            <td>raw points summed</td>
            <td class="right">{{ lengthText(l.rawLengthM, units) }}</td>
          </tr>
          <tr>
            <td>corners</td>
            <td class="right number">{{ l.corners.length }}{{ l.closed ? ', closed' : ', open' }}</td>
          </tr>
          <tr v-if="l.walked">
            <td>corner accuracy, about</td>
            <td class="right">{{ lengthText(l.accuracy.cornerM, units) }}</td>
          </tr>
          <tr v-if="l.walked">
            <td>length accuracy, about</td>
            <td class="right">{{ lengthText(l.accuracy.lengthM, units) }}</td>
          </tr>
        </tbody>
      </table>
      <ul class="notes">
        <li v-for="n in l.notes" :key="n.text" :class="n.kind">{{ noteText(n) }}</li>
      </ul>
    </div>
    <ul class="notes">
      <li v-for="t in survey.taken" :key="t">{{ t }}</li>
      <li v-for="t in survey.leftOut" :key="t" class="left">Left out: {{ t }}</li>
    </ul>
    <label v-if="again" class="tolerance">
      Smallest bend kept
      <select v-model="tolerance" data-test="tolerance">
        <option v-for="c in choices" :key="String(c)" :value="c">
          {{ c === null ? 'what the jitter says' : stationText(c, 'METRIC') + ' off the side' }}
        </option>
      </select>
    </label>
    <p class="small quiet-text">
      A handheld receiver is a sketch, not a survey: tape the strong posts before material is cut.
    </p>
    <v-btn class="strong mr-2" data-test="take-survey" @click="emit('take')">Add to the plan</v-btn>
    <v-btn data-test="leave-survey" @click="emit('leave')">Cancel</v-btn>
  </div>
</template>

<style scoped>
.notes {
  padding-left: 18px;
  margin: 6px 0 10px;
  font-size: 13px;
}
.notes .GAP_BRIDGED {
  color: var(--accent);
  font-weight: 700;
}
.left {
  color: var(--quiet);
}
.tolerance {
  display: block;
  margin: 8px 0;
}
.tolerance select {
  border: 1px solid var(--rule-strong);
  padding: 2px 6px;
  background: var(--paper);
  color: var(--ink);
}
.small {
  font-size: 12.5px;
}
.right {
  text-align: right;
}
</style>
