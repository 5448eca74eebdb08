<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FenceSpec, Plan } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import EntryField from '@/shared/EntryField.vue'
import { lengthText, parseLengthM, parseSmallM, smallText } from '@/shared/units'
import { withFence } from '@/model/planEdit'
import { withFencePart, type FencePart } from '@/model/bookEdit'
import { useMaterials } from '@/model/useMaterials'
import { useWords } from '@/model/useWords'

const job = useJob()
const { say } = useWords()
const materials = useMaterials()
const fence = computed(() => job.plan!.spec.fence)

const set = <K extends FencePart>(part: K, change: Partial<FenceSpec[K]>) =>
  job.change((p: Plan) => withFencePart(p, part, change))
const word = (e: Event) => (e.target as HTMLSelectElement).value
/** A length within bounds, or nothing. */
function length(e: Event, least: number, most: number, then: (m: number) => void) {
  const metres = parseLengthM((e.target as HTMLInputElement).value, job.units)
  if (metres !== null && metres >= least && metres <= most) then(metres)
}
function degrees(e: Event, field: 'coldC' | 'warmC' | 'buildC') {
  const shown = Number((e.target as HTMLInputElement).value.replace(',', '.').replace('−', '-'))
  if (!Number.isFinite(shown)) return
  const value = job.units === 'METRIC' ? shown : ((shown - 32) * 5) / 9
  const s = { ...fence.value.climate, [field]: value }
  if (s.coldC >= -60 && s.coldC <= s.buildC && s.buildC <= s.warmC && s.warmC <= 60)
    set('climate', { [field]: value })
}
/** Heights of clips or holes as they are typed: {@code 6; 12; 18}, inches where people work in feet. */
const holdsWrong = ref(false)
const holds = computed(() => fence.value.posts.holdsAtM.map((m) => smallText(m, job.units)).join('; '))
function setHolds(e: Event) {
  const typed = (e.target as HTMLInputElement).value.split(';').filter((t) => t.trim())
  const metres = typed.map((t) => parseSmallM(t, job.units))
  holdsWrong.value = metres.length > 40 || metres.some((m) => m === null || m < 0.01 || m > 5)
  if (!holdsWrong.value) set('posts', { holdsAtM: metres as number[] })
}
const temperature = (c: number) => Math.round(job.units === 'METRIC' ? c : (c * 9) / 5 + 32)
const degreeUnit = computed(() => (job.units === 'METRIC' ? '°C' : '°F'))
const conductor = (id: string) => materials.value?.conductors.find((c) => c.id === id)
const roles = [
  { id: 'hot', text: 'Hot wires' },
  { id: 'earth', text: say('Earth wires') },
  { id: 'plain', text: 'Plain wires' },
] as const
const kinds = [
  { id: 'strong', text: 'Strong posts' },
  { id: 'line', text: 'Line posts' },
  { id: 'light', text: 'Light posts' },
] as const
</script>

<template>
  <div v-if="materials">
    <h2>Material and season</h2>
    <h3>Posts <RuleChips :rules="['P10', 'P11', 'P16']" /></h3>
    <label v-for="k in kinds" :key="k.id"
      >{{ k.text }}
      <select
        :value="fence.posts[k.id]"
        :data-test="`stock-${k.id}`"
        @change="set('posts', { [k.id]: word($event) })"
      >
        <option v-for="p in materials.posts" :key="p.id" :value="p.id">{{ p.text }}</option>
      </select>
    </label>
    <div class="pair">
      <label
        >Strong posts deep
        <EntryField
          :value="lengthText(fence.posts.strongDepthM, job.units)"
          @change="length($event, 0.1, 3, (m) => set('posts', { strongDepthM: m }))"
      /></label>
      <label
        >Line posts deep
        <EntryField
          :value="lengthText(fence.posts.lineDepthM, job.units)"
          @change="length($event, 0.1, 3, (m) => set('posts', { lineDepthM: m }))"
      /></label>
    </div>
    <label
      >Light posts in each gap <RuleChips :rules="['P5']" />
      <select
        :value="fence.posts.lightPerGap"
        data-test="light-per-gap"
        @change="set('posts', { lightPerGap: Number(word($event)) })"
      >
        <option v-for="n in [0, 1, 2, 3]" :key="n" :value="n">{{ n === 0 ? 'none' : n }}</option>
      </select>
    </label>
    <label
      >Posts' own clips or holes at <RuleChips :rules="['I1', 'P12']" />
      <input
        :value="holds"
        data-test="holds-at"
        placeholder="at any height"
        :aria-invalid="holdsWrong"
        @change="setHolds"
      />
    </label>
    <p v-if="holdsWrong" role="alert" class="problem">
      Heights over the ground, parted by semicolons, up to 16 ft (5 m).
    </p>
    <label class="check"
      ><input
        type="checkbox"
        :checked="fence.posts.closeUp"
        @change="set('posts', { closeUp: !fence.posts.closeUp })" />
      a post at each crest and hollow <RuleChips :rules="['P17']"
    /></label>
    <h3>Wire <RuleChips :rules="['S10', 'S12']" /></h3>
    <label v-for="r in roles" :key="r.id"
      >{{ r.text }}
      <select
        :value="fence.wires[r.id]"
        :data-test="`conductor-${r.id}`"
        @change="set('wires', { [r.id]: word($event) })"
      >
        <option
          v-for="c in materials.conductors.filter((x) => r.id !== 'hot' || x.id !== 'BARBED')"
          :key="c.id"
          :value="c.id"
        >
          {{ c.text }}
        </option>
      </select>
    </label>
    <p class="small quiet-text">
      {{ conductor(fence.wires.hot)?.joining }}; {{ conductor(fence.wires.hot)?.seen }}.
    </p>
    <label
      >Pull of each steel wire <RuleChips :rules="['S1']" />
      <select
        :value="fence.wires.tension"
        data-test="tension"
        @change="set('wires', { tension: word($event) as FenceSpec['wires']['tension'] })"
      >
        <option v-for="t in materials.tensions" :key="t.id" :value="t.id">{{ t.text }}</option>
      </select>
    </label>
    <label
      >Strain in the middle from <RuleChips :rules="['S4']" />
      <EntryField
        :value="lengthText(fence.wires.midRunFromM, job.units)"
        @change="length($event, 5, 5000, (m) => set('wires', { midRunFromM: m }))"
    /></label>
    <label class="check"
      ><input
        type="checkbox"
        :checked="fence.wires.springs"
        @change="set('wires', { springs: !fence.wires.springs })" />
      a tension spring in each hot wire <RuleChips :rules="['S3']"
    /></label>
    <label class="check"
      ><input
        type="checkbox"
        :checked="fence.wires.earthTied"
        @change="set('wires', { earthTied: !fence.wires.earthTied })" />
      {{ say('earth wires tied to the earth terminal') }} <RuleChips :rules="['W18']"
    /></label>
    <h3>Braces <RuleChips :rules="['B3']" /></h3>
    <label
      >Kind
      <select
        :value="fence.braces.kind"
        data-test="brace-kind"
        @change="set('braces', { kind: word($event) as FenceSpec['braces']['kind'] })"
      >
        <option v-for="b in materials.braces" :key="b.id" :value="b.id">{{ b.text }}</option>
      </select>
    </label>
    <div class="pair">
      <label
        >In-line brace from <RuleChips :rules="['B12']" />
        <EntryField
          :value="lengthText(fence.braces.inlineFromM, job.units)"
          @change="length($event, 20, 5000, (m) => set('braces', { inlineFromM: m }))"
      /></label>
      <label
        >Rail diameter <RuleChips :rules="['B13']" />
        <EntryField
          :value="lengthText(fence.braces.railDiameterM, job.units)"
          @change="length($event, 0.03, 0.3, (m) => set('braces', { railDiameterM: m }))"
      /></label>
    </div>
    <h3>Season <RuleChips :rules="['S6', 'S8', 'P6', 'P20']" /></h3>
    <div class="pair">
      <label
        >Frost goes down to
        <EntryField
          :value="lengthText(fence.climate.frostDepthM, job.units)"
          data-test="frost"
          @change="length($event, 0, 2.5, (m) => set('climate', { frostDepthM: m }))"
      /></label>
      <label
        >Ice around a wire
        <EntryField
          :value="lengthText(fence.climate.iceM, job.units)"
          data-test="ice"
          @change="length($event, 0, 0.1, (m) => set('climate', { iceM: m }))"
      /></label>
    </div>
    <div class="triple">
      <label
        >Coldest, {{ degreeUnit }}
        <EntryField :value="temperature(fence.climate.coldC)" @change="degrees($event, 'coldC')"
      /></label>
      <label
        >Warmest <EntryField :value="temperature(fence.climate.warmC)" @change="degrees($event, 'warmC')"
      /></label>
      <label
        >When strained
        <EntryField :value="temperature(fence.climate.buildC)" @change="degrees($event, 'buildC')"
      /></label>
    </div>
    <h3>Insulators <RuleChips :rules="['I5']" /></h3>
    <label
      >They must stand up to
      <select
        :value="fence.hazard"
        data-test="hazard"
        @change="job.change((p) => withFence(p, { hazard: word($event) as FenceSpec['hazard'] }))"
      >
        <option value="USUAL">nothing special</option>
        <option value="WILDLIFE">animals hitting the wire: claw type</option>
        <option value="FLOOD">floods: pin-lock sheds the wire</option>
      </select>
    </label>
  </div>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.triple {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px;
  align-items: end;
}
</style>
