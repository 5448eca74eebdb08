<script setup lang="ts">
import { onMounted, ref, shallowRef, watch } from 'vue'
import { ask, client } from '@/api/client'
import type { CutAnswer, CutBar, JobTerms } from '@/api/types'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { useTerms } from '@/model/terms'
import { useBooking } from '@/model/useBooking'
import { useWords } from '@/model/useWords'
import { amountText, moneyText } from '@/shared/money'
import { lengthText } from '@/shared/units'

const job = useJob()
const jobId = useOwnJobId()
const { say } = useWords()
type Aim = 'LEAST_COST' | 'LEAST_LENGTH' | 'FEWEST_JOINTS'
const own = useTerms()
const aim = ref<Aim>(own.terms.cutting === 'LEAST_LENGTH' ? 'LEAST_LENGTH' : 'LEAST_COST')
const file = (kind: string, paper = '') =>
  `/api/jobs/${job.id}/cut-list.${kind}?aim=${aim.value}${paper && `&paper=${paper}`}`
const answer = shallowRef<CutAnswer | null>(null)
const { problem, busy, book } = useBooking('The cuts could not be planned.')
async function load() {
  await book(async () => {
    await job.saveNow()
    answer.value = await ask(
      client.GET('/api/jobs/{id}/cuts', { params: { path: { id: jobId }, query: { aim: aim.value } } }),
    )
  }, '')
}
onMounted(load)
watch(aim, load)

async function buy(cutting: JobTerms['cutting']) {
  await own.change({ cutting })
  problem.value = own.problem
}

/** Drawn one under the other on one scale: pieces, then what is left. */
const WIDE = 600
const HIGH = 22
const scale = (bars: CutBar[]) => WIDE / Math.max(...bars.map((b) => b.lengthM))
function drawn(b: CutBar, perM: number) {
  const pieces: { x: number; width: number; text: string; label: string }[] = []
  let at = 0
  for (const p of b.pieces)
    for (let k = 0; k < p.count; k++) {
      pieces.push({
        x: at * perM,
        width: p.lengthM * perM,
        text: lengthText(p.lengthM, job.units),
        label: p.label,
      })
      at += p.lengthM
    }
  return pieces
}
const pieces = (b: CutBar) =>
  b.pieces.map((p) => `${p.count} × ${lengthText(p.lengthM, job.units)} ${p.label}`).join(', ')
</script>

<template>
  <div class="cuts">
    <header>
      <h1>Cuts</h1>
      <span class="quiet-text">{{ [job.name, job.clientName].filter(Boolean).join(' · ') }}</span>
      <span class="spring" />
      <nav class="no-print files" aria-label="Files">
        <a :href="file('pdf', 'A4')" data-test="cut-a4">PDF, A4</a>
        <a :href="file('pdf', 'LETTER')">PDF, Letter</a>
        <a :href="file('csv')" data-test="cut-csv">CSV</a>
        <a :href="file('xlsx')">XLSX</a>
      </nav>
    </header>
    <p class="quiet-text small">
      Cut first from what lies in the yard, then from what the price book sells. Wire goes on from coil to
      coil where a rest is worth it, or comes off one coil a run, so that least is joined; never is it joined
      in a brace. Sawn ends of treated posts go up, out of the ground, and are treated again; of a pointed
      pole only one piece has the point.
    </p>
    <p class="small chosen">
      <label
        >Cut for
        <select v-model="aim" data-test="cut-aim">
          <option value="LEAST_COST">the least money</option>
          <option value="LEAST_LENGTH">the least length, so that little is left over</option>
          <option value="FEWEST_JOINTS">the fewest joints of wire and conduit</option>
        </select></label
      >
      <label
        >Price and load sheet buy posts and rails
        <select
          :value="own.terms.cutting"
          data-test="cut-buy"
          @change="buy(($event.target as HTMLSelectElement).value as JobTerms['cutting'])"
        >
          <option value="EACH">each in a length of its own</option>
          <option value="LEAST_COST">by the list for the least money</option>
          <option value="LEAST_LENGTH">by the list for the least length</option>
        </select></label
      >
    </p>
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <p v-if="busy && !answer" class="empty">Cutting …</p>
    <p v-else-if="answer && answer.sheets.length === 0" class="empty">Nothing here is cut to length.</p>
    <template v-if="answer">
      <p v-for="m in answer.missing" :key="m" class="weak">
        Nothing as long is sold or lies in the yard: {{ say(m) }}.
      </p>
      <section
        v-for="s in answer.sheets"
        :key="s.material"
        :aria-label="s.name"
        :data-test="`cut-${s.material}`"
      >
        <h2>{{ say(s.name) }}</h2>
        <p class="small">
          <b data-test="cut-cost">{{ moneyText(s.cost, answer.currency) }}</b>,
          <template v-if="s.optimal">{{
            s.bound === null ? 'and none takes less' : 'and none is cheaper'
          }}</template><template v-else
            >{{ s.bound === null ? 'at most' : `no plan under ${amountText(s.bound)}, at most` }}
            {{ Math.ceil(s.gapPercent * 10) / 10 }} % above what is possible</template
          ><template v-if="s.eachCost !== null && s.eachCost > s.cost"
            >; each in a length of its own {{ amountText(s.eachCost) }}</template
          ><template v-if="s.joints !== null"
            >; {{ s.joints }} {{ s.joints === 1 ? 'joint' : 'joints' }}</template
          >; left over {{ lengthText(s.leftM, job.units) }}.
        </p>
        <table class="sheet">
          <tbody>
            <tr v-for="(b, i) in s.bars" :key="i" data-test="cut-bar">
              <td class="right number times">{{ b.times }} ×</td>
              <td class="from">
                {{ lengthText(b.lengthM, job.units) }}
                <span class="quiet-text small">{{ b.inYard ? b.from : `to buy, ${b.from}` }}</span>
              </td>
              <td>
                <svg
                  :viewBox="`0 0 ${WIDE} ${HIGH}`"
                  :aria-label="`${pieces(b)}, ${lengthText(b.leftM, job.units)} left`"
                  role="img"
                >
                  <rect class="left" x="0" y="3" :width="b.lengthM * scale(s.bars)" :height="HIGH - 6" />
                  <g v-for="(p, k) in drawn(b, scale(s.bars))" :key="k">
                    <rect class="piece" :x="p.x" y="3" :width="p.width" :height="HIGH - 6" />
                    <text v-if="p.width > 44" :x="p.x + p.width / 2" y="15">{{ p.text }}</text>
                  </g>
                </svg>
                <span class="quiet-text small"
                  >{{ pieces(b)
                  }}{{ b.leftM > 0.001 ? `; ${lengthText(b.leftM, job.units)} left` : '' }}</span
                >
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </template>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: baseline;
}
.files {
  display: flex;
  gap: 12px;
}
.spring {
  flex: 1;
}
h2 {
  margin: 16px 0 0;
}
h2::first-letter {
  text-transform: uppercase;
}
td {
  vertical-align: top;
}
.chosen {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
}
.times {
  width: 50px;
}
.from {
  width: 190px;
}
.from .small {
  display: block;
}
svg {
  display: block;
  width: 100%;
  max-width: 600px;
}
.left {
  fill: none;
  stroke: var(--rule-strong);
  stroke-dasharray: 3 3;
}
.piece {
  fill: var(--band);
  stroke: var(--ink);
}
svg text {
  font-size: 11px;
  text-anchor: middle;
  fill: var(--ink);
}
select {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 30px 0;
  font-size: 16px;
}
@media (max-width: 760px) {
  .from {
    width: 110px;
  }
}
</style>
