<script setup lang="ts">
import { author } from '@/shared/author'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, client, importFile, RequestFailed } from '@/api/client'
import type { JobView, YardSort } from '@/api/types'
import { handOver } from '@/model/dropped'
import { newId } from '@/shared/uuid'
import { announce } from '@/shared/announce'
import { useLook } from '@/shared/look'
import JobRow from './JobRow.vue'
import NewJob from './NewJob.vue'
import UnsentNote from './UnsentNote.vue'
import YardLinks from './YardLinks.vue'
import { useYard } from './useYard'

type Shelf = JobView['state']
const router = useRouter()
const { look, next } = useLook()
const { state, search, clientName, sort, page, pages, found, clients, loading, failure, range, load } =
  useYard()
const creating = ref(false)
const over = ref(false)
const shelves: [Shelf, string][] = [
  ['ACTIVE', 'Jobs'],
  ['TEMPLATE', 'Templates'],
  ['ARCHIVED', 'Archive'],
  ['DELETED', 'Deleted'],
]
const sorts: [YardSort, string][] = [
  ['CHANGED', 'Last changed'],
  ['NAME', 'Name'],
  ['CLIENT', 'Client'],
  ['LENGTH', 'Longest'],
  ['STANDING', 'Most to fix'],
]
const shown = computed(() => found.value?.jobs ?? [])
const searching = computed(() => search.value.trim() !== '' || clientName.value !== '')

async function act(run: Promise<unknown>, said: string, undo?: () => Promise<unknown>) {
  try {
    await run
    announce(said, undo ? { text: 'Undo', run: () => void undo().then(() => load()) } : null)
  } catch (e) {
    announce(e instanceof RequestFailed ? e.message : 'That did not work.')
  }
  await load()
}

const at = (job: JobView) => ({ params: { path: { id: job.id } } })

function onAction(job: JobView, action: string) {
  const move = (to: Shelf) => ask(client.PUT('/api/jobs/{id}/state', { ...at(job), body: { state: to } }))
  const bringBack = () => ask(client.POST('/api/jobs/{id}/bring-back', at(job)))
  const copy = (name: string, template: boolean) =>
    ask(client.POST('/api/jobs/{id}/copy', { ...at(job), body: { name, template, id: newId() } }))
  if (action === 'copy')
    void act(
      copy(`${job.name}, copy`, false),
      `${job.name} was duplicated; readings stay with the fence that was read.`,
    )
  if (action === 'template') void act(copy(job.name, true), `${job.name} was saved as a template.`)
  if (action === 'use') void act(copy(job.name, false), `A job was made from the template ${job.name}.`)
  if (action === 'archive') void act(move('ARCHIVED'), `${job.name} was archived.`, () => move('ACTIVE'))
  if (action === 'unarchive') void act(move('ACTIVE'), `${job.name} was moved back to the jobs.`)
  if (action === 'delete')
    void act(move('DELETED'), `${job.name} was deleted. It is kept under Deleted.`, bringBack)
  if (action === 'restore') void act(bringBack(), `${job.name} is back.`)
}

async function dropped(e: DragEvent) {
  over.value = false
  for (const file of Array.from(e.dataTransfer?.files ?? [])) await take(file)
}

/** A job file opens as its job; a track opens a new job with the track laid out. */
async function take(file: File) {
  try {
    const answer = await importFile(file, { id: newId() })
    if (answer.jobId) {
      announce([`${file.name} was opened as a job.`, ...answer.leftOut].join(' '))
      await load()
      return
    }
    if (!answer.survey) {
      announce(`${file.name}: open a job first, and import it there.`)
      return
    }
    const name = answer.survey.lines[0]?.name || file.name
    const made = await ask(
      client.POST('/api/jobs', { body: { name, client: '', property: '', id: newId() } }),
    )
    handOver(made.id, answer.survey)
    await router.push({ name: 'job', params: { id: made.id, stage: 'survey' } })
  } catch (e) {
    announce(`${file.name}: ${e instanceof RequestFailed ? e.message : 'it could not be read.'}`)
  }
}

function choose(e: Event) {
  const input = e.target as HTMLInputElement
  for (const file of Array.from(input.files ?? [])) void take(file)
  input.value = ''
}

onMounted(() => void load())
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
          size="14"
          maxlength="80"
          placeholder="your name"
          data-test="author"
          title="Kept on this device and stored with what you save"
      /></label>
      <YardLinks />
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

    <div class="filters">
      <nav class="shelves" aria-label="Shelves">
        <button
          v-for="[shelf, text] in shelves"
          :key="shelf"
          :aria-current="state === shelf"
          :data-test="`shelf-${shelf}`"
          @click="state = shelf"
        >
          {{ text }} <span class="quiet-text">{{ found?.counts[shelf] ?? '' }}</span>
        </button>
      </nav>
      <span class="spring" />
      <input
        v-model="search"
        type="search"
        class="field"
        aria-label="Search jobs, clients and properties"
        placeholder="Search"
        maxlength="200"
        data-test="yard-search"
      />
      <label
        >Client
        <select v-model="clientName" data-test="yard-client">
          <option value="">all</option>
          <option v-for="c in clients" :key="c" :value="c">{{ c }}</option>
        </select></label
      >
      <label
        >Sort by
        <select v-model="sort" data-test="yard-sort">
          <option v-for="[id, text] in sorts" :key="id" :value="id">{{ text }}</option>
        </select></label
      >
    </div>
    <UnsentNote />
    <p v-if="loading" class="reading">Loading jobs …</p>
    <p v-else-if="failure" class="empty" role="alert">
      {{ failure }} <v-btn class="ml-3" @click="load()">Try again</v-btn>
    </p>
    <p v-else-if="shown.length === 0" class="empty">
      <template v-if="searching">No job fits this search.</template>
      <template v-else-if="state === 'ACTIVE'"
        >No job yet. Drop a walked track or a job file here, or open a new job.</template
      >
      <template v-else>Nothing here.</template>
    </p>
    <section v-else aria-label="Jobs">
      <JobRow v-for="job in shown" :key="job.id" :job="job" @action="onAction(job, $event)" />
      <nav v-if="pages > 1" class="pages" aria-label="Pages">
        <v-btn :disabled="page === 0" data-test="page-back" @click="page -= 1">Previous</v-btn>
        <span class="number" data-test="page-range">{{ range }}</span>
        <v-btn :disabled="page >= pages - 1" data-test="page-on" @click="page += 1">Next</v-btn>
      </nav>
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
.filters {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  border-bottom: 1px solid var(--rule);
}
.filters label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.filters input[type='search'] {
  width: 190px;
}
.filters select {
  max-width: 180px;
}
@media (max-width: 760px) {
  .filters .spring {
    display: none;
  }
  .filters input[type='search'] {
    flex: 1 1 100%;
  }
}
.shelves {
  display: flex;
}
.pages {
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: center;
  padding: 18px 0;
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
</style>
