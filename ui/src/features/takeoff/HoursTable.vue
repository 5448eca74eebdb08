<script setup lang="ts">
import type { PriceView } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { useWords } from '@/model/useWords'
import { countText, lengthText } from '@/shared/units'

/** Hours by task, with the norms behind them. */
defineProps<{ labour: PriceView['labour'] }>()
const job = useJob()
const { say } = useWords()
/** For a piece, or for a hundred of what lengths are measured in. */
const norm = (l: PriceView['labour'][number]) =>
  l.byMetre
    ? job.units === 'METRIC'
      ? `${(l.norm * 100).toFixed(2)} for 100 m`
      : `${(l.norm * 100 * 0.3048).toFixed(2)} for 100 ft`
    : String(l.norm)
</script>

<template>
  <section aria-label="Hours">
    <h2>Hours</h2>
    <p class="quiet-text small">
      Norms of practised people, common practice: a crew’s own pace stands with the rates. Ground counts for
      what is dug or driven. <RuleChips :rules="['K1', 'K2']" />
    </p>
    <table class="sheet">
      <thead>
        <tr>
          <th>Task</th>
          <th class="right">How many</th>
          <th class="right">Hours each</th>
          <th class="right">Ground ×</th>
          <th class="right">Hours</th>
          <th class="right">Machine, h</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in labour" :key="l.task">
          <td>{{ say(l.task) }}</td>
          <td class="right number">
            {{ l.byMetre ? lengthText(l.units, job.units) : countText(l.units) }}
          </td>
          <td class="right number">{{ norm(l) }}</td>
          <td class="right number">{{ l.soilFactor === 1 ? '' : l.soilFactor.toFixed(2) }}</td>
          <td class="right number">{{ l.hours.toFixed(1) }}</td>
          <td class="right number">{{ l.machineHours > 0 ? l.machineHours.toFixed(1) : '' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 18px;
}
</style>
