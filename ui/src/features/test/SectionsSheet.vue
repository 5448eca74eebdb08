<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { foretoldText, nearestPoint } from '@/model/nearest'
import { useElectrics } from '@/model/useElectrics'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { kvText, stationText } from '@/shared/units'
import ReadingForm from './ReadingForm.vue'
import ReadingHistory from './ReadingHistory.vue'
import ReadingsFile from './ReadingsFile.vue'
import { useReadingDraft } from './useReadingDraft'

const job = useJob()
const draft = useReadingDraft()
const { electrics } = useElectrics()
const words = { MET: 'met', WARN: 'weak', BROKEN: 'broken', OPEN: 'no reading yet' }

const sections = computed(() =>
  (job.design?.layout.sections ?? []).map((section) => {
    const standing = job.assessment?.sections.find((s) => s.sectionId === section.id)
    const points = job.testPoints
      .filter((p) => p.sectionId === section.id)
      .map((p) => {
        const stand = job.assessment?.points.find((x) => x.testPointId === p.id)
        const what = job.readings.find((r) => r.id === stand?.readingId)?.what
        const over = what && 'overRange' in what && what.overRange
        const foretold = nearestPoint(electrics.value, p.lineId, p.stationM)
        return {
          point: p,
          stand,
          over,
          foretold,
          count: job.readings.filter((r) => r.at.testPointId === p.id).length,
        }
      })
    return { section, standing, points }
  }),
)
const open = ref<string | null>(null)
/** The sections in the order of their trouble, in one line above the sheet. */
const summary = computed(() => {
  const rank = { BROKEN: 0, WARN: 1, OPEN: 2, MET: 3 }
  return (job.assessment?.sections ?? []).toSorted((a, b) => rank[a.standing] - rank[b.standing])
})
function goTo(sectionId: string) {
  document.getElementById(`section-${sectionId}`)?.scrollIntoView({ block: 'start', behavior: 'smooth' })
}

onMounted(() => void draft.send())
</script>

<template>
  <div class="test">
    <section class="sheet-side" aria-label="Readings by section">
      <h1>Sections</h1>
      <p class="quiet-text">{{ job.assessment?.needWhy }}</p>
      <p v-if="electrics?.points.length" class="quiet-text" data-test="foretold-with">
        Predicted low to high with {{ electrics.energizer.name }}, growth, insulators and ground as set in
        Electrics, whatever they were when it was read. <RuleChips :rules="['V11', 'V13']" />
      </p>
      <ul v-if="summary.length" class="summary" aria-label="Sections, the worst first">
        <li v-for="s in summary" :key="s.sectionId" :class="s.standing">
          <button @click="goTo(s.sectionId)">
            <b>{{ s.name }}</b>
            <span class="standing" :class="s.standing"
              >{{ words[s.standing] }}{{ s.peakV === null ? '' : `, ${kvText(s.peakV)} kV` }}</span
            >
          </button>
        </li>
      </ul>
      <p v-if="job.design && sections.length === 0" class="empty">
        Nothing to read yet: lay out a line first.
      </p>
      <div
        v-for="s in sections"
        :id="`section-${s.section.id}`"
        :key="s.section.id"
        class="section"
        :class="s.standing?.standing"
        :data-test="`section-${s.section.name}`"
      >
        <header>
          <h2>{{ s.section.name }}</h2>
          <span class="standing" :class="s.standing?.standing">{{
            words[s.standing?.standing ?? 'OPEN']
          }}</span>
          <span class="quiet-text">{{ s.standing?.why }}</span>
        </header>
        <table class="sheet">
          <tbody>
            <template v-for="p in s.points" :key="p.point.id">
              <tr
                :class="{ chosen: draft.point.value?.id === p.point.id }"
                :data-test="`point-${p.point.id}`"
              >
                <td class="mark" aria-hidden="true">
                  <svg viewBox="0 0 16 20" width="13"><path d="M3 19V2l10 4-10 4" /></svg>
                </td>
                <td>
                  <button class="link" @click="draft.choose(p.point.id)">{{ p.point.name }}</button>
                  <div
                    v-if="p.count && p.stand?.standing === 'OPEN'"
                    class="small quiet-text"
                    data-test="not-told"
                  >
                    {{ p.stand.why }}
                  </div>
                </td>
                <td class="right quiet-text">{{ stationText(p.point.stationM, job.units) }}</td>
                <td class="right number big">
                  {{ p.stand?.peakV != null ? `${p.over ? '> ' : ''}${kvText(p.stand.peakV)}` : '–' }}
                </td>
                <td class="standing" :class="p.stand?.standing">{{ words[p.stand?.standing ?? 'OPEN'] }}</td>
                <td class="right quiet-text small" data-test="foretold">
                  {{ p.foretold ? foretoldText(p.foretold) : '' }}
                </td>
                <td class="right">
                  <button
                    v-if="p.count"
                    class="link"
                    :aria-expanded="open === p.point.id"
                    @click="open = open === p.point.id ? null : p.point.id"
                  >
                    {{ p.count }} so far
                  </button>
                </td>
              </tr>
              <tr v-if="open === p.point.id">
                <td colspan="7"><ReadingHistory :test-point-id="p.point.id" @correct="draft.correct" /></td>
              </tr>
            </template>
          </tbody>
        </table>
      </div>
      <ReadingsFile />
    </section>
    <ReadingForm class="form" :draft="draft" />
  </div>
</template>

<style scoped>
.test {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  min-height: 100%;
}
.sheet-side {
  padding: 14px 18px 24px;
}
@media (max-width: 760px) {
  .test {
    grid-template-columns: minmax(0, 1fr);
  }
}
.form {
  border-left: 1px solid var(--rule);
  background: var(--band);
}
.summary {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 0;
  margin: 8px 0 0;
}
.summary li {
  border: 1px solid var(--rule);
  border-left: 5px solid var(--quiet);
  padding: 3px 10px;
}
.summary .standing {
  margin-left: 6px;
}
.summary li.BROKEN {
  border-color: var(--broken);
}
.summary li.WARN {
  border-color: var(--warn);
}
.summary li.MET {
  border-left-color: var(--met);
}
.section td.right,
.section td.standing {
  white-space: nowrap;
}
.section td {
  padding: 3px 10px 3px 0 !important;
}
.section {
  margin-top: 14px;
  border-left: 4px solid var(--rule);
  padding-left: 12px;
}
.section.MET {
  border-left-color: var(--met);
}
.section.WARN {
  border-left-color: var(--warn);
}
.section.BROKEN {
  border-left-color: var(--broken);
}
header {
  display: flex;
  gap: 12px;
  align-items: baseline;
  border-bottom: 2px solid var(--rule-strong);
}
.chosen td {
  background: var(--accent-wash);
}
.mark svg path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}
.big {
  font-size: 19px;
}
.link {
  color: var(--ink);
  text-decoration: underline;
  text-decoration-color: var(--rule);
  text-align: left;
}
.empty {
  padding: 40px 0;
  font-size: 16px;
}
</style>
