<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { withFence } from '@/model/planEdit'
import { lengthText, tapedText } from '@/shared/units'
import { setLineSpec, setLineWires } from '@/model/bookEdit'
import { useMaterials } from '@/model/useMaterials'
import type { LineSpec } from '@/api/types'
import FootMarks from './FootMarks.vue'
import StringingForm from './StringingForm.vue'
import WireTable from './WireTable.vue'
import { useWords } from '@/model/useWords'

const job = useJob()
const materials = useMaterials()
const ownSpec = computed(() => job.plan!.spec.lines.find((l) => l.lineId === job.line?.lineId))
const word = (e: Event) => (e.target as HTMLSelectElement).value || null
const own = computed(() => job.plan!.spec.lines.find((l) => l.lineId === job.line?.lineId && l.schedule))
const schedule = computed(() => job.line?.schedule ?? job.plan!.spec.fence.schedule)
const wires = computed(() => schedule.value.wires)
const topM = computed(() => wires.value.at(-1)?.heightM ?? 1)
const H = 300
const y = (heightM: number) => 12 + (H - 24) * (1 - heightM / (topM.value * 1.06))
const { say } = useWords()
const words = computed(() => ({ HOT: 'hot', EARTH: say('earth'), PLAIN: 'plain' }))
const merged = ref<string[]>([])
const refused = ref('')
const mix = ref<string[]>([])

function setSchedule(s: typeof schedule.value) {
  const line = job.line?.lineId
  if (own.value && line) job.change((p) => setLineWires(p, line, s))
  else job.change((p) => withFence(p, { schedule: s }))
}
async function combine() {
  refused.value = ''
  try {
    const made = await ask(client.GET('/api/mixed-wires', { params: { query: { presets: mix.value } } }))
    setSchedule(made.schedule)
    merged.value = made.merged.length ? made.merged : ['No two wires coincide.']
  } catch (e) {
    refused.value = e instanceof RequestFailed ? e.message : 'The wires could not be combined.'
  }
}
</script>

<template>
  <div>
    <h2>Wires of {{ job.line?.name ?? 'the job' }}</h2>
    <label v-if="job.line && job.plan!.site.lines.length > 1" class="check"
      ><input
        type="checkbox"
        :checked="!!own"
        data-test="own-wires"
        @change="
          job.change((p) => setLineWires(p, job.line!.lineId, own ? null : { ...p.spec.fence.schedule }))
        "
      />
      this line has wires of its own
    </label>
    <div v-if="job.line && job.plan!.site.lines.length > 1" class="pair">
      <label
        >its hot wire
        <select
          :value="ownSpec?.hot ?? ''"
          data-test="own-hot"
          @change="
            job.change((p) => setLineSpec(p, job.line!.lineId, { hot: word($event) as LineSpec['hot'] }))
          "
        >
          <option value="">as the job</option>
          <option v-for="c in materials?.conductors" :key="c.id" :value="c.id">{{ c.text }}</option>
        </select>
      </label>
      <label
        >its braces
        <select
          :value="ownSpec?.brace ?? ''"
          @change="
            job.change((p) => setLineSpec(p, job.line!.lineId, { brace: word($event) as LineSpec['brace'] }))
          "
        >
          <option value="">as the job</option>
          <option v-for="b in materials?.braces" :key="b.id" :value="b.id">{{ b.text }}</option>
        </select>
      </label>
    </div>
    <label v-if="job.line && job.plan!.site.lines.length > 1" class="check"
      ><input
        type="checkbox"
        :checked="!!ownSpec?.stringing"
        data-test="own-stringing"
        @change="
          job.change((p) =>
            setLineSpec(p, job.line!.lineId, {
              stringing: ownSpec?.stringing ? null : { ...p.spec.fence.stringing },
            }),
          )
        "
      />
      its wire runs in a way of its own
    </label>
    <StringingForm
      v-if="ownSpec?.stringing"
      :stringing="ownSpec.stringing"
      :units="job.units"
      :name="`How the wire of ${job.line!.name} runs`"
      @change="job.change((p) => setLineSpec(p, job.line!.lineId, { stringing: $event }))"
    />
    <WireTable :schedule="schedule" :units="job.units" @change="setSchedule" />
    <h3>Story pole</h3>
    <p class="small quiet-text">
      Marked once on a stick and carried from post to post. On paper it comes at full size, in strips.
    </p>
    <svg :viewBox="`0 0 300 ${H}`" width="300" :height="H" role="img" aria-label="Story pole" class="pole">
      <rect x="30" :y="y(topM) - 10" width="16" :height="y(0) - y(topM) + 10" class="stick" />
      <path :d="`M8 ${y(0)}H292`" class="ground" />
      <g v-for="(w, i) in wires" :key="i">
        <path :d="`M24 ${y(w.heightM)}H112`" class="wire" :class="w.role" />
        <text x="118" :y="y(w.heightM) + 4">
          {{ i + 1 }} {{ words[w.role] }} · {{ tapedText(w.heightM, 'FT_IN') }} ·
          {{ Math.round(w.heightM * 1000) }} mm
        </text>
      </g>
    </svg>
    <p>
      <a :href="`/api/jobs/${job.id}/story-pole.pdf`" data-test="pole-pdf">On paper, A4</a> ·
      <a :href="`/api/jobs/${job.id}/story-pole.pdf?paper=LETTER`">Letter</a>
      <span class="small quiet-text"> top wire {{ lengthText(topM, job.units) }}</span>
    </p>
    <FootMarks v-if="job.line?.marks.length" :marks="job.line.marks" />
    <h3>Several animals together <RuleChips :rules="['W19']" /></h3>
    <select v-model="mix" multiple size="6" aria-label="Wire schedules to combine" data-test="mix-presets">
      <option v-for="p in job.catalogue?.presets" :key="p.id" :value="p.id">
        {{ p.rule }} · {{ say(p.name) }}
      </option>
    </select>
    <v-btn class="mt-2" :disabled="mix.length < 2" data-test="mix" @click="combine">Combine them</v-btn>
    <p v-if="refused" class="problems" role="alert">{{ refused }}</p>
    <ul v-if="merged.length" class="small">
      <li v-for="m in merged" :key="m">{{ m }}</li>
    </ul>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.pole text {
  font-size: 11.5px;
  fill: var(--ink);
}
.stick {
  fill: var(--ground);
  stroke: var(--ground-edge);
}
.ground {
  stroke: var(--ground-edge);
  stroke-width: 2;
}
.wire {
  stroke: var(--hot);
  stroke-width: 2;
}
.wire.EARTH {
  stroke: var(--earth);
  stroke-dasharray: 7 4;
}
.wire.PLAIN {
  stroke: var(--plain);
  stroke-width: 1;
}
.problems {
  color: var(--broken);
}
</style>
