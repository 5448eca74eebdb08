<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type {
  PracticeAct,
  PracticeCaseId,
  PracticeGround,
  PracticeOutcome,
  PracticePlayed,
} from '@/api/types'
import { newId } from '@/shared/uuid'
import PracticeMap from './PracticeMap.vue'
import { cases, gradeWords, kindText, minutesWords } from './caseWords'

/** One case: read, switch, look over, say where; a clock that goes as a crew does. */
const props = defineProps<{ of: PracticeCaseId; person: string }>()
const emit = defineEmits<{ done: [] }>()
const told = computed(() => cases.find((c) => c.id === props.of)!)
const seed = ref(Math.floor(Math.random() * 900_000) + 1)
const ground = shallowRef<PracticeGround | null>(null)
const acts = ref<PracticeAct[]>([])
const played = shallowRef<PracticePlayed | null>(null)
const outcome = shallowRef<PracticeOutcome | null>(null)
const failure = ref('')
const busy = ref(false)
const at = ref<{ lineId: string; stationM: number } | null>(null)
const from = ref<{ lineId: string; stationM: number } | null>(null)
/** The same until it is stored, so that sending again makes no double. */
let id = newId()

async function begin() {
  failure.value = ''
  acts.value = []
  played.value = null
  outcome.value = null
  at.value = null
  from.value = null
  id = newId()
  try {
    ground.value = await ask(
      client.GET('/api/practice/cases/{practiceCase}', {
        params: { path: { practiceCase: props.of }, query: { seed: seed.value } },
      }),
    )
  } catch (e) {
    failure.value = failureText(e, 'The case could not be opened.')
  }
}
onMounted(begin)
function another() {
  seed.value = Math.floor(Math.random() * 900_000) + 1
  void begin()
}

const kv = (v: number | null) => (v === null ? '' : (v / 1000).toFixed(1))
const open = computed(() => {
  const now = new Set<string>()
  for (const a of acts.value)
    if (a.kind === 'SWITCH' && a.cutOut) {
      if (a.open) now.add(a.cutOut)
      else now.delete(a.cutOut)
    }
  return [...now]
})
const minutes = computed(() => played.value?.minutes ?? 0)
const wet = computed(() => played.value?.came.at(-1)?.wet ?? false)
const over = computed(() => played.value?.over ?? false)
const seen = computed(() => (played.value?.came ?? []).reduce((n, c) => n + c.found, 0))
const known = computed(() => {
  const p = at.value
  const k =
    p && ground.value?.known.find((x) => x.lineId === p.lineId && Math.abs(x.stationM - p.stationM) < 3)
  return k ? kv(k.newV) : ''
})
const readings = computed(() =>
  acts.value.flatMap((a, i) => {
    const came = played.value?.came[i]
    return a.kind === 'READ' && a.lineId && came
      ? [{ lineId: a.lineId, stationM: a.fromM, text: kv(came.peakV) }]
      : []
  }),
)
const looked = computed(() =>
  acts.value.flatMap((a) =>
    a.kind === 'LOOK_OVER' && a.lineId ? [{ lineId: a.lineId, fromM: a.fromM, toM: a.toM }] : [],
  ),
)
const cutOuts = computed(() => ground.value?.lines.flatMap((l) => l.cutOuts) ?? [])
const history = computed(() =>
  acts.value
    .map((a, i) => ({ a, came: played.value?.came[i], told: outcome.value?.told.find((t) => t.act === i) }))
    .filter((h) => h.came !== undefined),
)
const place = (lineId: string | null, m: number) =>
  lineId ? `${lineId}, ${Math.round(m)} m` : 'the energizer'
const actText = (a: PracticeAct) => {
  switch (a.kind) {
    case 'READ':
      return `read at ${place(a.lineId, a.fromM)}`
    case 'SWITCH':
      return `${a.open ? 'opened' : 'closed'} ${cutOuts.value.find((c) => c.id === a.cutOut)?.name ?? ''}`
    case 'LOOK_OVER':
      return `looked over ${place(a.lineId, a.fromM)} to ${Math.round(a.toM)} m`
    case 'ENERGIZER':
      return 'went over energizer, supply and rods'
    case 'WAIT_FOR_RAIN':
      return 'came back in the rain'
    case 'SAY':
      return `said: at ${place(a.lineId, a.fromM)}`
  }
}
async function act(a: Partial<PracticeAct> & Pick<PracticeAct, 'kind'>) {
  const next: PracticeAct = { lineId: null, fromM: 0, toM: 0, cutOut: null, open: false, ...a }
  const all = [...acts.value, next]
  busy.value = true
  failure.value = ''
  try {
    played.value = await ask(
      client.POST('/api/practice/play', { body: { practiceCase: props.of, seed: seed.value, acts: all } }),
    )
    acts.value = all
    if (played.value.over) await finish()
  } catch (e) {
    failure.value = failureText(e, 'That did not work; nothing was done.')
  }
  busy.value = false
}
const here = (kind: 'READ' | 'SAY') =>
  at.value && act({ kind, lineId: at.value.lineId, fromM: at.value.stationM, toM: at.value.stationM })
function lookOver() {
  if (!at.value) return
  if (from.value?.lineId !== at.value.lineId) {
    from.value = at.value
    return
  }
  const begin = from.value
  from.value = null
  void act({ kind: 'LOOK_OVER', lineId: begin.lineId, fromM: begin.stationM, toM: at.value.stationM })
}

async function finish() {
  try {
    outcome.value = await ask(
      client.POST('/api/practice/results', {
        body: { id, person: props.person, practiceCase: props.of, seed: seed.value, acts: acts.value },
      }),
    )
  } catch (e) {
    failure.value = failureText(e, 'The result could not be kept.')
  }
}
</script>

<template>
  <section class="case" aria-label="A case">
    <p class="small">
      <button class="link" data-test="practice-back" @click="emit('done')">All cases</button>
    </p>
    <h2>{{ told.title }}</h2>
    <p>{{ told.told }}</p>
    <p v-if="failure" class="weak" role="alert">{{ failure }}</p>
    <div v-if="ground" class="ground">
      <PracticeMap
        :ground="ground"
        :at="at"
        :open="open"
        :readings="readings"
        :looked="looked"
        :truth="outcome?.truth ?? []"
        @point="(lineId: string, stationM: number) => (at = { lineId, stationM })"
      />
      <div class="tools">
        <p class="clock" data-test="practice-clock">
          <b class="number">{{ minutesWords(minutes) }}</b> on the clock{{ wet ? ', it rains' : ''
          }}{{ seen && !over ? `; ${seen} found, and it is still low` : '' }}
        </p>
        <div v-if="!over" class="hand">
          <p class="small">
            {{ at ? `At ${place(at.lineId, at.stationM)}` : 'Point at a place of the fence, or choose one:'
            }}{{ known ? `, ${known} kV when it was new` : '' }}
          </p>
          <p class="points">
            <button
              v-for="k in ground.known"
              :key="k.testPointId"
              class="link"
              data-test="practice-point"
              @click="at = { lineId: k.lineId, stationM: k.stationM }"
            >
              {{ place(k.lineId, k.stationM) }}
            </button>
          </p>
          <p class="buttons">
            <v-btn class="strong" data-test="practice-read" :disabled="busy || !at" @click="here('READ')"
              >Read here</v-btn
            >
            <v-btn class="quiet" data-test="practice-look" :disabled="busy || !at" @click="lookOver">{{
              from && at && from.lineId === at.lineId && from.stationM !== at.stationM
                ? `Look over from ${Math.round(from.stationM)} m to here`
                : from
                  ? 'Now point where it ends'
                  : 'Look over from here …'
            }}</v-btn>
            <v-btn
              v-for="c in cutOuts"
              :key="c.id"
              class="quiet"
              data-test="practice-switch"
              :disabled="busy"
              @click="act({ kind: 'SWITCH', cutOut: c.id, open: !open.includes(c.id) })"
              >{{ open.includes(c.id) ? 'Close' : 'Open' }} {{ c.name }}</v-btn
            >
            <v-btn
              class="quiet"
              data-test="practice-energizer"
              :disabled="busy"
              @click="act({ kind: 'ENERGIZER' })"
              >Go over energizer and rods</v-btn
            >
            <v-btn v-if="!wet" class="quiet" :disabled="busy" @click="act({ kind: 'WAIT_FOR_RAIN' })"
              >Come back in the rain</v-btn
            >
            <v-btn class="strong" data-test="practice-say" :disabled="busy || !at" @click="here('SAY')"
              >It is here</v-btn
            >
            <button class="link" data-test="practice-give-up" :disabled="busy" @click="act({ kind: 'SAY' })">
              It is at the energizer or the rods
            </button>
          </p>
        </div>
        <template v-if="outcome">
          <p class="verdict" data-test="practice-verdict">
            <b>{{ gradeWords[outcome.grade] }}</b>: {{ minutesWords(outcome.minutes) }}; Buckle’s way
            {{ minutesWords(outcome.bestMinutes) }}, along the fence in order
            {{ minutesWords(outcome.inOrderMinutes) }}.
            <template v-for="(t, i) in outcome.truth" :key="i">
              {{ i ? ' and ' : 'It was ' }}{{ kindText[t.kind] }} at
              {{ place(t.lineId, (t.fromM + t.toM) / 2) }}{{ t.onlyWet ? ', only when wet' : '' }}</template
            >.
          </p>
          <p class="buttons">
            <v-btn class="strong" data-test="practice-another" @click="another">Another of these</v-btn>
          </p>
          <h3>Buckle’s way</h3>
          <ol class="small" data-test="practice-best">
            <li v-for="(b, i) in outcome.best" :key="i">
              {{
                b.action === 'ENERGIZER'
                  ? 'go over energizer, supply and rods'
                  : b.action === 'READ'
                    ? `read at ${place(b.lineId, b.fromM)}`
                    : b.action === 'OPEN'
                      ? `open ${cutOuts.find((c) => c.id === b.cutOut)?.name}, read at ${place(b.lineId, b.fromM)}, close it`
                      : `look over ${place(b.lineId, b.fromM)} to ${Math.round(b.toM)} m`
              }}
              <span class="quiet-text took">{{ minutesWords(b.minutes) }}</span>
            </li>
          </ol>
        </template>
        <h3 v-if="history.length">Your way</h3>
        <ol class="small" data-test="practice-history">
          <li v-for="(h, i) in history" :key="i">
            {{ actText(h.a) }}<template v-if="h.came!.peakV !== null">: {{ kv(h.came!.peakV) }} kV</template
            ><template v-if="h.came!.found">: found</template>
            <span class="quiet-text took">{{ minutesWords(h.came!.minutes) }}</span>
            <span v-if="h.told" class="block"
              >then {{ Math.round(h.told.regionM) }} m of {{ Math.round(outcome!.linesM) }} m held 90 %, most
              probably {{ kindText[h.told.likeliest] }} ({{ Math.round(100 * h.told.share) }} %)</span
            >
          </li>
        </ol>
      </div>
    </div>
  </section>
</template>

<style scoped>
.case {
  padding: 0 18px 24px;
}
.ground {
  display: grid;
  grid-template-columns: minmax(0, 760px) minmax(300px, 460px);
  gap: 0 22px;
  align-items: start;
}
@media (max-width: 900px) {
  .ground {
    grid-template-columns: minmax(0, 1fr);
  }
}
.took {
  margin-left: 8px;
}
.clock {
  font-size: 16px;
  margin: 8px 0;
}
.points,
.buttons {
  display: flex;
  gap: 8px 12px;
  flex-wrap: wrap;
  align-items: center;
  margin: 6px 0;
}
.verdict {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 6px 10px;
  font-size: 16px;
}
.block {
  display: block;
}
h3 {
  margin: 12px 0 2px;
  font-size: 15px;
}
.weak {
  color: var(--broken);
}
</style>
