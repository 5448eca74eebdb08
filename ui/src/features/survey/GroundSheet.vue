<script setup lang="ts">
import { useWords } from '@/model/useWords'
import { computed, ref } from 'vue'
import type { Underlay } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { useTool } from '@/model/tool'
import { lengthText, parseLengthM, stationText, unitM } from '@/shared/units'

const { say } = useWords()
const job = useJob()
const { draw } = useTool()
const height = ref('')
const refused = ref('')
const heightM = (text: string) => {
  const t = text.trim()
  const m = parseLengthM(t.replace(/^[-−]/, ''), job.units)
  return m === null ? null : /^[-−]/.test(t) ? -m : m
}

/** A typed height for the place clicked next. */
function spot() {
  const m = heightM(height.value)
  refused.value = m === null ? `“${height.value}” is not a height.` : ''
  if (m === null) return
  draw({
    what: 'points',
    count: 1,
    say: `Click where the ground is ${height.value} high.`,
    done: ([at]) => job.changeLand((l) => ({ ...l, spotHeights: [...l.spotHeights, [at![0]!, at![1]!, m]] })),
  })
}
const removeSpot = (i: number) =>
  job.changeLand((l) => ({ ...l, spotHeights: l.spotHeights.toSpliced(i, 1) }))
const spotText = (m: number) => (m / unitM(job.units)).toFixed(1)

function setDeclination(e: Event) {
  const input = e.target as HTMLInputElement
  const text = input.value.trim().replace(',', '.')
  const deg = text === '' ? null : Number(text)
  if (deg === null || (Number.isFinite(deg) && Math.abs(deg) <= 180))
    job.changeLand((l) => ({ ...l, declinationDeg: deg }))
  else input.value = String(job.land?.declinationDeg ?? '')
}
const setUnderlay = (id: string, change: Partial<Underlay>) =>
  job.changeLand((l) => ({
    ...l,
    underlays: l.underlays.map((u) => (u.id === id ? { ...u, ...change } : u)),
  }))
const gaps = computed(() =>
  (job.design?.layout.lines ?? []).flatMap((l) =>
    l.profileGaps.map((g) => ({ ...g, name: l.name, id: l.lineId })),
  ),
)
const source = computed(() =>
  job.land?.grid
    ? 'the terrain grid'
    : (job.land?.spotHeights.length ?? 0) >= 3
      ? 'the spot heights'
      : job.plan?.site.lines.some((l) => l.ground.length > 0)
        ? 'the heights of the walk'
        : '',
)
</script>

<template>
  <div>
    <h2>Ground</h2>
    <p v-if="source" class="small">Ribbon and slope lengths follow {{ source }} (L3).</p>
    <p v-else class="small">
      No heights are known: the ground counts as level, and wire on a slope will be short.
    </p>
    <table v-if="job.design?.layout.lines.length" class="sheet">
      <thead>
        <tr>
          <th>line</th>
          <th class="right">level</th>
          <th class="right">along the slope</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="l in job.design.layout.lines" :key="l.lineId">
          <td>{{ l.name }}</td>
          <td class="right number">{{ lengthText(l.lengthM, job.units) }}</td>
          <td class="right number">{{ lengthText(l.slopeLengthM, job.units) }}</td>
        </tr>
      </tbody>
    </table>
    <ul v-if="gaps.length" class="gaps">
      <li v-for="(g, i) in gaps" :key="i">
        <button class="link" @click="((job.lineId = g.id), (job.cursorM = g.fromM))">
          {{ g.name }}: no height from {{ lengthText(g.fromM, job.units) }} to
          {{ lengthText(g.toM, job.units) }}
        </button>
      </li>
    </ul>
    <h3 class="mt-4">Terrain grid</h3>
    <template v-if="job.land?.grid">
      <p class="small">
        {{ job.land.grid.name || 'grid' }}: {{ job.land.grid.columns }} × {{ job.land.grid.rows }} cells,
        {{ stationText(job.land.grid.lowestM, job.units) }} to
        {{ stationText(job.land.grid.highestM, job.units) }} high, {{ job.land.grid.gaps }} without a height.
      </p>
      <button class="link" @click="job.changeLand((l) => ({ ...l, grid: null }))">Remove</button>
    </template>
    <p v-else class="small quiet-text">
      Import an ESRI ASCII grid ({{ say('degrees, metres') }}) on the first sheet.
    </p>
    <h3 class="mt-4">Spot heights</h3>
    <form class="row" @submit.prevent="spot">
      <label>height <input v-model="height" class="field" data-test="spot-height" /></label>
      <v-btn type="submit" data-test="place-spot">Place it</v-btn>
    </form>
    <p v-if="refused" class="problems" role="alert">{{ refused }}</p>
    <p class="small quiet-text">Three or more make a surface where there is no grid.</p>
    <ul class="gaps">
      <li v-for="(s, i) in job.land?.spotHeights.slice(0, 100)" :key="i" class="small">
        {{ spotText(s[2]!) }} {{ job.units === 'METRIC' ? 'm' : 'ft' }}
        <button class="link" :aria-label="`Remove spot height ${i + 1}`" @click="removeSpot(i)">
          remove
        </button>
      </li>
    </ul>
    <h3 class="mt-4">Compass</h3>
    <label class="row"
      >declination, degrees east of true north
      <input
        class="field"
        :value="job.land?.declinationDeg ?? ''"
        inputmode="decimal"
        data-test="declination"
        @change="setDeclination"
    /></label>
    <p class="small quiet-text">
      West is minus. From a current map or the compass's sheet; it changes over the years.
    </p>
    <h3 class="mt-4">Pictures under the plan</h3>
    <p v-if="!job.land?.underlays.length" class="small quiet-text">
      None. Drop a photo or scan on the first sheet.
    </p>
    <div v-for="u in job.land?.underlays" :key="u.id" class="under">
      <b>{{ u.name }}</b>
      <label
        >seen
        <input
          type="range"
          min="0"
          max="1"
          step="0.05"
          :value="u.opacity"
          @change="setUnderlay(u.id, { opacity: Number(($event.target as HTMLInputElement).value) })"
      /></label>
      <label
        >turned
        <input
          class="field"
          type="number"
          step="0.5"
          :value="u.bearingDeg.toFixed(1)"
          @change="setUnderlay(u.id, { bearingDeg: Number(($event.target as HTMLInputElement).value) || 0 })"
        />°</label
      >
      <button
        class="link"
        @click="job.changeLand((l) => ({ ...l, underlays: l.underlays.filter((x) => x.id !== u.id) }))"
      >
        Remove
      </button>
    </div>
  </div>
</template>

<style scoped>
.gaps {
  list-style: none;
  padding: 0;
}
.under {
  border-bottom: 1px dotted var(--rule);
  padding: 6px 0;
}
.under label {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
