<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { failureText, storePicture } from '@/api/client'
import type { LoggedFault } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { causeWords, partWords, stateWords, weatherWords } from '@/model/partWords'
import { useUpkeep } from '@/model/upkeep'
import { useWords } from '@/model/useWords'
import { smallPhoto } from '@/shared/photo'
import { unitName } from '@/shared/units'
import { useNoteDraft } from './useNoteDraft'

/** Writes a fault down, or how one that is known stands now. */
const { fault } = defineProps<{ fault: LoggedFault | null }>()
const emit = defineEmits<{ done: [] }>()
const job = useJob()
const upkeep = useUpkeep()
const { say } = useWords()
const draft = useNoteDraft()
const { state, lineId, station, length, part, product, cause, search, work, before, beforeWeather } = draft
const { after, afterWeather, works, lookAgainOn, photos, note, failure, habits } = draft
const busy = ref(false)
onMounted(() => draft.begin(fault))

const products = computed(() => [...new Set((job.design?.takeoff ?? []).map((l) => l.product))].toSorted())
async function photo(e: Event) {
  const input = e.target as HTMLInputElement
  for (const file of Array.from(input.files ?? []).slice(0, 20 - photos.value.length)) {
    try {
      const kept = await storePicture(await smallPhoto(file), file.name)
      photos.value = [...photos.value, kept.hash]
      failure.value = ''
    } catch (problem) {
      failure.value = `${file.name}: ${failureText(problem, 'it could not be sent; try again when the server is back.')}`
    }
  }
  input.value = ''
}

async function keep() {
  const made = draft.made()
  failure.value = typeof made === 'string' ? made : ''
  if (typeof made === 'string') return
  busy.value = true
  const stored = await upkeep.write(made)
  busy.value = false
  failure.value = stored ? '' : upkeep.problem
  if (stored) emit('done')
}
</script>

<template>
  <form class="fault-form" aria-label="A fault" @submit.prevent="keep">
    <h2>{{ fault ? 'How it stands now' : 'Write a fault down' }}</h2>
    <div class="three">
      <label
        >It is
        <select v-model="state" data-test="fault-state">
          <option v-for="(text, id) in stateWords" :key="id" :value="id">{{ text }}</option>
        </select></label
      >
      <label
        >Line
        <select v-model="lineId" data-test="fault-line">
          <option value="">no place on a line</option>
          <option v-for="l in draft.lines.value" :key="l.lineId" :value="l.lineId">{{ l.name }}</option>
        </select></label
      >
      <label
        >Station, {{ unitName(job.units) }}
        <input v-model="station" :disabled="lineId === ''" data-test="fault-station"
      /></label>
      <label
        >Along, {{ unitName(job.units) }}
        <input v-model="length" placeholder="one place" data-test="fault-length"
      /></label>
      <label
        >Part
        <select v-model="part" data-test="fault-part">
          <option value="">not known yet</option>
          <option v-for="(text, id) in partWords" :key="id" :value="id">{{ say(text) }}</option>
        </select></label
      >
      <label>Product <input v-model="product" list="fault-products" data-test="fault-product" /></label>
      <label
        >Why
        <select v-model="cause" data-test="fault-cause">
          <option value="">not said</option>
          <option v-for="(text, id) in causeWords" :key="id" :value="id">{{ text }}</option>
        </select></label
      >
      <label>Minutes of search <input v-model="search" inputmode="numeric" data-test="fault-search" /></label>
      <label>Minutes of work <input v-model="work" inputmode="numeric" data-test="fault-work" /></label>
      <label
        >Before, kV <input v-model="before" inputmode="decimal" data-test="fault-before" />
        <span v-if="draft.readAt.value" class="small" data-test="fault-read-at"
          >read at {{ draft.readAt.value }}</span
        ></label
      >
      <label
        >Weather then
        <select v-model="beforeWeather" data-test="fault-before-weather">
          <option v-for="(text, id) in weatherWords" :key="id" :value="id">{{ text }}</option>
        </select></label
      >
      <label v-if="state === 'WATCHED'"
        >Look again on <input v-model="lookAgainOn" type="date" data-test="fault-again"
      /></label>
    </div>
    <datalist id="fault-products">
      <option v-for="p in products" :key="p" :value="p" />
    </datalist>
    <h3>What was done</h3>
    <table v-if="works.length" class="sheet done">
      <thead>
        <tr>
          <th>Part</th>
          <th>Product</th>
          <th>How many</th>
          <th>Let nothing off</th>
          <th>Then, kV</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(w, i) in works" :key="i" data-test="remedy">
          <td>
            <select v-model="w.part" aria-label="Part that was done">
              <option v-for="(text, id) in partWords" :key="id" :value="id">{{ say(text) }}</option>
            </select>
          </td>
          <td><input v-model="w.product" list="fault-products" aria-label="Product" /></td>
          <td><input v-model="w.count" class="short" inputmode="numeric" aria-label="How many" /></td>
          <td>
            <label class="tick"><input v-model="w.harmless" type="checkbox" /> replaced for nothing</label>
          </td>
          <td>
            <input v-model="w.kv" class="short" inputmode="decimal" aria-label="Read after it, in kV" />
          </td>
          <td><button type="button" class="link" @click="draft.dropRemedy(i)">Take off</button></td>
        </tr>
      </tbody>
    </table>
    <p>
      <button type="button" class="link" data-test="add-remedy" @click="draft.addRemedy">
        Add what was done
      </button>
    </p>
    <div class="three">
      <label>After it all, kV <input v-model="after" inputmode="decimal" data-test="fault-after" /></label>
      <label
        >Weather then
        <select v-model="afterWeather" data-test="fault-after-weather">
          <option v-for="(text, id) in weatherWords" :key="id" :value="id">{{ text }}</option>
        </select></label
      >
      <label>Written by <input v-model="habits.takenBy" autocomplete="name" data-test="fault-by" /></label>
    </div>
    <label>Note <textarea v-model="note" rows="2" maxlength="2000" data-test="fault-note"></textarea></label>
    <p class="photos">
      <img v-for="p in photos" :key="p" :src="`/api/attachments/${p}`" alt="Photo of the fault" />
      <label class="link file">
        Add a photo
        <input type="file" accept="image/png,image/jpeg" capture="environment" multiple @change="photo" />
      </label>
    </p>
    <p v-if="failure" class="weak" role="alert" data-test="fault-failure">{{ failure }}</p>
    <p class="buttons">
      <v-btn class="strong" type="submit" :disabled="busy" data-test="keep-fault">Keep</v-btn>
      <v-btn class="quiet" @click="emit('done')">Leave</v-btn>
    </p>
  </form>
</template>

<style scoped src="@/components/fields.css" />
<style scoped>
.fault-form {
  max-width: 900px;
  border: 1px solid var(--rule);
  padding: 8px 14px 12px;
  background: var(--band);
}
.three {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 4px 12px;
}
label.tick {
  margin: 0;
  color: var(--ink);
}
textarea {
  display: block;
  width: 100%;
  box-sizing: border-box;
  border: 1px solid var(--rule-strong);
  background: var(--paper);
  color: var(--ink);
  padding: 5px 7px;
  font: inherit;
}
input.short[inputmode] {
  width: 70px;
}
h3 {
  margin: 12px 0 2px;
  font-size: 14px;
}
.done td {
  vertical-align: middle;
}
.photos {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
.photos img {
  height: 70px;
  border: 1px solid var(--rule);
}
.file {
  position: relative;
  color: var(--accent);
  text-decoration: underline;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  width: 100%;
}
.buttons {
  display: flex;
  gap: 10px;
}
.weak {
  color: var(--broken);
}
</style>
