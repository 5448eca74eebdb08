<script setup lang="ts">
import { author } from '@/shared/author'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client, importFile, Trouble } from '@/api/client'
import type { JobView } from '@/api/types'
import { announce } from '@/shared/announce'
import { useLook } from '@/shared/look'
import JobRow from './JobRow.vue'
import NewJob from './NewJob.vue'

type Shelf = JobView['state']
const router = useRouter()
const { look, next } = useLook()
const jobs = shallowRef<JobView[]>([])
const shelf = ref<Shelf>('ACTIVE')
const loading = ref(true)
const failure = ref('')
const creating = ref(false)
const over = ref(false)
const shelves: [Shelf, string][] = [
  ['ACTIVE', 'Jobs'],
  ['TEMPLATE', 'Templates'],
  ['ARCHIVED', 'Archive'],
  ['DELETED', 'Deleted'],
]
const shown = computed(() => jobs.value.filter((j) => j.state === shelf.value))
const count = (state: Shelf) => jobs.value.filter((j) => j.state === state).length

async function load() {
  try {
    jobs.value = await ask(client.GET('/api/jobs'))
    failure.value = ''
  } catch (e) {
    failure.value = e instanceof Trouble ? e.message : 'The jobs could not be read.'
  } finally {
    loading.value = false
  }
}

async function act(run: Promise<unknown>, said: string, undo?: () => Promise<unknown>) {
  try {
    await run
    announce(said, undo ? { text: 'Bring back', run: () => void undo().then(load) } : null)
  } catch (e) {
    announce(e instanceof Trouble ? e.message : 'That did not work.')
  }
  await load()
}

const at = (job: JobView) => ({ params: { path: { id: job.id } } })

function onAction(job: JobView, action: string) {
  const move = (state: Shelf) => ask(client.PUT('/api/jobs/{id}/state', { ...at(job), body: { state } }))
  const bringBack = () => ask(client.POST('/api/jobs/{id}/bring-back', at(job)))
  const copy = (name: string, template: boolean) =>
    ask(client.POST('/api/jobs/{id}/copy', { ...at(job), body: { name, template } }))
  if (action === 'copy')
    void act(
      copy(`${job.name}, copy`, false),
      `${job.name} was duplicated; readings stay with the fence that was read.`,
    )
  if (action === 'template') void act(copy(job.name, true), `${job.name} was saved as a template.`)
  if (action === 'use') void act(copy(job.name, false), `A job was made from the template ${job.name}.`)
  if (action === 'archive') void act(move('ARCHIVED'), `${job.name} was archived.`, () => move('ACTIVE'))
  if (action === 'unarchive') void act(move('ACTIVE'), `${job.name} is back among the jobs.`)
  if (action === 'delete')
    void act(move('DELETED'), `${job.name} was deleted. It waits under Deleted.`, bringBack)
  if (action === 'restore') void act(bringBack(), `${job.name} is back.`)
}

async function dropped(e: DragEvent) {
  over.value = false
  for (const file of Array.from(e.dataTransfer?.files ?? [])) await take(file)
}

/** A job file opens as its job; a track opens a new job with the track laid out. */
async function take(file: File) {
  try {
    const answer = await importFile(file)
    if (answer.jobId) {
      announce(`${file.name} was opened as a job.`)
      await load()
      return
    }
    if (!answer.survey) {
      announce(`${file.name}: open a job first, and bring it in there.`)
      return
    }
    const name = answer.survey.lines[0]?.name || file.name
    const made = await ask(client.POST('/api/jobs', { body: { name, client: '', property: '' } }))
    sessionStorage.setItem(`buckle.survey.${made.id}`, JSON.stringify(answer.survey))
    await router.push({ name: 'job', params: { id: made.id, stage: 'survey' } })
  } catch (e) {
    announce(`${file.name}: ${e instanceof Trouble ? e.message : 'it could not be read.'}`)
  }
}

function choose(e: Event) {
  const input = e.target as HTMLInputElement
  for (const file of Array.from(input.files ?? [])) void take(file)
  input.value = ''
}

onMounted(load)
</script>

<template>
  <main
    class="yard"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave.self="over = false"
    @drop.prevent="dropped"
  >
    <header class="top">
      <img src="/buckle.svg" alt="" width="26" height="26" />
      <h1>Buckle</h1>
      <span class="quiet-text">the yard: all jobs and where they stand</span>
      <span class="spring" />
      <label class="author"
        >You are
        <input
          v-model="author"
          class="field"
          maxlength="80"
          placeholder="your name"
          data-test="author"
          title="Kept on this device; what you save says who saved it"
      /></label>
      <router-link to="/rules">Rules</router-link>
      <v-btn class="quiet" :aria-label="`Look: ${look}; change`" @click="next">{{ look }}</v-btn>
      <label class="file">
        <span>Open a file …</span>
        <input
          type="file"
          multiple
          accept=".gpx,.geojson,.json,application/gpx+xml,application/geo+json"
          data-test="open-file"
          @change="choose"
        />
      </label>
      <v-btn class="strong" data-test="new-job" @click="creating = true">New job</v-btn>
    </header>

    <nav class="shelves" aria-label="Shelves">
      <button
        v-for="[state, text] in shelves"
        :key="state"
        :aria-current="shelf === state"
        @click="shelf = state"
      >
        {{ text }} <span class="quiet-text">{{ count(state) }}</span>
      </button>
    </nav>

    <p v-if="loading" class="reading">Reading the jobs …</p>
    <p v-else-if="failure" class="empty" role="alert">
      {{ failure }} <v-btn class="ml-3" @click="load">Try again</v-btn>
    </p>
    <p v-else-if="shown.length === 0" class="empty">
      <template v-if="shelf === 'ACTIVE'"
        >No job yet. Drop a walked track or a job file here, or open a new job.</template
      >
      <template v-else>Nothing here.</template>
    </p>
    <section v-else aria-label="Jobs">
      <JobRow v-for="job in shown" :key="job.id" :job="job" @action="onAction(job, $event)" />
    </section>

    <NewJob
      v-model="creating"
      @made="(id) => router.push({ name: 'job', params: { id, stage: 'survey' } })"
    />
  </main>
</template>

<style scoped>
.yard {
  min-height: 100vh;
  box-sizing: border-box;
  padding: 0 24px 40px;
  max-width: 1180px;
  width: 100%;
  margin: 0 auto;
}
.yard.over {
  outline: 3px dashed var(--accent);
  outline-offset: -10px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  padding: 14px 0 10px;
  border-bottom: 2px solid var(--rule-strong);
}
.spring {
  flex: 1;
}
.file {
  border: 1px solid var(--rule-strong);
  height: 34px;
  padding: 0 14px;
  display: inline-flex;
  align-items: center;
  font:
    600 16px 'Barlow Condensed',
    sans-serif;
  cursor: pointer;
}
.file:focus-within {
  outline: 3px solid var(--accent);
}
.file input {
  position: absolute;
  opacity: 0;
  width: 1px;
}
.shelves {
  display: flex;
  border-bottom: 1px solid var(--rule);
}
.shelves button {
  font:
    600 17px 'Barlow Condensed',
    sans-serif;
  padding: 10px 18px 8px 0;
  margin-right: 14px;
  border-bottom: 3px solid transparent;
  color: var(--ink);
}
.shelves button[aria-current='true'] {
  border-bottom-color: var(--accent);
}
.reading,
.empty {
  padding: 60px 0;
  font-size: 16px;
}
.author {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.author input {
  width: 130px;
}
</style>
