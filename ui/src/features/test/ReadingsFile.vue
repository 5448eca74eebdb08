<script setup lang="ts">
import { ref, shallowRef } from 'vue'
import { failureText, importReadings } from '@/api/client'
import { useHabits } from '@/model/habits'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { useReadings } from '@/model/readings'

/** All readings as a table, out and in. */
const job = useJob()
const jobId = useOwnJobId()
const habits = useHabits()
const readings = useReadings()
type Done = Awaited<ReturnType<typeof importReadings>>
const done = shallowRef<Done | null>(null)
const problem = ref('')
const MOST_SHOWN = 8

async function bring(e: Event) {
  const input = e.target as HTMLInputElement
  const file = input.files?.[0]
  // The same file can be chosen again after it was mended.
  input.value = ''
  if (!file) return
  try {
    done.value = await importReadings(jobId, file, habits.takenBy.trim())
    problem.value = ''
    readings.add(jobId, done.value.readings)
  } catch (e) {
    done.value = null
    problem.value = failureText(e, 'The table could not be read. Nothing was stored.')
  }
}
</script>

<template>
  <div class="small files">
    <a :href="`/api/jobs/${job.id}/readings.csv`" data-test="readings-csv">All readings as CSV</a>
    <label class="bring"
      >Bring in a table of readings
      <input type="file" accept=".csv,text/csv" data-test="readings-import" @change="bring"
    /></label>
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <div v-if="done" data-test="readings-imported">
      <p>
        {{ done.stored }} new readings stored<template v-if="done.known"
          >, {{ done.known }} were there already</template
        ><template v-if="done.problems.length">, {{ done.problems.length }} rows were not</template>.
      </p>
      <ul v-if="done.problems.length">
        <li v-for="p in done.problems.slice(0, MOST_SHOWN)" :key="p.path" class="weak">
          {{ p.path }}: {{ p.message }}
        </li>
        <li v-if="done.problems.length > MOST_SHOWN">and {{ done.problems.length - MOST_SHOWN }} more</li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.files {
  margin-top: 22px;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
}
.files a {
  color: var(--ink);
  margin-right: 18px;
}
.bring {
  display: inline-block;
  color: var(--quiet);
}
.weak {
  color: var(--broken);
}
</style>
