<script setup lang="ts">
import { computed, onMounted, onUnmounted, reactive, ref } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import type { Commissioning } from '@/api/types'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { useRound } from '@/model/round'
import { useWords } from '@/model/useWords'
import DayBar from './DayBar.vue'
import HabitBar from './HabitBar.vue'

type Item = Commissioning['list']['items'][number]
const job = useJob()
const round = useRound()
const habits = useHabits()
const { say } = useWords()
const caution = 'Energizer off and isolated while anybody works on the fence; the list comes before power.'
let stop: (() => void) | undefined
onMounted(() => (stop = round.follow()))
onUnmounted(() => stop?.())

const items = computed(() => round.answer?.list.items ?? [])
const open = computed(() => items.value.filter((i) => i.tick === null).length)
const gaps = computed(() => round.answer?.list.left ?? 0)
const reasons = reactive<Record<string, string>>({})
const leaving = ref('')
const failure = ref('')
const keyOf = (i: Item) => `${i.check}|${i.of ?? ''}`

async function tick(i: Item, inOrder: boolean) {
  const reason = (reasons[keyOf(i)] ?? '').trim()
  if (habits.takenBy.trim() === '') {
    failure.value = 'Enter who looks at the fence.'
    return
  }
  if (!inOrder && reason === '') {
    leaving.value = keyOf(i)
    failure.value = ''
    return
  }
  failure.value = ''
  leaving.value = ''
  await job.takeReading(
    round.observation(
      { testPointId: null, lineId: i.lineId, stationM: i.stationM, place: i.at },
      { kind: 'CHECKED', check: i.check, of: i.of, inOrder },
      habits,
      { note: inOrder ? '' : reason },
    ),
  )
}
const when = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
</script>

<template>
  <div class="list">
    <h1>Before power</h1>
    <p class="quiet-text small">{{ say(caution) }} <RuleChips :rules="['C7', 'C11', 'X6']" /></p>
    <DayBar />
    <HabitBar />
    <p v-if="failure" class="weak" role="alert" data-test="list-failure">{{ failure }}</p>
    <p v-if="items.length" class="verdict" data-test="list-state">
      {{
        open === 0
          ? gaps
            ? `Looked at: all ${items.length}; ${gaps} left open with a reason.`
            : `All ${items.length} points in order: power may be put on.`
          : `${open} of ${items.length} points still to look at${gaps ? `, ${gaps} left open with a reason` : ''}.`
      }}
    </p>
    <p v-else-if="round.known" class="empty">There is no fence yet to look at.</p>
    <table v-if="items.length" class="sheet">
      <tbody>
        <tr
          v-for="i in items"
          :key="keyOf(i)"
          :class="{ gap: i.tick && !i.tick.inOrder }"
          :data-test="`check-${i.check}`"
        >
          <td class="state">{{ i.tick ? (i.tick.inOrder ? '✓' : 'open') : '' }}</td>
          <td>
            {{ say(i.says) }} <RuleChips :rules="[i.rule]" />
            <div v-if="i.tick" class="small quiet-text">
              {{ i.tick.by }}, {{ when(i.tick.at) }}{{ i.tick.inOrder ? '' : `: ${i.tick.reason}` }}
            </div>
            <label v-if="leaving === keyOf(i)" class="small reason"
              >Why is it left
              <input
                v-model="reasons[keyOf(i)]"
                :data-test="`reason-${i.check}`"
                @keydown.enter.prevent="tick(i, false)"
            /></label>
          </td>
          <td class="right buttons">
            <button class="chip-button" :data-test="`ok-${i.check}`" @click="tick(i, true)">In order</button>
            <button class="chip-button" :data-test="`gap-${i.check}`" @click="tick(i, false)">
              {{ leaving === keyOf(i) ? 'Leave it' : 'Left open …' }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.list {
  padding: 12px 18px 28px;
  max-width: 980px;
}
.verdict {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 6px 10px;
  font-size: 16px;
}
.state {
  width: 44px;
  font-weight: 700;
  font-size: 17px;
}
.gap td {
  color: var(--broken);
}
.buttons {
  white-space: nowrap;
}
.chip-button {
  border: 1px solid var(--rule-strong);
  padding: 6px 10px;
  margin-left: 6px;
  min-height: 34px;
  color: var(--ink);
  background: var(--paper);
}
.reason input {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  width: min(320px, 100%);
  background: var(--paper);
  color: var(--ink);
}
.weak {
  color: var(--broken);
  font-weight: 700;
}
.empty {
  padding: 24px 0;
  font-size: 16px;
}
@media (max-width: 760px) {
  .list {
    padding: 8px 12px 24px;
  }
  .buttons {
    white-space: normal;
    width: 96px;
  }
  .chip-button {
    width: 100%;
    margin: 0 0 4px;
    min-height: 44px;
  }
}
</style>
