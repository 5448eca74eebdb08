<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import { foretoldText, nearestPoint } from '@/model/nearest'
import { useElectrics } from '@/model/useElectrics'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { kvText, stationText } from '@/shared/units'
import RefusedReadings from './RefusedReadings.vue'
import type { useReadingDraft } from './useReadingDraft'

const props = defineProps<{ draft: ReturnType<typeof useReadingDraft> }>()
const job = useJob()
const { habits, point, kv, wire, overRange, failure, unsent } = props.draft
const more = ref(false)
const keys = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫']
const index = computed(() => job.testPoints.findIndex((p) => p.id === point.value?.id))
const next = computed(() => job.testPoints[index.value + 1])
const stand = computed(() => job.assessment?.points.find((p) => p.testPointId === point.value?.id))
const { electrics } = useElectrics()
const foretold = computed(
  () => point.value && nearestPoint(electrics.value, point.value.lineId, point.value.stationM),
)
const list = ref<HTMLElement>()

function press(key: string) {
  overRange.value = false
  if (key === '⌫') kv.value = kv.value.slice(0, -1)
  else if (key !== '.' || !kv.value.includes('.')) kv.value = (kv.value + key).slice(0, 5)
}

async function take() {
  if (habits.takenBy.trim() === '') more.value = true
  await props.draft.take()
}

watch(
  point,
  async (p) => {
    if (!p) return
    job.lineId = p.lineId
    job.cursorM = p.stationM
    await nextTick()
    list.value?.querySelector('.here')?.scrollIntoView({ block: 'center' })
  },
  { immediate: true },
)
</script>

<template>
  <div class="phone">
    <div class="walk">
      <span
        >{{ next ? 'then ' : 'last point of ' }}<b>{{ next ? next.name : job.line?.name }}</b></span
      >
      <span class="quiet-text"
        >{{ index + 1 }} of {{ job.testPoints.length
        }}<template v-if="unsent"> · {{ unsent }} not sent yet</template></span
      >
    </div>
    <div ref="list" class="ribbon"><RibbonUpright :chosen="point?.id ?? ''" @choose="draft.choose" /></div>
    <form class="pad" @submit.prevent="take">
      <div class="read">
        <div class="where">
          <b>{{ point?.name ?? 'no test point yet' }}</b>
          <div class="quiet-text">
            <template v-if="point"
              >station {{ stationText(point.stationM, job.units)
              }}<template v-if="stand?.peakV != null"> · last {{ kvText(stand.peakV) }} kV</template
              ><template v-if="stand?.standing === 'OPEN'"> · {{ stand.why }}</template></template
            >
            <template v-if="job.assessment?.needV != null">
              · needs {{ kvText(job.assessment.needV) }}</template
            ><template v-if="foretold">
              · {{ foretoldText(foretold) }} <RuleChips :rules="['V13']"
            /></template>
          </div>
        </div>
        <output class="kv" data-test="phone-kv"
          >{{ overRange ? `> ${habits.rangeKv}` : kv || '–' }}<small>kV</small></output
        >
      </div>
      <p v-if="failure" role="alert" class="failure">{{ failure }}</p>
      <RefusedReadings />
      <div v-if="more" class="more">
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
        <label
          >Wire
          <select v-model.number="wire">
            <option :value="0">joined</option>
            <option v-for="i in job.plan?.spec.fence.schedule.wires.length ?? 0" :key="i" :value="i">
              {{ i }}
            </option>
          </select></label
        >
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
        <button type="submit" class="wide strong" data-test="phone-take">Next ↓</button>
      </div>
    </form>
  </div>
</template>

<style scoped>
.phone {
  display: flex;
  flex-direction: column;
  height: 100%;
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
