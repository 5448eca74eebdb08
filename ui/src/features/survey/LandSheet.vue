<script setup lang="ts">
import { computed, ref } from 'vue'
import type { LandFeature, LandKind, LandShape, Traits } from '@/api/types'
import { changeFeature, removeFeature } from '@/model/landEdit'
import FindingPlaces from '@/components/FindingPlaces.vue'
import { useJob } from '@/model/jobStore'
import { kindText, shapeOf } from '@/model/landKinds'
import { useTool } from '@/model/tool'
import RuleChips from '@/components/RuleChips.vue'
import EntryField from '@/shared/EntryField.vue'
import { lengthText, parseLengthM, stationText } from '@/shared/units'

const job = useJob()
const { draw } = useTool()
const kinds = Object.keys(kindText) as LandKind[]
const kind = ref<LandKind>('OVERHEAD_LINE')
const shape = ref<LandShape>('LINE')
const shapeText = { POINT: 'a point', LINE: 'a line', AREA: 'an outline' }
const chosen = computed(() =>
  job.selected?.kind === 'land' ? job.land?.features.find((f) => f.id === job.selected!.lineId) : undefined,
)

function pick(k: LandKind) {
  kind.value = k
  if (!shapeOf[k].includes(shape.value)) shape.value = shapeOf[k][0]!
}

const start = () => draw({ what: 'land', kind: kind.value, shape: shape.value })
const select = (f: LandFeature) => (job.selected = { kind: 'land', lineId: f.id, id: '0' })
const set = (change: Partial<LandFeature>) =>
  chosen.value && job.changeLand((l) => changeFeature(l, chosen.value!.id, change))
const trait = (change: Partial<Traits>) =>
  chosen.value && set({ traits: { ...chosen.value.traits, ...change } })

const length = (v: number | null) => (v === null ? '' : lengthText(v, job.units))
function setLength(field: 'lowestWireM' | 'depthM' | 'floodRiseM' | 'widthM', e: Event) {
  const text = (e.target as HTMLInputElement).value.trim()
  const m = text === '' ? null : parseLengthM(text, job.units)
  if (text === '' || m !== null) trait({ [field]: m })
  else (e.target as HTMLInputElement).value = length(chosen.value?.traits[field] ?? null)
}
function setKv(e: Event) {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.')
  const kv = text === '' ? null : Number(text)
  if (kv === null || (Number.isFinite(kv) && kv >= 0.05 && kv <= 1500)) trait({ voltageKv: kv })
}
const yesNo = (v: boolean | null) => (v === null ? '' : v ? 'yes' : 'no')
const asBool = (e: Event) => {
  const v = (e.target as HTMLSelectElement).value
  return v === '' ? null : v === 'yes'
}
const asWord = <T,>(e: Event) => ((e.target as HTMLSelectElement).value || null) as T | null

/** What the land means for the lines, by severity, each with its place. */
const rank = { WARN: 0, CAUTION: 1, NOTE: 2 }
const findings = computed(() =>
  (job.design?.layout.findings ?? [])
    .filter((f) =>
      ['C2', 'C3', 'C4', 'C5', 'C6', 'C10', 'J4', 'J5', 'L2', 'L3', 'P10', 'P11', 'X7', 'X9'].includes(
        f.rule,
      ),
    )
    .slice()
    .sort((a, b) => rank[a.severity] - rank[b.severity]),
)
function go(f: (typeof findings.value)[number]) {
  if (f.lineId) job.lineId = f.lineId
  if (f.stationM !== null) job.cursorM = f.stationM
}
const severityText = { WARN: 'fix', CAUTION: 'caution', NOTE: 'note' }
</script>

<template>
  <div>
    <h2>What is there</h2>
    <p class="small quiet-text">
      Belongs to the property{{ job.property ? ` ${job.property}` : ''
      }}<template v-if="job.propertyJobs > 1">: all its {{ job.propertyJobs }} jobs see it</template>.
    </p>
    <form class="row" @submit.prevent="start">
      <select
        :value="kind"
        aria-label="Kind of feature"
        data-test="land-kind"
        @change="pick(($event.target as HTMLSelectElement).value as LandKind)"
      >
        <option v-for="k in kinds" :key="k" :value="k">{{ kindText[k] }}</option>
      </select>
      <select v-if="shapeOf[kind].length > 1" v-model="shape" aria-label="Drawn as" data-test="land-shape">
        <option v-for="s in shapeOf[kind]" :key="s" :value="s">{{ shapeText[s] }}</option>
      </select>
      <v-btn type="submit" data-test="draw-land">Draw it</v-btn>
    </form>
    <form v-if="chosen" class="feature" data-test="feature-form" @submit.prevent>
      <b class="heading">{{ kindText[chosen.kind] }}</b>
      <label
        >name
        <EntryField
          :value="chosen.name"
          data-test="feature-name"
          @change="set({ name: ($event.target as HTMLInputElement).value })"
      /></label>
      <template v-if="chosen.kind === 'EXISTING_FENCE'">
        <label
          >made of
          <select
            :value="chosen.traits.make ?? ''"
            data-test="feature-make"
            @change="trait({ make: asWord($event) })"
          >
            <option value="">not said</option>
            <option value="BARBED">barbed wire</option>
            <option value="WOVEN">woven wire</option>
            <option value="TIMBER">timber</option>
            <option value="OTHER">other</option>
          </select></label
        >
        <label
          >posts usable
          <select :value="yesNo(chosen.traits.postsUsable)" @change="trait({ postsUsable: asBool($event) })">
            <option value="">not said</option>
            <option>yes</option>
            <option>no</option>
          </select></label
        >
        <label
          >fed by its own energizer
          <select
            :value="yesNo(chosen.traits.electrified)"
            data-test="feature-electrified"
            @change="trait({ electrified: asBool($event) })"
          >
            <option value="">not said</option>
            <option>yes</option>
            <option>no</option>
          </select></label
        >
      </template>
      <template v-if="chosen.kind === 'OVERHEAD_LINE'">
        <label
          >voltage, kV
          <EntryField
            :value="chosen.traits.voltageKv ?? ''"
            inputmode="decimal"
            data-test="feature-kv"
            @change="setKv"
        /></label>
        <label
          >lowest conductor
          <EntryField
            :value="length(chosen.traits.lowestWireM)"
            placeholder="height above ground"
            @change="setLength('lowestWireM', $event)"
        /></label>
      </template>
      <template v-if="chosen.kind === 'BURIED_SERVICE'">
        <label
          >carries
          <select
            :value="chosen.traits.service ?? ''"
            data-test="feature-service"
            @change="trait({ service: asWord($event) })"
          >
            <option value="">not said</option>
            <option value="WATER">water</option>
            <option value="GAS">gas</option>
            <option value="POWER">power</option>
            <option value="TELEPHONE">telephone</option>
            <option value="DRAIN">drain</option>
            <option value="OTHER">other</option>
          </select></label
        >
      </template>
      <label v-if="chosen.kind === 'BURIED_SERVICE' || chosen.kind === 'SOIL'"
        >depth
        <EntryField
          :value="length(chosen.traits.depthM)"
          data-test="feature-depth"
          @change="setLength('depthM', $event)"
      /></label>
      <label v-if="chosen.kind === 'CREEK'"
        >rises in flood by
        <EntryField
          :value="length(chosen.traits.floodRiseM)"
          placeholder="above its bed"
          data-test="feature-flood"
          @change="setLength('floodRiseM', $event)"
      /></label>
      <label v-if="chosen.kind === 'SOIL'"
        >ground
        <select
          :value="chosen.traits.soil ?? ''"
          data-test="feature-soil"
          @change="trait({ soil: asWord($event) })"
        >
          <option value="">not said</option>
          <option value="CLAY">clay</option>
          <option value="LOAM">loam</option>
          <option value="SAND">sand</option>
          <option value="STONE">stone at depth</option>
          <option value="WET">wet</option>
          <option value="FROZEN_IN_SEASON">frozen in season</option>
        </select></label
      >
      <label v-if="['TRACK', 'PUBLIC_WAY', 'CREEK', 'OPENING', 'TREES'].includes(chosen.kind)"
        >width <EntryField :value="length(chosen.traits.widthM)" @change="setLength('widthM', $event)"
      /></label>
      <label
        >note
        <EntryField :value="chosen.note" @change="set({ note: ($event.target as HTMLInputElement).value })"
      /></label>
      <p class="small quiet-text">Drag its points on the plan, or arrow keys; Delete removes a point.</p>
      <button
        type="button"
        class="link"
        @click="(job.changeLand((l) => removeFeature(l, chosen!.id)), (job.selected = null))"
      >
        Remove
      </button>
    </form>
    <ul class="features">
      <li v-for="f in job.land?.features" :key="f.id">
        <button :aria-pressed="chosen?.id === f.id" @click="select(f)">
          <span>{{ f.name || kindText[f.kind] }}</span><span v-if="f.name" class="quiet-text">{{
            kindText[f.kind]
          }}</span>
        </button>
      </li>
    </ul>
    <h3 class="mt-3">What it means for the fence</h3>
    <p v-if="findings.length === 0" class="small quiet-text">Nothing that a line crosses or comes near.</p>
    <ul class="findings" data-test="land-findings">
      <li v-for="(f, i) in findings" :key="i" :class="f.severity">
        <button @click="go(f)">
          <b
            >{{ severityText[f.severity]
            }}<template v-if="f.stationM !== null"> at {{ stationText(f.stationM, job.units) }}</template></b
          >
          {{ f.message }}
        </button>
        <FindingPlaces :finding="f" />
        <RuleChips :rules="[f.rule]" />
      </li>
    </ul>
    <p v-if="findings.length" class="small quiet-text">Local code and licensed people decide.</p>
  </div>
</template>

<style scoped>
.feature {
  border: 1px solid var(--rule-strong);
  padding: 8px 10px;
  margin: 8px 0;
}
.feature label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  margin: 3px 0;
}
.feature input,
.feature select {
  width: 168px;
  border: 1px solid var(--rule);
  padding: 3px 6px;
  background: var(--paper);
  color: var(--ink);
}
.features,
.findings {
  list-style: none;
  padding: 0;
}
.features button {
  display: flex;
  justify-content: space-between;
  width: 100%;
  padding: 4px 6px;
  border-bottom: 1px dotted var(--rule);
  text-align: left;
  color: var(--ink);
}
.features button[aria-pressed='true'] {
  background: var(--accent-wash);
}
.findings li {
  border-left: 4px solid var(--rule);
  padding: 3px 0 5px 8px;
  margin-bottom: 6px;
  font-size: 13.5px;
}
.findings .WARN {
  border-left-color: var(--broken);
}
.findings .CAUTION {
  border-left-color: var(--warn);
}
.findings button {
  text-align: left;
  color: var(--ink);
}
</style>
