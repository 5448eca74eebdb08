<script setup lang="ts">
import { computed } from 'vue'
import type { Animal, FenceSpec, Preset, Supply } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { withFence, withSupply } from '@/model/planEdit'
import { lengthText, parseLengthM } from '@/shared/units'
import StringingForm from './StringingForm.vue'
import WireTable from './WireTable.vue'
import { useWords } from '@/model/useWords'

/** Rule P11: line posts go in about 3 ft. */
const USUAL_DEPTH_M = 0.9144
/** P12: coated rods a foot deep at the ends. */
const STEP_INS = { line: 'STEP_IN', strong: 'FIBREGLASS_22', strongDepthM: 0.3048 } as const
const USUAL_POSTS = { line: 'TIMBER_90', strong: 'TIMBER_140', strongDepthM: USUAL_DEPTH_M } as const

const job = useJob()
const fence = computed(() => job.plan!.spec.fence)
const supply = computed(() => job.plan!.spec.supply)
const animals = computed(() => job.catalogue?.animals ?? [])
const { say } = useWords()
const presets = computed(() => job.catalogue?.presets ?? [])
const fitting = computed(() =>
  presets.value.filter((p) => p.suits.some((a) => fence.value.animals.includes(a))),
)
const others = computed(() => presets.value.filter((p) => !fitting.value.includes(p)))
const change = (part: Partial<FenceSpec>) => job.change((p) => withFence(p, part))
const drive = (part: Partial<Supply>) => job.change((p) => withSupply(p, part))

/**
 * A preset brings its wires, the depth of its line posts where that is part of it, and the posts of a temporary fence;
 * leaving it gives back what is usual, where nobody changed it since.
 */
function brought(preset: Preset): Partial<FenceSpec> {
  const posts = fence.value.posts
  const before = presets.value.find((p) => p.id === fence.value.schedule.preset)
  const usual =
    before?.lineDepthM != null && posts.lineDepthM === before.lineDepthM ? USUAL_DEPTH_M : posts.lineDepthM
  const stood =
    before?.stepIns && posts.line === STEP_INS.line && posts.strong === STEP_INS.strong ? USUAL_POSTS : {}
  return {
    schedule: { preset: preset.id, wires: preset.wires },
    posts: {
      ...posts,
      ...(preset.stepIns ? STEP_INS : stood),
      lineDepthM: preset.lineDepthM ?? usual,
    },
  }
}

/** The first animal chosen brings its own wire schedule; further ones only raise the need. */
function setAnimals(chosen: Animal[]) {
  if (chosen.length === 0) return
  const added = chosen.find((a) => !fence.value.animals.includes(a))
  const preset = presets.value.find((p) => added && p.suits.length === 1 && p.suits[0] === added)
  const whole = presets.value.find(
    (p) => chosen.length > 1 && chosen.every((a) => p.suits.includes(a)) && p.suits.length === chosen.length,
  )
  const take = whole ?? (chosen.length === 1 ? preset : undefined)
  change(take ? { animals: chosen, ...brought(take) } : { animals: chosen })
}

function setAnimal(e: Event) {
  setAnimals([(e.target as HTMLSelectElement).value as Animal])
}
function addAnimal(e: Event) {
  const select = e.target as HTMLSelectElement
  if (select.value) setAnimals([...new Set([...fence.value.animals, select.value as Animal])])
  select.value = ''
}
function setPreset(e: Event) {
  const preset = presets.value.find((p) => p.id === (e.target as HTMLSelectElement).value)
  if (preset) change(brought(preset))
}
function setSpacing(e: Event) {
  const metres = parseLengthM((e.target as HTMLInputElement).value, job.units)
  if (metres !== null && metres >= 0.5 && metres <= 60)
    change({ posts: { ...fence.value.posts, spacingM: metres } })
  else (e.target as HTMLInputElement).value = lengthText(fence.value.posts.spacingM, job.units)
}
function setJoules(e: Event) {
  const joules = Number((e.target as HTMLInputElement).value.replace(',', '.'))
  if (joules >= 0.01 && joules <= 100) drive({ countedJ: joules })
}
const title = (p: Preset) => `${p.rule} · ${say(p.name)}`
const name = (id: string) => animals.value.find((a) => a.id === id)?.name ?? id
</script>

<template>
  <section class="spec" aria-label="Fence">
    <h2>Fence</h2>
    <label
      >Animal
      <select :value="fence.animals[0]" data-test="animal" @change="setAnimal">
        <option v-for="a in animals" :key="a.id" :value="a.id">{{ a.name }}</option>
      </select>
    </label>
    <p v-for="a in fence.animals.slice(1)" :key="a" class="also">
      and {{ name(a) }}
      <button :aria-label="`Leave out ${name(a)}`" @click="setAnimals(fence.animals.filter((x) => x !== a))">
        ×
      </button>
    </p>
    <label class="also">
      <select aria-label="One more animal" data-test="add-animal" @change="addAnimal">
        <option value="">and another …</option>
        <option v-for="a in animals.filter((x) => !fence.animals.includes(x.id))" :key="a.id" :value="a.id">
          {{ a.name }}
        </option>
      </select>
    </label>
    <label
      >Wire schedule
      <select :value="fence.schedule.preset" data-test="preset" @change="setPreset">
        <option v-if="fence.schedule.preset === 'own'" value="own">own heights</option>
        <optgroup label="for these animals">
          <option v-for="p in fitting" :key="p.id" :value="p.id">{{ title(p) }}</option>
        </optgroup>
        <optgroup label="others">
          <option v-for="p in others" :key="p.id" :value="p.id">{{ title(p) }}</option>
        </optgroup>
      </select>
    </label>
    <WireTable :schedule="fence.schedule" :units="job.units" @change="change({ schedule: $event })" />
    <StringingForm
      :stringing="fence.stringing"
      :units="job.units"
      name="How the wire runs"
      @change="change({ stringing: $event })"
    />
    <div class="pair">
      <label
        >Posts at most <RuleChips :rules="['P1']" /><input
          :value="lengthText(fence.posts.spacingM, job.units)"
          data-test="spacing"
          @change="setSpacing"
      /></label>
      <label
        >Output, J <RuleChips :rules="['G4']" /><input
          :value="supply.countedJ"
          inputmode="decimal"
          @change="setJoules"
      /></label>
    </div>
    <fieldset>
      <legend>Brace rail</legend>
      <label
        ><input
          type="radio"
          :checked="fence.braces.railSchool === 'EIGHT_FOOT'"
          @change="change({ braces: { ...fence.braces, railSchool: 'EIGHT_FOOT' } })" />
        {{ say('8 ft (2.4 m) always') }} <RuleChips :rules="['B1']"
      /></label>
      <label
        ><input
          type="radio"
          :checked="fence.braces.railSchool === 'BY_HEIGHT'"
          data-test="rail-by-height"
          @change="change({ braces: { ...fence.braces, railSchool: 'BY_HEIGHT' } })" />
        2.5 × fence height <RuleChips :rules="['B2']"
      /></label>
    </fieldset>
    <label
      >{{ say('Ground rods') }}
      <select
        :value="supply.earth.school"
        @change="
          drive({
            earth: {
              ...supply.earth,
              school: ($event.target as HTMLSelectElement).value as Supply['earth']['school'],
            },
          })
        "
      >
        <option value="THREE_RODS">G1 · three rods of {{ lengthText(1.83, job.units) }}</option>
        <option value="BY_AREA">G2 · by the acre</option>
        <option value="ONE_LONG_ROD">G3 · one rod of {{ lengthText(2.44, job.units) }}, wet clay</option>
        <option value="BY_JOULES">G4 · {{ lengthText(0.914, job.units) }} for each joule †</option>
      </select>
    </label>
    <label class="check"
      ><input
        type="checkbox"
        :checked="fence.wires.ringClosed"
        @change="change({ wires: { ...fence.wires, ringClosed: !fence.wires.ringClosed } })" />
      join the hot wires at the closing post <RuleChips :rules="['J7']"
    /></label>
  </section>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.also {
  margin: 3px 0 0;
}
.also select {
  border-color: var(--rule);
}
.pair {
  align-items: stretch;
}
fieldset {
  border: 0;
  padding: 0;
  margin-top: 10px;
}
fieldset label {
  margin-top: 2px;
  color: var(--ink);
}
legend {
  font-size: 13px;
  color: var(--quiet);
}
</style>
