<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { ask, client, importFile, storeGrid, RequestFailed, type ImportQuery } from '@/api/client'
import type { FenceLine, GridRef, ImportAnswer, Position, Survey } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { droppedFor } from '@/model/dropped'
import { takeSurvey } from '@/model/planEdit'
import { planeAt, distance } from '@/model/plane'
import { useTool } from '@/model/tool'
import { announce } from '@/shared/announce'
import { lengthText } from '@/shared/units'
import { newId } from '@/shared/uuid'
import ColumnMapper from './ColumnMapper.vue'
import ExportLinks from './ExportLinks.vue'
import GridPreview from './GridPreview.vue'
import PicturePlacer from './PicturePlacer.vue'
import SurveyPreview from './SurveyPreview.vue'
import TapePreview from './TapePreview.vue'
import { useSheets } from '@/model/useSheets'

const preview = defineModel<Position[][]>('preview', { required: true })
const dropped = defineModel<File | null>('dropped', { required: true })
const job = useJob()
const { fit } = useTool()
const { open } = useSheets()
const found = shallowRef<ImportAnswer | null>(null)
const file = shallowRef<File | null>(null)
const tolerance = ref<number | null>(null)
const swap = ref<ImportQuery['swap']>()
const columns = ref<string | null>(null)
const asLine = ref(true)
const busy = ref(false)
const problems = ref<{ code: string; path: string; message: string }[]>([])

/** Where the job lies, so that coordinates that landed elsewhere are noticed. */
const near = computed<Position | null>(
  () =>
    job.plan?.site.lines[0]?.corners[0]?.at ??
    job.plan?.site.energizer?.at ??
    job.land?.features[0]?.points[0] ??
    null,
)

async function read(chosen: File) {
  file.value = chosen
  busy.value = true
  problems.value = []
  try {
    const answer = await importFile(chosen, {
      ...(tolerance.value === null ? {} : { toleranceM: tolerance.value }),
      ...(swap.value ? { swap: swap.value } : {}),
      ...(columns.value ? { columns: columns.value, asLine: asLine.value } : {}),
      ...(near.value ? { nearLon: near.value[0], nearLat: near.value[1] } : {}),
      units: job.units,
    })
    found.value = answer
    preview.value = (answer.survey?.site.lines ?? []).map((l) =>
      [...l.corners, ...(l.closed ? [l.corners[0]!] : [])].map((c) => c.at),
    )
    if (answer.jobId) {
      announce(`${chosen.name} is a whole job; it was opened beside this one, in the yard.`)
      leave()
    }
  } catch (e) {
    found.value = null
    preview.value = []
    const trouble = e instanceof RequestFailed ? e : null
    problems.value = trouble?.places.length
      ? trouble.places
      : [
          {
            code: trouble?.code ?? '',
            path: chosen.name,
            message: trouble?.message ?? 'It could not be read.',
          },
        ]
  } finally {
    busy.value = false
  }
}

function fresh(chosen: File) {
  tolerance.value = null
  swap.value = undefined
  columns.value = null
  void read(chosen)
}

function choose(e: Event) {
  const input = e.target as HTMLInputElement
  if (input.files?.[0]) fresh(input.files[0])
  input.value = ''
}

function leave() {
  found.value = null
  file.value = null
  problems.value = []
  preview.value = []
}

function again(change: () => void) {
  change()
  if (file.value) void read(file.value)
}
watch(tolerance, () => {
  if (file.value && found.value?.survey) void read(file.value)
})
watch(
  dropped,
  (now) => {
    if (!now) return
    dropped.value = null
    fresh(now)
  },
  { immediate: true },
)

function take(survey: Survey) {
  job.changeBoth((now) => {
    const taken = takeSurvey(now.plan, survey.site)
    if (taken.lineId) job.lineId = taken.lineId
    const spots = survey.site.lines.length === 0 ? survey.spotHeights : []
    return {
      plan: taken.plan,
      land: spots.length ? { ...now.land, spotHeights: [...now.land.spotHeights, ...spots] } : now.land,
    }
  })
  leave()
  announce('Added to the plan.')
  setTimeout(fit, 400)
}

/** Lines of the plan that an imported walk may be another walk of: most of its corners lie near theirs. */
const alike = computed(() => {
  const walk = found.value?.survey?.site.lines[0]
  if (!walk || found.value?.survey?.site.lines.length !== 1) return []
  return (job.plan?.site.lines ?? []).filter((l) => l.closed === walk.closed && meets(l, walk))
})

function meets(line: FenceLine, walk: FenceLine): boolean {
  const plane = planeAt(line.corners[0]!.at)
  const ours = line.corners.map((c) => plane.toPlane(c.at))
  const close = walk.corners.filter((c) => ours.some((o) => distance(o, plane.toPlane(c.at)) < 8)).length
  return close * 2 >= Math.min(line.corners.length, walk.corners.length)
}

async function average(line: FenceLine) {
  const walk = found.value?.survey?.site.lines[0]
  if (!walk) return
  try {
    const answer = await ask(client.POST('/api/average', { body: { line, walk } }))
    job.change((p) => ({
      ...p,
      site: { ...p.site, lines: p.site.lines.map((l) => (l.id === line.id ? answer.line : l)) },
    }))
    announce(
      `${line.name} averaged over both walks: ${answer.matched} corners met, ${lengthText(answer.apartM, job.units)} apart` +
        (answer.alone ? `; ${answer.alone} found by one walk only were kept as they were.` : '.'),
    )
    leave()
  } catch (e) {
    problems.value = [
      { code: '', path: line.name, message: e instanceof RequestFailed ? e.message : 'It failed.' },
    ]
  }
}

async function takeGrid() {
  if (!file.value) return
  busy.value = true
  try {
    const grid: GridRef = await storeGrid(file.value, file.value.name)
    job.changeLand((l) => ({ ...l, grid }))
    leave()
    announce('The terrain lies under the plan; lengths follow the ground.')
    open('ground')
  } catch (e) {
    problems.value = [
      { code: '', path: file.value.name, message: e instanceof RequestFailed ? e.message : 'It failed.' },
    ]
  } finally {
    busy.value = false
  }
}

function takeTape() {
  const book = found.value?.tape
  if (!book) return
  job.changeLand((l) => ({
    ...l,
    tapes: [...l.tapes, { ...book, id: newId(), name: file.value?.name ?? book.name }],
  }))
  leave()
  open('tape')
}

/** A track that was dropped in the yard waits here for a look. */
onMounted(() => {
  const survey = droppedFor(job.id)
  if (!survey) return
  found.value = {
    survey,
    jobId: null,
    leftOut: [],
    grid: null,
    tape: null,
    table: null,
    picture: null,
    swap: null,
  }
  preview.value = survey.site.lines.map((l) =>
    [...l.corners, ...(l.closed ? [l.corners[0]!] : [])].map((c) => c.at),
  )
})
const swapText = {
  LAT_LON: 'latitude and longitude swapped',
  EAST_WEST: 'east and west swapped',
  NORTH_SOUTH: 'north and south swapped',
  NONE: '',
}
</script>

<template>
  <div>
    <p v-if="found?.swap" class="offer" role="alert">
      This lies far from the property. Read with {{ swapText[found.swap] }}, it would lie on it.
      <v-btn class="mt-1" data-test="swap" @click="again(() => (swap = found!.swap!))">Swap and import</v-btn>
    </p>
    <template v-if="found?.survey">
      <SurveyPreview
        v-model:tolerance="tolerance"
        :survey="found.survey"
        :again="file !== null"
        :units="job.units"
        @take="take(found!.survey!)"
        @leave="leave"
      />
      <p v-for="l in alike" :key="l.id" class="offer">
        This looks like another walk of {{ l.name }}.
        <v-btn class="mt-1" data-test="average" @click="average(l)">Average it with {{ l.name }}</v-btn>
      </p>
    </template>
    <ColumnMapper
      v-else-if="found?.table"
      :table="found.table"
      :near="near"
      :busy="busy"
      @read="(c, line) => again(() => ((columns = c), (asLine = line)))"
      @leave="leave"
    />
    <GridPreview v-else-if="found?.grid" :grid="found.grid" :busy="busy" @take="takeGrid" @leave="leave" />
    <TapePreview v-else-if="found?.tape" :rows="found.tape.rows" @take="takeTape" @leave="leave" />
    <PicturePlacer
      v-else-if="found?.picture && file"
      :file="file"
      :picture="found.picture"
      @done="(leave(), open('ground'))"
      @leave="leave"
    />
    <template v-else>
      <h2>Import what you have</h2>
      <p>
        Drop a file anywhere here: a walk (GPX, GeoJSON, KML), points (CSV), a tape sheet, a terrain grid, a
        photo or scan, a whole job. Buckle shows what it made of it before anything is stored.
      </p>
      <label class="file">
        <span>{{ busy ? 'Reading …' : 'Choose a file …' }}</span>
        <input
          type="file"
          accept=".gpx,.geojson,.json,.kml,.csv,.txt,.asc,.png,.jpg,.jpeg"
          data-test="survey-file"
          :disabled="busy"
          @change="choose"
        />
      </label>
      <p class="quiet-text small">
        At most 20 MB and 200,000 points; a terrain grid 64 MB. Marks named gate, cut-out or energizer become
        such. Nothing a file points to is ever fetched.
      </p>
      <ul v-if="problems.length" class="problems" role="alert" data-test="import-problems">
        <li v-for="p in problems" :key="p.path + p.message">
          <b>{{ p.path }}</b> {{ p.message }}
          <v-btn
            v-if="p.code === 'position.swapped' && file"
            class="mt-1"
            data-test="swap"
            @click="again(() => (swap = 'LAT_LON'))"
            >Swap and import</v-btn
          >
        </li>
      </ul>
      <ExportLinks :job-id="job.id" />
    </template>
  </div>
</template>

<style scoped>
.file {
  border: 1px solid var(--rule-strong);
  padding: 6px 14px;
  display: inline-block;
  font:
    600 16px 'Barlow Condensed',
    sans-serif;
  cursor: pointer;
  margin: 8px 0;
}
.file:focus-within {
  outline: 3px solid var(--accent);
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.problems {
  border-left: 4px solid var(--broken);
  padding: 4px 8px 4px 22px;
  background: var(--accent-wash);
}
.offer {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 8px 12px;
}
.exports a {
  color: var(--accent);
  display: inline-block;
  margin: 2px 14px 2px 0;
}
</style>
