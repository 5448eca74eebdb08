<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { Comparison, Plan, Position, RevisionInfo } from '@/api/types'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { announce } from '@/shared/announce'
import { dateText } from '@/shared/units'
import ComparisonTable from './ComparisonTable.vue'

const preview = defineModel<Position[][]>('preview', { required: true })
const job = useJob()
const jobId = useOwnJobId()
const all = shallowRef<RevisionInfo[]>([])
const one = ref<number | null>(null)
const two = ref<number | null>(null)
const comparison = shallowRef<Comparison | null>(null)
const failure = ref('')

async function load() {
  try {
    await job.saveNow()
    all.value = await ask(client.GET('/api/jobs/{id}/revisions', { params: { path: { id: jobId } } }))
    one.value ??= all.value[1]?.revision ?? all.value[0]?.revision ?? null
    two.value ??= all.value[0]?.revision ?? null
  } catch (e) {
    failure.value = e instanceof RequestFailed ? e.message : 'The history could not be read.'
  }
}
onMounted(load)

const planOf = (revision: number): Promise<Plan> =>
  ask(client.GET('/api/jobs/{id}/revisions/{revision}', { params: { path: { id: jobId, revision } } }))

watch([one, two], async ([a, b]) => {
  comparison.value = null
  preview.value = []
  if (a === null || b === null || !job.land) return
  try {
    const [before, after] = await Promise.all([planOf(a), planOf(b)])
    comparison.value = await ask(client.POST('/api/compare', { body: { before, after, land: job.land } }))
    preview.value = before.site.lines.map((l) =>
      [...l.corners, ...(l.closed ? [l.corners[0]!] : [])].map((c) => c.at),
    )
  } catch (e) {
    failure.value = e instanceof RequestFailed ? e.message : 'They could not be compared.'
  }
})

async function name(revision: number, label: string) {
  await ask(
    client.PUT('/api/jobs/{id}/revisions/{revision}/label', {
      params: { path: { id: jobId, revision } },
      body: { label },
    }),
  )
  await load()
}

async function restore(revision: number) {
  await job.restore(revision)
  if (job.id !== jobId) return
  announce(`Revision ${revision} is current again, as revision ${job.revision}.`)
  await load()
}
const title = computed(() => (r: number | null) => {
  const found = all.value.find((x) => x.revision === r)
  return found ? `${found.revision}${found.label ? `, ${found.label}` : ''}` : ''
})
</script>

<template>
  <div>
    <h2>Revisions of the plan</h2>
    <p class="small quiet-text">
      Saves of one sitting share a revision. Name one (quote, day one, commissioning) and it is kept as it is;
      what comes later goes into a new one.
    </p>
    <p v-if="failure" class="problems" role="alert">{{ failure }}</p>
    <table class="sheet">
      <thead>
        <tr>
          <th></th>
          <th>saved</th>
          <th>name</th>
          <th>compare</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="r in all" :key="r.revision">
          <td class="number">{{ r.revision }}<template v-if="r.revision === job.revision"> now</template></td>
          <td>
            {{ dateText(r.savedAt) }}<template v-if="r.savedBy"> by {{ r.savedBy }}</template>
            <div v-if="r.aside" class="small quiet-text">kept aside: saved on top of an older one</div>
          </td>
          <td>
            <input
              class="field wide"
              :value="r.label"
              :aria-label="`Name of revision ${r.revision}`"
              :data-test="`label-${r.revision}`"
              @change="name(r.revision, ($event.target as HTMLInputElement).value)"
            />
          </td>
          <td>
            <label
              ><input
                v-model="one"
                type="radio"
                :value="r.revision"
                name="one"
                class="choice"
                :aria-label="`Compare ${r.revision} as the first`"
            /></label>
            <label
              ><input
                v-model="two"
                type="radio"
                :value="r.revision"
                name="two"
                class="choice"
                :aria-label="`Compare ${r.revision} as the second`"
            /></label>
          </td>
          <td>
            <button v-if="r.revision !== job.revision" class="link" @click="restore(r.revision)">
              Make it current
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <template v-if="comparison && one !== two">
      <h3 class="mt-4">{{ title(one) }} beside {{ title(two) }}</h3>
      <p class="small quiet-text">Dashed on the plan: {{ title(one) }}.</p>
      <ComparisonTable :comparison="comparison" :before="title(one)" :after="title(two)" />
    </template>
  </div>
</template>

<style scoped>
.choice {
  width: 24px;
  height: 24px;
}
</style>
