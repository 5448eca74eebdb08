<script setup lang="ts">
import { shallowRef, ref, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { SetOut } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { latestOnly } from '@/shared/latest'
import { tapedText } from '@/shared/units'

const job = useJob()
const sheet = shallowRef<SetOut | null>(null)
const failure = ref('')
const load = latestOnly(
  (held: NonNullable<ReturnType<typeof job.held>>) =>
    ask(client.POST('/api/set-out', { body: { ...held, readings: [] } })),
  (answer) => (sheet.value = answer),
  (e) => (failure.value = e instanceof RequestFailed ? e.message : 'The sheet could not be made.'),
)
watch(
  () => [job.design],
  () => {
    const held = job.held()
    if (held) load(held)
  },
  { immediate: true },
)
type Mark = SetOut['lines'][number]['marks'][number]
const turn = (m: Mark) =>
  Math.abs(m.turnDeg) < 0.05
    ? 'straight'
    : `${Math.abs(m.turnDeg).toFixed(1)}° ${m.turnDeg > 0 ? 'right' : 'left'}`
const tape = (m: number) => tapedText(m, job.units)
const print = () => window.print()
function go(lineId: string, stationM: number) {
  job.lineId = lineId
  job.cursorM = stationM
}
</script>

<template>
  <div class="set-out">
    <header>
      <h2>Set-out sheet</h2>
      <span class="quiet-text"
        >{{ [job.name, job.clientName, job.property].filter(Boolean).join(' · ') }} · revision
        {{ job.revision }}</span
      >
      <span class="spring" />
      <span class="no-print">
        <a class="pdf" :href="`/api/jobs/${job.id}/set-out.pdf?paper=A4`" data-test="set-out-pdf">PDF, A4</a>
        <a class="pdf" :href="`/api/jobs/${job.id}/set-out.pdf?paper=LETTER`">PDF, Letter</a>
        <v-btn @click="print">Print</v-btn>
      </span>
    </header>
    <p v-if="failure" class="problems" role="alert">{{ failure }}</p>
    <p v-if="sheet && sheet.lines.length === 0" class="quiet-text">
      Nothing is laid out yet, so there is nothing to stake.
    </p>
    <template v-if="sheet && sheet.lines.length">
      <ul class="calls">
        <li v-for="c in sheet.calls" :key="c">{{ c }}</li>
      </ul>
      <p class="small">
        {{ sheet.offsetNote }}
        <template v-if="sheet.declinationDeg === null"
          >No compass declination is given; bearings count from true north.</template
        >
        Distances are level; in brackets what the tape laid along the slope reads.
      </p>
      <section v-for="l in sheet.lines" :key="l.lineId">
        <h3>{{ l.name }}, {{ tape(l.lengthM) }}, {{ l.closed ? 'closed' : 'open' }}</h3>
        <div class="scroll">
          <table class="sheet" data-test="set-out-table">
            <thead>
              <tr>
                <th>mark</th>
                <th class="right">from last</th>
                <th class="right">station</th>
                <th class="right">turn</th>
                <th class="right">bearing on</th>
                <th>ties to what stands</th>
                <th>up to the next</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(m, i) in l.marks" :key="i" @click="go(l.lineId, m.stationM)">
                <td>
                  <b>{{ m.name }}</b>
                  <div class="small quiet-text">{{ m.standing ? 'stands already' : m.kind }}</div>
                </td>
                <td class="right number" data-label="from last">
                  {{ i === 0 ? 'start' : tape(m.fromLastM) }}
                  <div v-if="Math.abs(m.slopeFromLastM - m.fromLastM) >= 0.02" class="small quiet-text">
                    ({{ tape(m.slopeFromLastM) }})
                  </div>
                </td>
                <td class="right number" data-label="station">{{ tape(m.stationM) }}</td>
                <td class="right" data-label="turn">{{ turn(m) }}</td>
                <td class="right number" data-label="bearing on">
                  {{ m.bearingDeg === null ? 'end' : `${m.bearingDeg.toFixed(1)}°` }}
                  <div v-if="m.compassDeg !== null" class="small quiet-text">
                    compass {{ m.compassDeg.toFixed(1) }}°
                  </div>
                </td>
                <td data-label="ties">
                  <div v-for="t in m.ties" :key="t.to">{{ tape(t.distanceM) }} to {{ t.to }}</div>
                  <div v-if="m.ties.length === 0" class="small quiet-text">
                    none near: handheld {{ m.latDeg.toFixed(6) }}, {{ m.lonDeg.toFixed(6) }}
                  </div>
                </td>
                <td class="small" data-label="up to the next">{{ m.then }}</td>
              </tr>
            </tbody>
          </table>
        </div>
        <p v-if="l.diagonals.length" class="small">
          Check diagonals:
          <template v-for="(d, i) in l.diagonals" :key="d.corners"
            >{{ i ? '; ' : '' }}{{ d.first }} {{ tape(d.firstM) }}, {{ d.second }}
            {{ tape(d.secondM) }}</template
          >.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  flex-wrap: wrap;
}
.spring {
  flex: 1;
}
.pdf {
  color: var(--accent);
  margin-right: 14px;
}
.calls {
  border: 1px solid var(--rule-strong);
  padding: 8px 12px 8px 28px;
  margin: 10px 0;
}
section {
  margin-top: 16px;
}
.scroll {
  overflow-x: auto;
}
tbody tr {
  cursor: pointer;
}
/* In the hand: one mark after the other, each line with its word. */
@media (max-width: 760px) {
  thead {
    display: none;
  }
  tbody tr {
    display: block;
    border-bottom: 2px solid var(--rule-strong);
    padding: 8px 0;
  }
  tbody td,
  table.sheet .right {
    display: grid;
    grid-template-columns: 96px minmax(0, 1fr);
    border: 0;
    padding: 3px 0;
    text-align: left;
    font-size: 17px;
  }
  tbody td > * {
    grid-column: 2;
  }
  tbody td::before {
    content: attr(data-label);
    color: var(--quiet);
    font-size: 14px;
    font-family: 'Atkinson Hyperlegible', sans-serif;
    font-weight: 400;
  }
  tbody td:first-child {
    display: block;
    font-size: 20px;
  }
  tbody td:empty {
    display: none;
  }
}
</style>
