<script setup lang="ts">
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { useHabits } from '@/model/habits'
import { useJob } from '@/model/jobStore'
import { useReadings } from '@/model/readings'
import { askText, beforeText, expectedText, typed, unitOf, useRound, valueText } from '@/model/round'
import { useTestSheets } from '@/model/useTestSheets'
import { useWords } from '@/model/useWords'
import { kvText, stationText } from '@/shared/units'
import DayBar from './DayBar.vue'
import RefusedReadings from './RefusedReadings.vue'

/** The round with one hand: a number, next, a number, next. */
const job = useJob()
const round = useRound()
const habits = useHabits()
const readings = useReadings()
const { say } = useWords()
const { open } = useTestSheets()
let stop: (() => void) | undefined
const host = ref<HTMLElement>()
/** What is above: the keys stay at the lower edge of the screen, under the thumb. */
const topPx = ref(140)
onMounted(() => {
  topPx.value = host.value?.getBoundingClientRect().top ?? 140
  stop = round.follow()
  void readings.send()
})
onUnmounted(() => stop?.())
const more = ref(false)
const text = ref('')
const overRange = ref(false)
const failure = ref('')
const at = ref('')
const keys = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫']
const asked = computed(() => round.asks.filter((a) => a.ask.needed))
const index = computed(() =>
  Math.max(
    0,
    asked.value.findIndex((a) => a.key === at.value),
  ),
)
const now = computed(() => asked.value[index.value])
const next = computed(() => asked.value[index.value + 1])
const missing = computed(() => asked.value.filter((a) => a.ask.value === null))
const stops = computed(() => round.answer?.round.stops ?? [])
const place = computed(() => stops.value.findIndex((s) => s.testPointId === now.value?.stop.testPointId))
const list = ref<HTMLElement>()

function press(key: string) {
  overRange.value = false
  if (key === '⌫') text.value = text.value.slice(0, -1)
  else if (key !== '.' || !text.value.includes('.')) text.value = (text.value + key).slice(0, 5)
}

function choose(testPointId: string) {
  at.value = asked.value.find((a) => a.stop.testPointId === testPointId)?.key ?? at.value
  failure.value = ''
}

async function take() {
  const here = now.value
  if (!here) return
  // Without a number one only walks on.
  if (text.value !== '' || overRange.value) {
    const what = typed(here.ask, text.value, overRange.value, habits)
    failure.value =
      typeof what === 'string' ? what : habits.takenBy.trim() === '' ? 'Enter who took the reading.' : ''
    if (failure.value || typeof what === 'string') {
      if (habits.takenBy.trim() === '') more.value = true
      return
    }
    await job.takeReading(round.observation(round.spotOf(here.stop), what, habits))
    text.value = ''
    overRange.value = false
    more.value = false
  }
  if (next.value) at.value = next.value.key
}

/** Whoever opens the round again goes on where it was left. */
watch(
  () => round.known && asked.value.length > 0,
  (known) => {
    if (known && at.value === '') at.value = missing.value[0]?.key ?? ''
  },
  { immediate: true },
)
watch(
  () => now.value?.stop.testPointId,
  async () => {
    const here = now.value?.stop
    if (!here) return
    job.lineId = here.lineId
    job.cursorM = here.stationM
    await nextTick()
    list.value?.querySelector('.here')?.scrollIntoView({ block: 'center' })
  },
  { immediate: true },
)
</script>

<template>
  <div ref="host" class="phone" :style="{ height: `calc(100dvh - ${Math.round(topPx)}px)` }">
    <div class="walk">
      <span v-if="now && missing.length === 0"
        ><b>all read</b> · <button type="button" class="link" @click="open('yardstick')">yardstick</button> ·
        <button type="button" class="link" @click="open('certificate')">certificate</button></span
      >
      <span v-else-if="next"
        >then
        <b>{{
          next.stop.testPointId === now?.stop.testPointId ? say(askText(next.ask)) : next.stop.name
        }}</b></span
      >
      <span v-else>last place</span>
      <span class="quiet-text"
        >{{ place + 1 }} of {{ stops.length
        }}<template v-if="readings.waiting.length">
          · {{ readings.waiting.length }} not sent yet</template
        ></span
      >
    </div>
    <div ref="list" class="ribbon">
      <RibbonUpright :chosen="now?.stop.testPointId ?? ''" @choose="choose" />
    </div>
    <form class="pad" @submit.prevent="take">
      <div class="read">
        <div class="where">
          <b>{{ now?.stop.name ?? (round.known ? 'no place to read yet' : 'working it out …') }}</b>
          <div v-if="now" class="what">{{ say(askText(now.ask)) }}</div>
          <div v-if="now" class="quiet-text">
            station {{ stationText(now.stop.stationM, job.units)
            }}<template v-if="now.ask.value !== null"> · read {{ valueText(now.ask) }}</template
            ><template v-if="now.ask.kind === 'PEAK' && round.answer?.round.needV != null">
              · needs {{ kvText(round.answer.round.needV) }}</template
            >
            · expected {{ expectedText(now.ask)
            }}<template v-if="now.ask.before !== null"> · {{ beforeText(now.ask) }}</template> {{ ' '
            }}<RuleChips :rules="['V13']" />
          </div>
          <div v-if="now?.ask.says" class="small" :class="now.ask.agrees">{{ say(now.ask.says) }}</div>
        </div>
        <output class="kv" data-test="phone-kv"
          >{{ overRange ? `> ${habits.rangeKv}` : text || '–'
          }}<small>{{ now ? unitOf(now.ask) : 'kV' }}</small></output
        >
      </div>
      <p v-if="failure" role="alert" class="failure">{{ failure }}</p>
      <RefusedReadings />
      <div v-if="more" class="more">
        <div class="whole"><DayBar /></div>
        <label>Taken by <input v-model="habits.takenBy" data-test="phone-by" /></label>
        <label
          >Weather
          <select v-model="habits.weather">
            <option value="DRY">dry</option>
            <option value="DAMP">damp</option>
            <option value="RAIN">rain</option>
            <option value="SNOW">snow</option>
            <option value="FROST">frost</option>
          </select></label
        >
        <label
          >Growth
          <select v-model="habits.growth">
            <option value="CLEAN">clean</option>
            <option value="LIGHT">light</option>
            <option value="HEAVY">heavy</option>
          </select></label
        >
        <label>Meter <input v-model="habits.meter" data-test="phone-meter" /></label>
        <label>Meter range, kV <input v-model="habits.rangeKv" inputmode="decimal" /></label>
        <label class="check"><input v-model="overRange" type="checkbox" /> over range</label>
      </div>
      <div v-else class="keys">
        <button
          v-for="k in keys"
          :key="k"
          type="button"
          :aria-label="k === '⌫' ? 'delete the last digit' : k"
          :data-test="`key-${k}`"
          @click="press(k)"
        >
          {{ k }}
        </button>
      </div>
      <div class="foot">
        <button type="button" class="wide" :aria-pressed="more" @click="more = !more">
          {{
            more
              ? 'Keys'
              : `${habits.takenBy || 'Who?'} · ${habits.weather.toLowerCase()}, ${habits.growth.toLowerCase()}`
          }}
        </button>
        <button type="submit" class="wide strong" :disabled="!now" data-test="phone-take">Next ↓</button>
      </div>
    </form>
  </div>
</template>

<style scoped>
.phone {
  display: flex;
  flex-direction: column;
  margin: -14px;
}
.walk {
  display: flex;
  justify-content: space-between;
  padding: 6px 14px;
  border-bottom: 2px solid var(--rule-strong);
}
.ribbon {
  flex: 1;
  min-height: 120px;
  overflow: auto;
}
.pad {
  border-top: 3px solid var(--rule-strong);
  padding: 8px 14px 12px;
  background: var(--paper);
}
.read {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.kv {
  font:
    600 44px/1 'Barlow Condensed',
    sans-serif;
  white-space: nowrap;
  padding-left: 10px;
}
.what {
  font-weight: 600;
}
.WARN,
.BROKEN {
  color: var(--broken);
}
.kv small {
  font-size: 20px;
  margin-left: 4px;
}
.keys {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 7px;
  margin: 8px 0;
}
.keys button,
.wide {
  border: 2px solid var(--rule-strong);
  min-height: 48px;
  font:
    600 24px 'Barlow Condensed',
    sans-serif;
  color: var(--ink);
  background: var(--paper);
}
.foot {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 7px;
}
.wide {
  font-size: 18px;
}
.wide.strong {
  background: var(--accent);
  border-color: var(--accent);
  color: var(--on-ink);
  font-size: 24px;
}
.more {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 8px 0;
}
.more input:not([type]),
.more input[inputmode],
.more select {
  display: block;
  width: 100%;
  box-sizing: border-box;
  border: 1px solid var(--rule-strong);
  min-height: 40px;
  padding: 4px 8px;
  color: var(--ink);
  background: var(--paper);
}
.whole {
  grid-column: 1 / -1;
  margin: 0;
}
.check {
  align-self: end;
  padding-bottom: 10px;
}
.failure {
  color: var(--broken);
  font-weight: 700;
  margin: 4px 0;
}
</style>
