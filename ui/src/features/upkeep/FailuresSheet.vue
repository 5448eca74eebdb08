<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { ask, client, failureText } from '@/api/client'
import type { Failures } from '@/api/types'
import { causeWords, partWords, placeWords } from '@/model/partWords'

/** What fails over all jobs, and what is looked at first for it. */
const found = shallowRef<Failures | null>(null)
const failure = ref('')
onMounted(async () => {
  try {
    found.value = await ask(client.GET('/api/failures'))
  } catch (e) {
    failure.value = failureText(e, 'The log could not be read.')
  }
})
type Row = Failures['byPart'][number]
const causes = (r: Row) =>
  Object.entries(r.causes)
    .toSorted((a, b) => b[1] - a[1])
    .map(([c, n]) => `${causeWords[c as keyof typeof causeWords]} ${n}`)
    .join(', ')
const parts = (p: Failures['byPlace'][number]) =>
  Object.entries(p.parts)
    .toSorted((a, b) => b[1] - a[1])
    .map(([part, n]) => `${partWords[part as keyof typeof partWords]} ${n}`)
    .join(', ')
const tables = computed(() => [
  { title: 'By part', rows: found.value?.byPart ?? [], product: false },
  {
    title: 'By product',
    rows: (found.value?.byProduct ?? []).filter((r) => r.product !== ''),
    product: true,
  },
])
</script>

<template>
  <section class="fails">
    <p v-if="failure" class="weak" role="alert">{{ failure }}</p>
    <template v-if="found">
      <p data-test="fails-order">
        Looked at first:
        <b>{{
          found.order
            .slice(0, 5)
            .map((p) => partWords[p])
            .join(', ')
        }}</b>.
        <span class="quiet-text small"
          >{{ found.faults }} faults of a known part are counted against the trade’s order, which counts as
          {{ found.assumed }}; growth comes last in it.</span
        >
        <RuleChips :rules="['F1']" />
      </p>
      <template v-for="t in tables" :key="t.title">
        <h2>{{ t.title }}</h2>
        <p v-if="!t.rows.length" class="quiet-text">Nothing is written down yet.</p>
        <table v-else class="sheet">
          <thead>
            <tr>
              <th>{{ t.product ? 'Product' : 'Part' }}</th>
              <th class="right">Faults</th>
              <th class="right">Replaced for nothing</th>
              <th class="right">Fence’s age, years</th>
              <th class="right">Minutes to find</th>
              <th>Why</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in t.rows" :key="`${r.part} ${r.product}`" data-test="fails-row">
              <td>{{ t.product ? `${r.product} (${partWords[r.part]})` : partWords[r.part] }}</td>
              <td class="right number">{{ r.faults }}</td>
              <td class="right number">{{ r.harmless || '–' }}</td>
              <td class="right number">
                {{ r.medianAgeYears === null ? '–' : r.medianAgeYears.toFixed(1) }}
              </td>
              <td class="right number">
                {{ r.medianSearchMinutes === null ? '–' : Math.round(r.medianSearchMinutes) }}
              </td>
              <td class="small">{{ causes(r) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <h2>By place</h2>
      <p v-if="!found.byPlace.length" class="quiet-text">Nothing is written down yet.</p>
      <table v-else class="sheet">
        <thead>
          <tr>
            <th>Place</th>
            <th class="right">Faults</th>
            <th class="right">Minutes to find</th>
            <th>Part</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="p in found.byPlace" :key="p.place" data-test="fails-place">
            <td>{{ placeWords[p.place] }}</td>
            <td class="right number">{{ p.faults }}</td>
            <td class="right number">
              {{ p.medianSearchMinutes === null ? '–' : Math.round(p.medianSearchMinutes) }}
            </td>
            <td class="small">{{ parts(p) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet-text small">
        Counted within 3 m (10 ft) of each, on the fence as planned now. A fence with many gates has more
        faults at gates.
      </p>
      <h2>By job</h2>
      <table class="sheet narrow">
        <tbody>
          <tr v-for="j in found.byJob" :key="j.jobId">
            <td>
              <router-link
                :to="{ name: 'job', params: { id: j.jobId, stage: 'faults' }, query: { sheet: 'log' } }"
                >{{ j.jobName }}</router-link
              >
            </td>
            <td class="right number">{{ j.faults }}</td>
            <td class="small">{{ j.open ? `${j.open} open` : '' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
.fails {
  padding: 4px 18px 24px;
  max-width: 980px;
}
.narrow {
  max-width: 460px;
}
h2 {
  margin: 18px 0 4px;
}
.weak {
  color: var(--broken);
}
</style>
