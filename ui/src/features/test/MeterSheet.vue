<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { HiddenFault, Observation, SimulatedReading } from '@/api/types'
import { useHabits } from '@/model/habits'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { listening } from '@/model/live'
import { beginOf, dayOf } from '@/model/round'
import { useWords } from '@/model/useWords'
import { announce } from '@/shared/announce'
import { keptRef } from '@/shared/kept'
import { dateText, stationText } from '@/shared/units'
import { observedText } from './observed'

/** Meters that send by themselves, and a simulated one on a simulated fence. */
const job = useJob()
const jobId = useOwnJobId()
const habits = useHabits()
const { say } = useWords()
const port = ref(0)
const failure = ref('')
const busy = ref(false)
const hidden = ref<HiddenFault[] | null>(null)
const open = ref<string[]>([])

type Kept = Pick<SimulatedReading, 'seed' | 'handedOver' | 'growth' | 'weather' | 'hidden' | 'onlyWet'>
const how = keptRef<Kept>(
  'buckle.simulated',
  { seed: 1, handedOver: true, growth: 'LIGHT', weather: 'DRY', hidden: 0, onlyWet: false },
  (v): v is Kept => typeof v === 'object' && v !== null && 'seed' in v && 'onlyWet' in v,
)
onMounted(async () => {
  try {
    port.value = (await ask(client.GET('/api/meter'))).port
  } catch (e) {
    failure.value = failureText(e, 'The server is away.')
  }
})
const lines = computed(() => job.design?.layout.lines ?? [])
const nameOf = (id: string | null) => lines.value.find((l) => l.lineId === id)?.name ?? ''
const cutOuts = computed(() => lines.value.flatMap((l) => l.cutOuts))
const last = computed(() =>
  job.readings
    .filter((r) => r.what.kind !== 'CHECKED')
    .toSorted((a, b) => (a.takenAt < b.takenAt ? 1 : -1))
    .slice(0, 12),
)
const shown = (r: Observation) => observedText(r.what)
const faultText = (f: HiddenFault) => {
  const where = f.lineId ? `${nameOf(f.lineId)}, ${stationText(f.fromM, job.units)}` : 'at the energizer'
  const what =
    f.kind === 'LEAK'
      ? `a leak of ${Math.round(f.value)} Ω`
      : f.kind === 'BREAK'
        ? Number.isFinite(f.value) && f.value !== null
          ? `a poor joint of ${Math.round(f.value)} Ω`
          : 'an open wire'
        : 'growth'
  return `${what}: ${where}${f.onlyWet ? ', only when wet' : ''}`
}

function order(round: boolean): SimulatedReading | null {
  const seed = Number(how.value.seed)
  failure.value =
    habits.takenBy.trim() === ''
      ? 'Enter who reads.'
      : Number.isInteger(seed) && seed >= 0 && seed < 1e9
        ? ''
        : 'A seed is a whole number.'
  if (failure.value) return null
  const places =
    round || !job.line || job.cursorM === null ? [] : [{ lineId: job.line.lineId, stationM: job.cursorM }]
  return {
    ...how.value,
    seed,
    open: open.value,
    round,
    since: beginOf(dayOf(new Date())),
    places,
    by: habits.takenBy.trim(),
  }
}

async function read(round: boolean) {
  const asked = order(round)
  if (!asked) return
  if (!round && !asked.places.length) {
    failure.value = 'Point at a place on the ribbon first; the meter reads there.'
    return
  }
  busy.value = true
  try {
    const a = await ask(
      client.POST('/api/jobs/{id}/simulated-meter', { params: { path: { id: jobId } }, body: asked }),
    )
    announce(
      a.sent === 0
        ? 'Everything of today’s round is read.'
        : `${a.stored} of ${a.sent} lines of the simulated meter were stored.`,
    )
    failure.value = a.refused[0] ?? ''
  } catch (e) {
    failure.value = failureText(e, 'The simulated meter could not read.')
  }
  busy.value = false
}

async function reveal() {
  const asked = order(false)
  if (!asked) return
  try {
    hidden.value = await ask(
      client.POST('/api/jobs/{id}/simulated-meter/hidden', { params: { path: { id: jobId } }, body: asked }),
    )
  } catch (e) {
    failure.value = failureText(e, 'That could not be told.')
  }
}
</script>

<template>
  <div class="meter">
    <h1>Meter</h1>
    <p class="small" data-test="meter-port">
      <template v-if="port"
        >Meters send to TCP port <b class="number">{{ port }}</b> of this machine, one reading a line; what
        they send is shown as it is stored.</template
      ><template v-else>The port for meters is taken by another program: none can send by itself.</template>
      <span class="quiet-text listening">{{ listening ? 'Listening.' : 'Not listening.' }}</span>
    </p>
    <h2>Simulated fence</h2>
    <p class="quiet-text small">
      A fence like this plan, but off it as real ones are, with a simulated meter. Its readings are invented,
      go into this job’s record and are named “simulated” there: use a copy of a client’s job.
    </p>
    <div class="how">
      <label>Seed <input v-model.number="how.seed" inputmode="numeric" data-test="sim-seed" /></label>
      <label
        >It is
        <select v-model="how.handedOver" data-test="sim-when">
          <option :value="true">new, nothing wrong</option>
          <option :value="false">a season later</option>
        </select></label
      >
      <label v-if="!how.handedOver"
        >Faults hidden
        <select v-model.number="how.hidden" data-test="sim-hidden" @change="hidden = null">
          <option v-for="n in [0, 1, 2, 3]" :key="n" :value="n">{{ n }}</option>
        </select></label
      >
      <label
        >Weather
        <select v-model="how.weather" data-test="sim-weather">
          <option value="DRY">dry</option>
          <option value="DAMP">damp</option>
          <option value="RAIN">rain</option>
        </select></label
      >
      <label
        >Growth
        <select v-model="how.growth" data-test="sim-growth">
          <option value="CLEAN">clean</option>
          <option value="LIGHT">light</option>
          <option value="HEAVY">heavy</option>
          <option value="RAIN">heavy, after rain</option>
        </select></label
      >
      <label>Read by <input v-model="habits.takenBy" autocomplete="name" data-test="sim-by" /></label>
    </div>
    <p v-if="!how.handedOver && how.hidden > 0" class="small">
      <label><input v-model="how.onlyWet" type="checkbox" /> the last of them only when it is wet</label>
    </p>
    <p v-if="cutOuts.length" class="small">
      Open:
      <label v-for="c in cutOuts" :key="c.id" class="switch"
        ><input v-model="open" type="checkbox" :value="c.id" /> {{ c.name }}</label
      >
    </p>
    <p class="buttons">
      <v-btn class="strong" data-test="sim-round" :disabled="busy" @click="read(true)"
        >Read today’s round</v-btn
      >
      <v-btn class="quiet" data-test="sim-here" :disabled="busy" @click="read(false)"
        >Read at {{ job.cursorM === null ? 'a place' : stationText(job.cursorM, job.units) }}</v-btn
      >
      <button v-if="!how.handedOver && how.hidden > 0" class="link" data-test="sim-reveal" @click="reveal">
        Show what is hidden
      </button>
    </p>
    <p v-if="failure" class="weak" role="alert" data-test="sim-failure">{{ failure }}</p>
    <ul v-if="hidden" class="small" data-test="sim-truth">
      <li v-for="(f, i) in hidden" :key="i">{{ faultText(f) }}</li>
    </ul>
    <h2>Last readings</h2>
    <p v-if="!last.length" class="quiet-text">Nothing has been read yet.</p>
    <table v-else class="sheet" data-test="live-readings">
      <tbody>
        <tr v-for="r in last" :key="r.id">
          <td class="right number">{{ shown(r).value }}</td>
          <td>{{ say(shown(r).on) }}</td>
          <td>{{ nameOf(r.at.lineId) }}, {{ stationText(r.at.stationM, job.units) }}</td>
          <td>{{ dateText(r.takenAt) }}</td>
          <td class="small quiet-text">{{ r.meter ?? '' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.meter {
  max-width: 900px;
}
.how {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 4px 12px;
}
.listening {
  margin-left: 6px;
}
.switch {
  display: inline-block;
  margin-right: 12px;
  color: var(--ink);
}
.buttons {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
}
h2 {
  margin: 18px 0 4px;
}
.weak {
  color: var(--broken);
}
</style>
