<script setup lang="ts">
import { useWords } from '@/model/useWords'
import { computed } from 'vue'
import type { Brace, BraceLoad } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { forceText, lengthText, momentText, stationText } from '@/shared/units'
import { braceKinds, holdWords, wireWays } from '@/model/layoutWords'
import { useMaterials } from '@/model/useMaterials'

const { say } = useWords()
const job = useJob()
const materials = useMaterials()
const line = computed(() => job.line)
const f = (n: number) => forceText(n, job.units)
const l = (m: number) => lengthText(m, job.units)
const open = computed(() =>
  line.value?.braces.find((b) => Math.abs(b.strongStationM - (job.cursorM ?? -1)) < 0.06),
)
const both = (b: BraceLoad, of: (s: BraceLoad['day']) => number) => {
  const [day, worst] = [f(of(b.day)), f(of(b.worst))]
  return day === worst ? day : `${day} · ${worst}`
}
const conductor = (id: string) => materials.value?.conductors.find((c) => c.id === id)?.text ?? id
const where = (b: Brace) => (b.braceStationM >= b.strongStationM ? '→' : '←')
/** Where the wires of a pull are tightened; where they run on, in the pull that has the tightener. */
function tightened(pull: number): string {
  const p = line.value!.pulls[pull]!
  const run = line.value!.runs.find((r) => r.pulls.includes(pull))
  if (!run?.tightenersM.length) return 'pulled by hand'
  const here = run.tightenersM.filter((s) => s >= p.fromM && s <= p.toM)
  return here.length ? `strain at ${here.map((s) => stationText(s, job.units)).join(', ')}` : 'runs on'
}
const percent = (share: number) => `${Math.round(100 * share)} %`
/** On low fences the rail by height is the shorter one: said where it happens. */
const reversal = computed(() => {
  const s = open.value?.schools
  return s && s.length === 2 && s[1]!.railM < s[0]!.railM
})
</script>

<template>
  <div v-if="line">
    <h2>Braces of {{ line.name }}</h2>
    <p class="small quiet-text">
      Every end of a pull, what it carries on the day of building · at the worst load (coldest night, ice),
      and what gives first. A post on which two braces end is lifted by both.
      <RuleChips :rules="['B8', 'B9', 'B13', 'P18', 'H1']" />
      Strengths of ground and timber are typical values: a pull test and the supplier's sheet decide.
    </p>
    <table class="sheet" data-test="braces">
      <thead>
        <tr>
          <th>Station</th>
          <th>Held by</th>
          <th class="right">Rail</th>
          <th class="right">Pull</th>
          <th class="right">Post lifted</th>
          <th>Holds</th>
          <th class="right">Safety</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(b, i) in line.braces.slice(0, 400)"
          :key="i"
          :class="{ here: b === open }"
          @click="job.cursorM = b.strongStationM"
        >
          <td>
            <button class="link once">{{ stationText(b.strongStationM, job.units) }} {{ where(b) }}</button>
          </td>
          <td class="once">{{ braceKinds[b.kind] }}</td>
          <td class="right number">{{ b.railM ? l(b.railM) : '' }}</td>
          <td class="right number">{{ both(b.load, (x) => x.pullN) }}</td>
          <td class="right number">{{ b.load.day.upliftN ? both(b.load, (x) => x.upliftN) : '' }}</td>
          <td :class="{ weak: b.load.worst.hold === 'MOVES' }" :title="b.load.worst.weakest">
            {{ holdWords[b.load.day.hold]
            }}<template v-if="b.load.worst.hold !== b.load.day.hold"
              >, {{ holdWords[b.load.worst.hold] }} at the worst</template
            >
          </td>
          <td class="right number once">
            {{ b.load.day.safety.toFixed(1) }} · {{ b.load.worst.safety.toFixed(1) }}
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="open">
      <h3>At {{ stationText(open.strongStationM, job.units) }}: both schools</h3>
      <table v-if="open.schools.length" class="sheet" data-test="both-schools">
        <thead>
          <tr>
            <th>School</th>
            <th class="right">Rail</th>
            <th class="right">Rail pressed</th>
            <th class="right">Diagonal</th>
            <th class="right">Post lifted</th>
            <th>Safety</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="s in open.schools" :key="s.rule" :class="{ here: s.rule === open.load.rule }">
            <td>{{ s.rule }}{{ s.rule === open.load.rule ? ', as built' : '' }}</td>
            <td class="right number">{{ l(s.railM) }}</td>
            <td class="right number">{{ both(s, (x) => x.compressionN) }} of {{ f(s.bucklingN) }}</td>
            <td class="right number">{{ both(s, (x) => x.diagonalN) }} of {{ f(s.strandBreakingN) }}</td>
            <td class="right number">{{ both(s, (x) => x.upliftN) }} of {{ f(s.holdN) }}</td>
            <td>
              <span class="number">{{ s.day.safety.toFixed(1) }}·{{ s.worst.safety.toFixed(1) }}</span>
              {{ s.worst.weakest }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="reversal" class="small">
        On this low fence the rail by height (B2) is the shorter one, and lifts the end post more than
        {{ say('8 ft (2.4 m)') }}.
      </p>
      <p v-if="!open.schools.length" class="small">
        {{ braceKinds[open.kind] }}: the post tips at about {{ f(open.load.holdN) }}; all pulls that end on it
        come to {{ both(open.load, (x) => x.pullN) }}.
      </p>
      <p class="small quiet-text">
        M = {{ momentText(open.load.day.momentNm, job.units) }}; C = M ÷ rail height; D = C ÷ cos θ in two
        strands; U = M ÷ rail length, added up over the braces of one post. Do not over-tighten the diagonal
        before the wires pull.
      </p>
    </template>
    <h2 class="mt-6">Pulls</h2>
    <p class="small quiet-text">
      From post to post where wires end or are held round a turn; sag in the widest span.
      <RuleChips :rules="['S1', 'S4', 'S8', 'S14']" /> Eye and hand protection; no ratchet handle that can
      spin back under load.
    </p>
    <table class="sheet" data-test="pulls">
      <thead>
        <tr>
          <th>From – to</th>
          <th>Wire</th>
          <th class="right">Pull</th>
          <th class="right">Sag</th>
          <th class="right">Cold</th>
          <th class="right">Iced</th>
          <th class="right">Joints</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="(p, i) in line.pulls.slice(0, 200)" :key="i">
          <tr v-for="(w, k) in p.wires" :key="`${i}-${k}`">
            <td>
              <template v-if="k === 0"
                >{{ stationText(p.fromM, job.units) }} – {{ stationText(p.toM, job.units) }}<br /><span
                  class="small quiet-text"
                  >{{ tightened(i) }}</span
                ></template
              >
            </td>
            <td>{{ w.count }} {{ w.role.toLowerCase() }}, {{ conductor(w.conductor) }}</td>
            <td class="right number">{{ f(w.tensionN) }}</td>
            <td class="right number">{{ l(w.sagM) }}</td>
            <td class="right number">{{ f(w.coldN) }}</td>
            <td class="right number">{{ job.plan!.spec.fence.climate.iceM ? f(w.icedN) : '' }}</td>
            <td class="right number">{{ w.joinersM.length || '' }}</td>
          </tr>
        </template>
      </tbody>
    </table>
    <template v-if="line.stringing.way !== 'PULL_BY_PULL'">
      <h3>Runs of wire <RuleChips :rules="['X1', 'X2', 'S13']" /></h3>
      <p class="small quiet-text">
        Wire that is in one piece: {{ wireWays[line.stringing.way] }}. “Pull left” is what friction round the
        corners leaves of the pull at the worst place.
      </p>
      <table class="sheet" data-test="runs">
        <thead>
          <tr>
            <th>From – to</th>
            <th class="right">Length</th>
            <th class="right">Turns</th>
            <th>Tightened</th>
            <th class="right">Pull left</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(r, i) in line.runs.slice(0, 200)" :key="i">
            <td>
              {{ stationText(r.fromM, job.units) }} –
              {{ r.ring ? 'all round' : stationText(r.toM, job.units) }}
            </td>
            <td class="right number">{{ l(r.slopeLengthM) }}</td>
            <td class="right number">{{ Math.round(r.turnDeg) }}°</td>
            <td>
              {{
                r.tightenersM.length
                  ? r.tightenersM.map((s) => stationText(s, job.units)).join(', ')
                  : 'by hand'
              }}
            </td>
            <td class="right number">
              {{
                r.leftLow < 0.995 ? `${percent(r.leftLow)} to ${percent(r.leftHigh)}` : percent(r.leftHigh)
              }}
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </div>
  <p v-else class="quiet-text">Nothing laid out yet.</p>
</template>

<style scoped>
.once {
  white-space: nowrap;
}
.sheet th,
.sheet td {
  padding: 4px 6px;
}
.here td {
  background: var(--accent-wash);
}
.weak {
  color: var(--broken);
  font-weight: 700;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
h3 {
  margin-top: 16px;
}
/* Where there is little room the verdict matters more than what led to it. */
@media (max-width: 760px) {
  [data-test='braces'] :is(th, td):nth-child(3),
  [data-test='braces'] :is(th, td):nth-child(4),
  [data-test='braces'] :is(th, td):nth-child(5) {
    display: none;
  }
}
</style>
