<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, reactive, ref } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import {
  askText,
  beforeText,
  expectedText,
  typed,
  unitOf,
  useRound,
  valueText,
  type Asked,
} from '@/model/round'
import { useReadings } from '@/model/readings'
import { useWords } from '@/model/useWords'
import { calendarText, kvText, stationText } from '@/shared/units'
import { dayOf } from '@/model/round'
import DayBar from './DayBar.vue'
import HabitBar from './HabitBar.vue'
import RefusedReadings from './RefusedReadings.vue'

const job = useJob()
const round = useRound()
const habits = useHabits()
const readings = useReadings()
const { say } = useWords()
let stop: (() => void) | undefined
onMounted(() => {
  stop = round.follow()
  void readings.send()
})
onUnmounted(() => stop?.())
const text = reactive<Record<string, string>>({})
const over = reactive<Record<string, boolean>>({})
const failure = reactive<Record<string, string>>({})
const host = ref<HTMLElement>()
const met = { MET: 'met', WARN: 'weak', BROKEN: 'broken', OPEN: '' }
const stops = computed(() => round.answer?.round.stops ?? [])
const asksOf = (id: string) => round.asks.filter((a) => a.stop.testPointId === id)

function goTo(a: Asked) {
  job.lineId = a.stop.lineId
  job.cursorM = a.stop.stationM
}

/** Keeps what was typed and goes to the next field. */
async function take(a: Asked) {
  const entered = text[a.key] ?? ''
  if (entered.trim() !== '' || over[a.key]) {
    const what = typed(a.ask, entered, over[a.key] ?? false, habits)
    const missing = habits.takenBy.trim() === '' ? 'Enter who reads.' : ''
    failure[a.key] = missing || (typeof what === 'string' ? what : '')
    if (failure[a.key] || typeof what === 'string') return
    await job.takeReading(round.observation(round.spotOf(a.stop), what, habits))
    text[a.key] = ''
    over[a.key] = false
  }
  await nextTick()
  const fields = [...(host.value?.querySelectorAll<HTMLInputElement>('input.kv') ?? [])]
  const at = fields.findIndex((f) => f.dataset.key === a.key)
  fields[at + 1]?.focus()
}
</script>

<template>
  <div ref="host" class="round">
    <h1>Measuring round</h1>
    <p class="quiet-text small">
      Every place in walking order{{
        stops.length ? `, ${stationText(round.answer?.round.walkM ?? 0, job.units)} along the fence` : ''
      }}.
      <template v-if="round.answer?.round.yardstick"
        >Expected from the yardstick of {{ calendarText(dayOf(round.answer.round.yardstick)) }}.</template
      ><template v-else>Expected from the plan alone, and wide for it.</template>{{ ' ' }}
      <RuleChips :rules="['V10', 'V13', 'G9', 'X11']" />
    </p>
    <DayBar />
    <HabitBar />
    <RefusedReadings />
    <p v-if="readings.waiting.length" class="weak">{{ readings.waiting.length }} not sent yet.</p>
    <p v-if="round.answer" class="verdict" data-test="round-open">
      {{
        round.answer.open === 0
          ? 'Everything that is needed has been read.'
          : `${round.answer.open} still to be read.`
      }}
      <template v-if="round.answer.round.needV !== null"
        >The animals need {{ kvText(round.answer.round.needV) }} kV.</template
      >
    </p>
    <table v-if="stops.length" class="sheet">
      <thead>
        <tr>
          <th>Place</th>
          <th>What</th>
          <th>Meter shows</th>
          <th class="right">Expected</th>
          <th>Stands</th>
          <th>Against the prediction</th>
        </tr>
      </thead>
      <tbody v-for="s in stops" :key="s.testPointId" :data-test="`stop-${s.testPointId}`">
        <tr v-for="(a, i) in asksOf(s.testPointId)" :key="a.key" :class="{ first: i === 0 }">
          <td>
            <template v-if="i === 0"
              ><b>{{ s.name }}</b>
              <div class="small quiet-text">{{ stationText(s.legM, job.units) }} on</div></template
            >
          </td>
          <td>
            {{ say(askText(a.ask))
            }}<span v-if="!a.ask.needed" class="small quiet-text">, if a meter can</span>
          </td>
          <td class="entry">
            <input
              v-model="text[a.key]"
              class="kv"
              inputmode="decimal"
              autocomplete="off"
              :placeholder="valueText(a.ask)"
              :aria-label="`${s.name}, ${askText(a.ask)}, ${unitOf(a.ask)}`"
              :data-key="a.key"
              :data-test="`read-${a.key}`"
              @focus="goTo(a)"
              @keydown.enter.prevent="take(a)"
              @change="take(a)"
            />
            <span class="quiet-text">{{ unitOf(a.ask) }}</span>
            <label v-if="unitOf(a.ask) === 'kV'" class="small"
              ><input v-model="over[a.key]" type="checkbox" @change="take(a)" /> over</label
            >
            <div v-if="failure[a.key]" class="weak small" role="alert">{{ failure[a.key] }}</div>
          </td>
          <td class="right quiet-text nowrap">
            {{ expectedText(a.ask) }}
            <div v-if="a.ask.before !== null" class="small">{{ beforeText(a.ask) }}</div>
          </td>
          <td class="standing" :class="a.ask.need">{{ met[a.ask.need] }}</td>
          <td class="small" :class="a.ask.agrees">{{ say(a.ask.says) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="round.known && !round.problem" class="empty">There is no fence yet to read.</p>
  </div>
</template>

<style scoped>
.round {
  padding: 12px 18px 28px;
}
.verdict {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 6px 10px;
  font-size: 16px;
}
.first td {
  border-top: 1px solid var(--rule-strong);
}
.nowrap,
.entry {
  white-space: nowrap;
}
.entry .weak {
  white-space: normal;
  max-width: 220px;
}
.kv {
  width: 72px;
  border: 1px solid var(--rule-strong);
  padding: 3px 7px;
  font:
    600 19px 'Barlow Condensed',
    sans-serif;
  background: var(--paper);
  color: var(--ink);
}
.kv::placeholder {
  color: var(--ink);
  opacity: 1;
}
.WARN {
  color: var(--warn-text, var(--ink));
  font-weight: 600;
}
.BROKEN {
  color: var(--broken);
  font-weight: 700;
}
.weak {
  color: var(--broken);
}
.empty {
  padding: 24px 0;
  font-size: 16px;
}
</style>
