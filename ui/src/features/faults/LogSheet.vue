<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import type { FaultNote, LoggedFault } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { causeWords, gainsText, harmlessText, partWords, stateWords, weatherWords } from '@/model/partWords'
import { dayOf } from '@/model/round'
import { useUpkeep } from '@/model/upkeep'
import { useWords } from '@/model/useWords'
import { calendarText, dateText, kvText, lengthText, stationText } from '@/shared/units'
import FaultForm from './FaultForm.vue'

const job = useJob()
const upkeep = useUpkeep()
const { say } = useWords()
const writing = ref(false)
const of = shallowRef<LoggedFault | null>(null)
const every = ref('')
onMounted(() => void upkeep.load(job.id))
watch(
  () => upkeep.answer?.roundDays,
  (days) => (every.value = days?.toString() ?? ''),
  { immediate: true },
)
const faults = computed(() => upkeep.answer?.faults ?? [])
const round = computed(() => upkeep.answer?.round ?? null)
const lines = computed(() => job.design?.layout.lines ?? [])
const nameOf = (id: string) => lines.value.find((l) => l.lineId === id)?.name ?? `${id}, which is no line now`
const place = (n: FaultNote) =>
  n.at
    ? `${nameOf(n.at.lineId)}, ${stationText(n.at.stationM, job.units)}${n.lengthM ? `, along ${lengthText(n.lengthM, job.units)}` : ''}`
    : 'no place on a line'
const shown = (level: FaultNote['before']) =>
  level ? `${kvText(level.peakV)} kV ${weatherWords[level.weather]}` : '–'

function write(fault: LoggedFault | null) {
  of.value = fault
  writing.value = true
}
function show(n: FaultNote) {
  if (!n.at) return
  job.lineId = n.at.lineId
  job.cursorM = n.at.stationM
}
function agree() {
  const text = every.value.trim()
  const days = text === '' ? null : Number(text)
  if (days !== null && (!Number.isInteger(days) || days < 1 || days > 730)) {
    upkeep.problem = 'Rounds are walked every 1 to 730 days.'
    return
  }
  if (days !== (upkeep.answer?.roundDays ?? null)) void upkeep.agree(days)
}
</script>

<template>
  <div class="log">
    <h1>Log of faults</h1>
    <p v-if="upkeep.problem" class="weak" role="alert">{{ upkeep.problem }}</p>
    <p v-if="round" class="small" data-test="round-due">
      Last round {{ calendarText(round.last) }}; the next is due {{ calendarText(round.on)
      }}<template v-if="round.daysLate > 0"
        >, <b class="weak">{{ round.daysLate }} days ago</b></template
      >.
      <label
        >Every
        <input
          v-model="every"
          class="days"
          inputmode="numeric"
          :placeholder="String(round.everyDays)"
          data-test="round-days"
          @change="agree"
        />
        days<template v-if="!round.agreed"> (as is usual: oftener while something grows)</template></label
      >
      <RuleChips :rules="['F4']" />
    </p>
    <FaultForm v-if="writing" :key="of?.stands.id ?? 'new'" :fault="of" @done="writing = false" />
    <p v-else><v-btn class="strong" data-test="new-fault" @click="write(null)">Write a fault down</v-btn></p>
    <p v-for="n in upkeep.kept" :key="n.id" class="kept" data-test="kept-note">
      <template v-if="n.refused">Not taken: {{ n.refused }}</template
      ><template v-else>Kept on this device until the server is there</template>:
      {{ stateWords[n.note.state] }}, {{ place(n.note) }},
      {{ say(n.note.part ? partWords[n.note.part] : 'not known yet')
      }}{{ n.note.note ? `, “${n.note.note}”` : '' }} ({{ n.note.notedBy }}, {{ dateText(n.note.notedAt) }}).
      <button v-if="n.refused" class="link" data-test="drop-note" @click="upkeep.drop(n.id)">
        Delete it here
      </button>
    </p>
    <p v-if="upkeep.answer && !faults.length && !writing" class="empty">
      Nothing has been written down of this fence. What is written here teaches what is looked at first.
    </p>
    <table v-if="faults.length" class="sheet">
      <thead>
        <tr>
          <th>It is</th>
          <th>Since</th>
          <th>Where</th>
          <th>What</th>
          <th>Before, after</th>
          <th class="right">Min. to find, mend</th>
          <th>By</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="f in faults" :key="f.stands.faultId" :class="f.stands.state" data-test="logged-fault">
          <td>
            <b>{{ stateWords[f.stands.state] }}</b><template v-if="f.stands.lookAgainOn"
              ><br />until {{ calendarText(f.stands.lookAgainOn) }}</template
            ><template v-if="f.mendedSince"><br />{{ calendarText(dayOf(f.mendedSince)) }}</template>
          </td>
          <td>{{ calendarText(dayOf(f.since)) }}</td>
          <td>
            <button v-if="f.stands.at" class="link" @click="show(f.stands)">
              {{ place(f.stands) }}</button><template v-else>{{ place(f.stands) }}</template>
          </td>
          <td>
            {{ say(f.stands.part ? partWords[f.stands.part] : 'not known yet')
            }}{{ f.stands.product ? ` (${f.stands.product})` : ''
            }}{{ f.stands.cause ? `, ${causeWords[f.stands.cause]}` : '' }}
            <span v-if="gainsText(f.gains)" class="small block" data-test="logged-gains">{{
              say(gainsText(f.gains))
            }}</span>
            <span v-if="harmlessText(f.stands)" class="small quiet-text block"
              >done for nothing: {{ say(harmlessText(f.stands)) }}</span
            >
            <span v-if="f.stands.note" class="small quiet-text block">{{ f.stands.note }}</span>
            <a
              v-for="p in f.stands.photos"
              :key="p"
              :href="`/api/attachments/${p}`"
              target="_blank"
              rel="noopener"
              ><img :src="`/api/attachments/${p}`" alt="Photo of the fault"
            /></a>
          </td>
          <td>{{ shown(f.stands.before) }} → {{ shown(f.stands.after) }}</td>
          <td class="right number">{{ f.stands.searchMinutes ?? '–' }}, {{ f.stands.workMinutes ?? '–' }}</td>
          <td>{{ f.stands.notedBy }}</td>
          <td>
            <button class="link" data-test="fault-now" @click="write(f)">How it stands now</button>
            <span v-if="f.notes > 1" class="small quiet-text block">{{ f.notes }} notes</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.days {
  width: 60px;
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 3px 6px;
}
.OPEN td:first-child b {
  color: var(--broken);
}
.MENDED {
  color: var(--quiet);
}
.kept {
  margin: 6px 0;
  padding: 6px 10px;
  border-left: 4px solid var(--warn);
}
.block {
  display: block;
}
.log td {
  vertical-align: top;
}
td .link {
  text-align: left;
}
td img {
  height: 46px;
  margin: 3px 4px 0 0;
  border: 1px solid var(--rule);
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 18px 0;
}
</style>
