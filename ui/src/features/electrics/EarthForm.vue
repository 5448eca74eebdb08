<script setup lang="ts">
import { computed, ref } from 'vue'
import type { EarthRod, Position, Supply } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { bearing, distance, planeAt } from '@/model/plane'
import { earthKinds } from '@/model/electricsWords'
import { useElectrics } from '@/model/useElectrics'
import { useJob } from '@/model/jobStore'
import { lengthText, parseLengthM, parseSmallM, smallText } from '@/shared/units'
import { newId } from '@/shared/uuid'

/** Ground rods entered one by one: what serves as one, how deep it goes, where it stands, whether it is watered. */
const job = useJob()
const { supply, setSupply } = useElectrics()
const earth = computed(() => supply.value.earth)
const refused = ref('')
const energizer = computed(() => job.plan?.site.energizer ?? null)
const winds = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW']

const set = (change: Partial<Supply['earth']>) => {
  refused.value = ''
  setSupply({ earth: { ...earth.value, ...change } })
}
const setRod = (i: number, change: Partial<EarthRod>) =>
  set({ found: earth.value.found.map((r, k) => (k === i ? { ...r, ...change } : r)) })
const text = (e: Event) => (e.target as HTMLInputElement | HTMLSelectElement).value.trim()

function add() {
  const last = earth.value.found.at(-1)
  const usual = {
    kind: 'ROD' as const,
    count: 1,
    lengthM: 1.8288,
    acrossM: 0.016,
    apartM: earth.value.rodApartM,
  }
  set({
    found: [
      ...earth.value.found,
      { ...(last ?? usual), id: newId(), at: null, watered: false, stands: false },
    ],
  })
}
function setLength(i: number, key: 'lengthM' | 'acrossM' | 'apartM', e: Event, least: number, most: number) {
  const field = e.target as HTMLInputElement
  const metres = (key === 'acrossM' ? parseSmallM : parseLengthM)(field.value, job.units)
  if (metres !== null && metres >= least && metres <= most) setRod(i, { [key]: metres })
  else {
    refused.value = `“${field.value}” lies outside ${lengthText(least, job.units)} to ${lengthText(most, job.units)}; the old value was kept.`
    field.value = shown(key, earth.value.found[i]![key])
  }
}
const shown = (key: 'lengthM' | 'acrossM' | 'apartM', metres: number) =>
  key === 'acrossM' ? smallText(metres, job.units) : lengthText(metres, job.units)
function setCount(i: number, e: Event) {
  const count = Number(text(e))
  if (Number.isInteger(count) && count >= 1 && count <= 20) setRod(i, { count })
  else refused.value = 'One to twenty of a kind, please; the old value was kept.'
}
function setLead(e: Event) {
  const metres = text(e) === '' ? null : parseLengthM(text(e), job.units)
  if (text(e) !== '' && (metres === null || metres < 0.5 || metres > 1000))
    refused.value = `“${text(e)}” is not a length of lead; the old value was kept.`
  else set({ leadM: metres })
}
/** Where it stands as people say it: so far from the energizer, that way. */
const away = (at: Position | null) => {
  if (!at || !energizer.value) return null
  const there = planeAt(energizer.value.at).toPlane(at)
  return {
    metres: distance([0, 0], there),
    wind: winds[Math.round(bearing([0, 0], there) / 45) % 8]!,
  }
}
function place(i: number, metres: number, wind: string) {
  const angle = (winds.indexOf(wind) * Math.PI) / 4
  const plane = planeAt(energizer.value!.at)
  const [lon, lat] = plane.toGeo([metres * Math.sin(angle), metres * Math.cos(angle)])
  setRod(i, { at: [lon!, lat!] })
}
function setAway(i: number, e: Event) {
  const metres = parseLengthM(text(e), job.units)
  if (metres !== null && metres >= 0.1 && metres <= 1000)
    place(i, metres, away(earth.value.found[i]!.at)?.wind ?? 'N')
  else refused.value = `“${text(e)}” is not a way from the energizer; the old value was kept.`
}
</script>

<template>
  <fieldset class="found" aria-label="Earth as found">
    <h3>Rods one by one <RuleChips :rules="['X4', 'G6', 'G7']" /></h3>
    <p v-if="!earth.found.length" class="small quiet-text">
      The school counts the rods. Where the ground or the barn decides, enter them one by one.
    </p>
    <div v-for="(rod, i) in earth.found" :key="rod.id" class="rod" :data-test="`rod-${i + 1}`">
      <label
        >What
        <select
          :value="rod.kind"
          data-test="rod-kind"
          @change="setRod(i, { kind: text($event) as EarthRod['kind'] })"
        >
          <option v-for="(name, id) in earthKinds" :key="id" :value="id">{{ name }}</option>
        </select></label
      >
      <label
        >How many
        <input :value="rod.count" inputmode="numeric" data-test="rod-count" @change="setCount(i, $event)"
      /></label>
      <label
        >In the ground
        <input
          :value="shown('lengthM', rod.lengthM)"
          data-test="rod-length"
          @change="setLength(i, 'lengthM', $event, 0.05, 6)"
      /></label>
      <label
        >Across
        <input
          :value="shown('acrossM', rod.acrossM)"
          data-test="rod-across"
          @change="setLength(i, 'acrossM', $event, 0.004, 0.3)"
      /></label>
      <label
        >Apart
        <input
          :value="shown('apartM', rod.apartM)"
          data-test="rod-apart"
          @change="setLength(i, 'apartM', $event, 0.2, 50)"
      /></label>
      <label
        >Where
        <select
          :value="rod.at ? 'placed' : 'row'"
          data-test="rod-where"
          @change="text($event) === 'row' ? setRod(i, { at: null }) : place(i, 3, 'N')"
        >
          <option value="row">in the row</option>
          <option value="placed" :disabled="!energizer">from the energizer …</option>
        </select></label
      >
      <template v-if="rod.at">
        <label
          >Distance
          <input
            :value="lengthText(away(rod.at)?.metres ?? 0, job.units)"
            data-test="rod-away"
            @change="setAway(i, $event)"
        /></label>
        <label
          >Direction
          <select
            :value="away(rod.at)?.wind"
            data-test="rod-wind"
            @change="place(i, away(rod.at)?.metres ?? 3, text($event))"
          >
            <option v-for="w in winds" :key="w">{{ w }}</option>
          </select></label
        >
      </template>
      <label class="check"
        ><input
          type="checkbox"
          :checked="rod.watered"
          data-test="rod-watered"
          @change="setRod(i, { watered: !rod.watered })"
        />
        kept wet</label
      >
      <label class="check"
        ><input
          type="checkbox"
          :checked="rod.stands"
          data-test="rod-stands"
          @change="setRod(i, { stands: !rod.stands })"
        />
        already there</label
      >
      <button
        class="remove"
        :aria-label="`Remove rods ${i + 1}`"
        @click="set({ found: earth.found.filter((_, k) => k !== i) })"
      >
        ×
      </button>
    </div>
    <p v-if="refused" role="alert" class="problem">{{ refused }}</p>
    <div class="below">
      <button :disabled="earth.found.length >= 12" data-test="add-rod" @click="add">
        {{ earth.found.length ? '+ another kind' : 'Enter the rods one by one' }}
      </button>
      <button v-if="earth.found.length" data-test="rods-by-school" @click="set({ found: [] })">
        Count by school again
      </button>
      <label
        >Ground lead there is
        <input
          :value="earth.leadM === null ? '' : lengthText(earth.leadM, job.units)"
          placeholder="cut to length"
          data-test="earth-lead"
          @change="setLead"
      /></label>
    </div>
  </fieldset>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.found {
  border: 0;
  padding: 0;
  margin: 0;
}
.rod {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  gap: 4px 10px;
  align-items: end;
  padding: 6px 0;
  border-bottom: 1px dotted var(--rule);
}
label {
  display: block;
  font-size: 12.5px;
}
label input:not([type='checkbox']),
label select {
  width: 100%;
}
.check {
  white-space: nowrap;
}
.remove {
  justify-self: end;
}
.below {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: end;
  margin-top: 6px;
}
.below button {
  color: var(--accent);
  text-decoration: underline;
}
.below label {
  width: 150px;
}
.problem {
  color: var(--broken);
  font-weight: 700;
  margin: 4px 0;
}
</style>
