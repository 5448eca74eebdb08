<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { importFile, Trouble } from '@/api/client'
import type { Survey } from '@/api/types'
import { useJob } from '@/features/job/jobStore'
import { renameLine, removeLine, takeSurvey } from '@/features/job/planEdit'
import PlanView from '@/features/plan/PlanView.vue'
import { useTool } from '@/features/plan/tool'
import { announce } from '@/shared/announce'
import { stationText } from '@/shared/units'
import SurveyPreview from './SurveyPreview.vue'

const job = useJob()
const { fit } = useTool()
const survey = shallowRef<Survey | null>(null)
const file = shallowRef<File | null>(null)
const tolerance = ref<number | null>(null)
const busy = ref(false)
const over = ref(false)
const preview = computed(() =>
  (survey.value?.site.lines ?? []).map((l) =>
    [...l.corners, ...(l.closed ? [l.corners[0]!] : [])].map((c) => c.at),
  ),
)
const problems = ref<{ path: string; message: string }[]>([])

async function read(chosen: File) {
  file.value = chosen
  busy.value = true
  problems.value = []
  try {
    const answer = await importFile(chosen, tolerance.value)
    if (answer.jobId) {
      announce(`${chosen.name} is a whole job; it was opened beside this one, in the yard.`)
    } else {
      survey.value = answer.survey
    }
  } catch (e) {
    survey.value = null
    const trouble = e instanceof Trouble ? e : null
    problems.value = trouble?.places.length
      ? trouble.places
      : [{ path: chosen.name, message: trouble?.message ?? 'It could not be read.' }]
  } finally {
    busy.value = false
  }
}

function choose(e: Event) {
  const input = e.target as HTMLInputElement
  if (input.files?.[0]) void read(input.files[0])
  input.value = ''
}

function drop(e: DragEvent) {
  over.value = false
  const dropped = e.dataTransfer?.files[0]
  if (dropped) void read(dropped)
}

function take() {
  const found = survey.value
  if (!found) return
  job.change((plan) => {
    const taken = takeSurvey(plan, found.site)
    job.lineId = taken.lineId
    return taken.plan
  })
  survey.value = null
  announce('Taken into the plan.')
  setTimeout(fit, 400)
}

watch(tolerance, () => {
  if (file.value && survey.value) void read(file.value)
})

/** A track that was dropped in the yard waits here for a look. */
onMounted(() => {
  const key = `buckle.survey.${job.id}`
  const waiting = sessionStorage.getItem(key)
  if (waiting) {
    sessionStorage.removeItem(key)
    survey.value = JSON.parse(waiting) as Survey
  }
})
</script>

<template>
  <div
    class="stage"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave.self="over = false"
    @drop.prevent="drop"
  >
    <section class="side" aria-label="Survey">
      <template v-if="survey">
        <SurveyPreview
          v-model:tolerance="tolerance"
          :survey="survey"
          :again="file !== null"
          :units="job.units"
          @take="take"
          @leave="survey = null"
        />
      </template>
      <template v-else>
        <h2>Bring in the walk</h2>
        <p>
          Drop a GPX or GeoJSON file anywhere here. Buckle shows what it made of it before anything is stored.
        </p>
        <label class="file">
          <span>{{ busy ? 'Reading …' : 'Choose a file …' }}</span>
          <input
            type="file"
            accept=".gpx,.geojson,.json"
            data-test="survey-file"
            :disabled="busy"
            @change="choose"
          />
        </label>
        <p class="quiet-text small">
          At most 20 MB and 200,000 points. Marks named gate, cut-out or energizer become such.
        </p>
        <ul v-if="problems.length" class="problems" role="alert" data-test="import-problems">
          <li v-for="p in problems" :key="p.path + p.message">
            <b>{{ p.path }}</b> {{ p.message }}
          </li>
        </ul>
        <h3 v-if="job.plan?.site.lines.length" class="mt-4">Lines on the plan</h3>
        <div v-for="l in job.plan?.site.lines" :key="l.id" class="line">
          <input
            :value="l.name"
            :aria-label="`Name of ${l.name}`"
            @change="
              job.change((p) => renameLine(p, l.id, ($event.target as HTMLInputElement).value || l.name))
            "
          />
          <div class="quiet-text small">
            {{ l.closed ? 'closed' : 'open' }}, {{ l.corners.length }} corners,
            {{ stationText(job.design?.layout.lines.find((x) => x.lineId === l.id)?.lengthM ?? 0, job.units)
            }}<template v-if="l.survey"
              >; walked, corners to about {{ l.survey.cornerM.toFixed(1) }} m</template
            ><template v-else>; as drawn</template>
          </div>
          <button class="link" @click="job.change((p) => removeLine(p, l.id))">Take out</button>
        </div>
      </template>
    </section>
    <div class="plan"><PlanView :editable="!survey" :preview="preview" /></div>
  </div>
</template>

<style scoped>
.stage {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
}
.stage.over {
  outline: 3px dashed var(--accent);
  outline-offset: -6px;
}
.side {
  padding: 14px;
  border-right: 1px solid var(--rule);
  overflow: auto;
}
.plan {
  position: relative;
}
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
.small {
  font-size: 12.5px;
}
.problems {
  border-left: 4px solid var(--broken);
  padding: 4px 8px 4px 22px;
  background: var(--accent-wash);
}
.line {
  border-bottom: 1px dotted var(--rule);
  padding: 6px 0;
}
.line input {
  font-weight: 700;
  border: 0;
  border-bottom: 1px solid transparent;
  width: 100%;
  background: none;
  color: var(--ink);
}
.line input:focus {
  border-bottom-color: var(--accent);
}
.link {
  color: var(--accent);
  text-decoration: underline;
  font-size: 13px;
}
@media (max-width: 760px) {
  .stage {
    position: static;
    display: block;
  }
  .plan {
    height: 60vh;
  }
}
</style>
