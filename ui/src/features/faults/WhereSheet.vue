<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { useFaults } from '@/model/faults'
import { useJob } from '@/model/jobStore'
import { dayOf } from '@/model/round'
import { useFaultSheets } from '@/model/useFaultSheets'
import { useTestSheets } from '@/model/useTestSheets'
import { useUpkeep } from '@/model/upkeep'
import { useWords } from '@/model/useWords'
import { calendarText, dateText, kvText, stationText } from '@/shared/units'
import HeatStrip from './HeatStrip.vue'
import NextSteps from './NextSteps.vue'
import { elementText, kindWords, leastShare, lookAt, ofKind, ofSuspect, shareText } from './faultWords'

const job = useJob()
const faults = useFaults()
const upkeep = useUpkeep()
const { open: openTestSheet } = useTestSheets()
const { open: openFaultSheet } = useFaultSheets()
onMounted(() => void upkeep.load(job.id))
const { say } = useWords()
const caution = 'Before anybody touches the fence: energizer off, fence shorted to earth.'
let stop: (() => void) | undefined
onMounted(() => (stop = faults.follow()))
onUnmounted(() => stop?.())
const DOUBTED = 0.15
const answer = computed(() => faults.answer)

const lines = computed(() => job.design?.layout.lines ?? [])
const nameOf = (lineId: string) => lines.value.find((l) => l.lineId === lineId)?.name ?? lineId
const readingText = (id: string | null) => {
  const r = job.readings.find((x) => x.id === id)
  return r ? `${nameOf(r.at.lineId)}, ${stationText(r.at.stationM, job.units)}` : ''
}
const kinds = computed(() =>
  Object.entries(answer.value?.kinds ?? {})
    .map(([kind, share]) => ({ kind: kind as keyof typeof kindWords, share }))
    .filter((k) => k.share >= leastShare)
    .toSorted((a, b) => b.share - a.share),
)
const suspects = computed(() =>
  (answer.value?.suspects ?? []).filter((s) => s.probability >= leastShare).slice(0, 6),
)
/** One thing that has most of what its kind has; spread over many places none is named. */
const best = computed(() => {
  const kind = kinds.value.find((k) => k.kind !== 'NONE')
  const first = suspects.value.find((s) => s.kind === kind?.kind)
  return first && kind && first.probability > kind.share / 2 ? first : null
})
/** A reading that decides by itself and may be wrong. */
const doubted = computed(() =>
  suspects.value.find((s) => s.kind === 'METER' && s.reading !== null && s.probability >= DOUBTED),
)
/** Nobody sets out to look for what is not there. */
const inOrder = computed(() => (answer.value?.kinds.NONE ?? 0) >= 0.5)
/** But whoever looks already is not left without a word by a reading that looks in order. */
const begun = ref('')
const search = computed(() => `${job.id} ${faults.begin}`)
watch(
  [answer, search],
  () => {
    if (answer.value && !inOrder.value) begun.value = search.value
  },
  { immediate: true },
)
/** What the log says it read then. */
const afterMend = computed(
  () => upkeep.answer?.faults.find((f) => f.mendedSince === faults.mended)?.stands.after ?? null,
)
/** A search that only this device knows of. */
const unwritten = computed(
  () =>
    begun.value === search.value &&
    upkeep.answer !== null &&
    !upkeep.answer.faults.some((f) => f.stands.state === 'OPEN'),
)
const NEAR_M = 0.5
/** Read a second time it decides no more by itself. */
const again = computed(() => {
  const id = doubted.value?.reading
  const r = job.readings.find((x) => x.id === id)
  if (!r || !doubted.value) return null
  const { lineId, stationM } = r.at
  const later = job.readings.some(
    (x) => x.takenAt > r.takenAt && x.at.lineId === lineId && Math.abs(x.at.stationM - stationM) < NEAR_M,
  )
  return later ? null : { lineId, stationM, share: doubted.value.probability }
})
const region = computed(() => answer.value?.region90 ?? [])
const wireText = (wire: number) => (wire === 0 ? 'the unpowered wires' : `unpowered wire ${wire}`)
</script>

<template>
  <div class="suspects">
    <h1>Faults</h1>
    <p class="quiet-text small">
      A probability, worked out from the readings and the pulse; what is there is seen by whoever goes there.
      {{ say(caution) }}
    </p>
    <template v-if="faults.mended">
      <p class="verdict" data-test="faults-mended">
        Mended, by the log, on {{ dateText(faults.mended)
        }}{{ afterMend ? ` (${kvText(afterMend.peakV)} kV then)` : '' }}. Nothing was read along the fence
        after that: only a reading shows whether something else is wrong.
      </p>
      <p class="small">
        <router-link :to="`/jobs/${job.id}/test`" data-test="faults-round" @click="openTestSheet('round')"
          >Read the round</router-link
        >
        or
        <button type="button" class="link" data-test="faults-before" @click="faults.asBefore">
          show it as it was before</button
        >.
      </p>
    </template>
    <p v-else-if="faults.days.length" class="small">
      <label
        >Something is wrong since
        <select
          :value="faults.since"
          data-test="faults-since"
          @change="faults.pick(($event.target as HTMLSelectElement).value)"
        >
          <option v-for="d in faults.days" :key="d" :value="d">{{ calendarText(d) }}</option>
        </select></label
      >
      <label> at <input v-model="faults.hour" type="time" data-test="faults-hour" /></label
      ><template v-if="faults.yardstick"
        >; held against the yardstick of {{ calendarText(dayOf(faults.yardstick.readAt)) }}.</template
      ><template v-else-if="answer?.enough && !answer.healthy"
        >; nothing was read in order before: held against the plan.</template
      ><template v-else>; held against the last round before that.</template>
    </p>
    <p v-if="faults.problem" class="weak" role="alert">{{ faults.problem }}</p>
    <p v-if="!faults.days.length" class="empty">Nothing has been read yet.</p>
    <p v-for="u in answer?.unpowered ?? []" :key="u.reading" class="verdict leak" data-test="unpowered-leak">
      {{ kvText(u.peakV) }} kV on {{ wireText(u.wire) }} of {{ nameOf(u.lineId)
      }}{{ u.hotV === null ? '' : `, ${kvText(u.hotV)} kV on the hot ones` }}: something leaks into it between
      {{ stationText(u.fromM, job.units) }} and {{ stationText(u.toM, job.units) }}. Worth a look.
      <RuleChips :rules="['X11', 'F1']" />
    </p>
    <NextSteps v-if="answer && (!inOrder || begun === search)" :again="again" />
    <p v-if="unwritten" class="small">
      <button type="button" class="link" data-test="write-open" @click="openFaultSheet('log')">
        Write it in the log as open</button
      >: then every device goes on with this search.
    </p>
    <p v-if="answer && !answer.enough" class="empty" data-test="faults-few">
      Two readings of that day or later are needed. Currents where the fence branches tell most, then
      kilovolts at the far ends.
    </p>
    <template v-else-if="answer">
      <p class="verdict" data-test="faults-verdict">
        <template v-if="answer.whenWet"
          >In order when dry: it comes with the wet, and what follows is of the readings taken then.
        </template>
        <template v-if="(answer.kinds.NONE ?? 0) >= 0.5"
          >Most probably nothing has changed since the fence was in order, whether that was enough or not ({{
            shareText(answer.kinds.NONE!)
          }}).</template
        ><template v-else-if="best"
          >Most probably <b>{{ say(ofSuspect(best, nameOf, readingText, job.units)) }}</b>,
          {{ shareText(best.probability) }}.</template
        ><template v-else-if="kinds[0]"
          >Most probably <b>{{ say(ofKind(kinds[0].kind, suspects)) }}</b>, {{ shareText(kinds[0].share) }},
          without one place that stands out.</template
        >
        <span v-if="region.length" class="quiet-text">
          If it lies on the line, {{ stationText(answer.regionM, job.units) }} of
          {{ stationText(answer.linesM, job.units) }} hold 90 %.</span
        >
      </p>
      <table class="sheet kinds">
        <tbody>
          <tr v-for="k in kinds" :key="k.kind" :data-test="`kind-${k.kind}`">
            <td>{{ say(kindWords[k.kind]) }}</td>
            <td class="right number">{{ shareText(k.share) }}</td>
            <td class="bar"><span :style="{ width: `${100 * k.share}%` }" /></td>
          </tr>
        </tbody>
      </table>
      <template v-if="answer.elements.length">
        <h2>Switches, gates and leads</h2>
        <table class="sheet kinds">
          <tbody>
            <tr v-for="(e, i) in answer.elements" :key="i" data-test="element">
              <td>{{ elementText(e, nameOf, job.units) }}</td>
              <td class="right number">{{ shareText(e.probability) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <template v-if="region.length">
        <h2>Where</h2>
        <HeatStrip v-for="l in lines" :key="l.lineId" :line="l" :answer="answer" />
        <h2>What to look at there</h2>
        <table class="sheet">
          <thead>
            <tr>
              <th>Stretch</th>
              <th class="right">If on the line</th>
              <th>First what fails first</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(r, i) in region" :key="i" data-test="region">
              <td>
                {{ nameOf(r.lineId) }}, {{ stationText(r.fromM, job.units) }} to
                {{ stationText(r.toM, job.units) }}
              </td>
              <td class="right number">{{ shareText(r.probability) }}</td>
              <td class="small">{{ lookAt(job.design!.layout, r, job.units, upkeep.failures?.order) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <h2 v-if="suspects.some((s) => s !== best)">{{ best ? 'Less probable' : 'What it may be' }}</h2>
      <ul class="small">
        <li v-for="(s, i) in suspects.filter((s) => s !== best)" :key="i">
          {{ say(ofSuspect(s, nameOf, readingText, job.units)) }}, {{ shareText(s.probability) }}
        </li>
      </ul>
      <p class="quiet-text small">
        {{ answer.used }} readings took part, {{ answer.healthy }} of them of the fence in order{{
          answer.healthy
            ? ''
            : ': without any the plan was taken as it is, and the stretches are wider for it'
        }}.
        <template v-if="answer.leftOut"
          >{{ answer.leftOut }} more did not: beyond the meter’s range, on a wire that is not hot, or where
          the line no longer runs. </template
        ><template v-if="answer.offLine > 0.01"
          >{{ shareText(answer.offLine) }} of what lies on wires lies on lead-out, leads or
          switches.</template
        >
      </p>
      <p v-for="m in answer.misfits" :key="m" class="weak small">
        The reading at {{ readingText(m) }} fits nothing physical: read it again.
      </p>
    </template>
    <p v-else-if="faults.days.length && !faults.problem && !faults.mended" class="empty">Working it out …</p>
  </div>
</template>

<style scoped>
.suspects {
  padding: 4px 14px 20px;
  overflow-y: auto;
}
input[type='time'] {
  border: 1px solid var(--rule-strong);
  padding: 5px 7px;
  color: var(--ink);
  background: var(--paper);
}
h2 {
  margin: 18px 0 4px;
}
.verdict {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 6px 10px;
  font-size: 16px;
}
.kinds {
  max-width: 560px;
}
.bar {
  width: 50%;
}
.bar span {
  display: block;
  height: 10px;
  background: var(--accent);
}
select {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
.small .link {
  font: inherit;
}
.weak {
  color: var(--broken);
}
.leak {
  border-left-color: var(--broken);
}
.empty {
  padding: 24px 0;
  font-size: 16px;
}
</style>
