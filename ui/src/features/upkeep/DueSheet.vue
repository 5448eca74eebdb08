<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { WorkToDo } from '@/api/types'
import { partWords, stateWords } from '@/model/partWords'
import { dayOf } from '@/model/round'
import { calendarText, kvText } from '@/shared/units'

/** Rounds, open faults and what falls, of all jobs. */
const work = shallowRef<WorkToDo | null>(null)
const failure = ref('')
onMounted(async () => {
  try {
    work.value = await ask(client.GET('/api/upkeep'))
  } catch (e) {
    failure.value = failureText(e, 'What is due could not be read.')
  }
})
const to = (job: { id: string }, stage: string, sheet: string) => ({
  name: 'job',
  params: { id: job.id, stage },
  query: { sheet },
})
const late = (days: number) => (days > 0 ? `${days} days late` : days === 0 ? 'today' : `in ${-days} days`)
</script>

<template>
  <section class="due">
    <p v-if="failure" class="weak" role="alert">{{ failure }}</p>
    <template v-if="work">
      <h2>Faults that are not mended</h2>
      <p v-if="!work.faults.length" class="quiet-text">None is written down.</p>
      <table v-else class="sheet">
        <tbody>
          <tr v-for="f in work.faults" :key="f.fault.stands.faultId" data-test="due-fault">
            <td>
              <router-link :to="to(f.job, 'faults', 'log')">{{ f.job.name }}</router-link>
              <span class="quiet-text small"> {{ f.job.client }}</span>
            </td>
            <td :class="{ weak: f.fault.stands.state === 'OPEN' }">{{ stateWords[f.fault.stands.state] }}</td>
            <td>since {{ calendarText(dayOf(f.fault.since)) }}</td>
            <td>{{ f.fault.stands.part ? partWords[f.fault.stands.part] : 'part not known yet' }}</td>
            <td>
              {{ f.fault.stands.lookAgainOn ? `look again ${calendarText(f.fault.stands.lookAgainOn)}` : '' }}
            </td>
          </tr>
        </tbody>
      </table>
      <h2>Test points that will be too weak within {{ work.warnedWeeks }} weeks</h2>
      <p v-if="!work.falling.length" class="quiet-text">None, as far as it was read.</p>
      <table v-else class="sheet">
        <tbody>
          <tr v-for="(t, i) in work.falling" :key="i" data-test="due-falling">
            <td>
              <router-link :to="to(t.job, 'faults', 'falling')">{{ t.job.name }}</router-link>
            </td>
            <td class="number">
              {{ kvText(t.trend.levelV) }} kV, {{ kvText(Math.abs(t.trend.aWeekV)) }} kV a week less
            </td>
            <td class="weak">
              under {{ kvText(t.trend.needV ?? 0) }} kV about {{ calendarText(t.trend.belowOn ?? '') }}
            </td>
          </tr>
        </tbody>
      </table>
      <h2>Rounds</h2>
      <p v-if="!work.rounds.length" class="quiet-text">No fence has been read yet.</p>
      <table v-else class="sheet">
        <thead>
          <tr>
            <th>Job</th>
            <th>Due</th>
            <th></th>
            <th>Last round</th>
            <th class="right">Every</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in work.rounds" :key="r.job.id" data-test="due-round">
            <td>
              <router-link :to="to(r.job, 'test', 'round')">{{ r.job.name }}</router-link>
              <span class="quiet-text small"> {{ r.job.client }}</span>
            </td>
            <td>{{ calendarText(r.round.on) }}</td>
            <td :class="{ weak: r.round.daysLate > 0 }">{{ late(r.round.daysLate) }}</td>
            <td>{{ calendarText(r.round.last) }}</td>
            <td class="right">{{ r.round.everyDays }} days{{ r.round.agreed ? ', agreed' : '' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
.due {
  padding: 4px 18px 24px;
  max-width: 980px;
}
h2 {
  margin: 18px 0 4px;
}
td .quiet-text {
  margin-left: 8px;
}
.weak {
  color: var(--broken);
}
</style>
