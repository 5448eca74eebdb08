<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { Certificate } from '@/api/types'
import { useHabits } from '@/model/habits'
import { useJob, useOwnJobId } from '@/model/jobStore'
import { useReadings } from '@/model/readings'
import { dayOf, useRound } from '@/model/round'
import { useWords } from '@/model/useWords'
import { keepText, keptText } from '@/shared/kept'
import { calendarText } from '@/shared/units'
import CertificatePage from './CertificatePage.vue'
import DayBar from './DayBar.vue'

const CALL = 'buckle.certificate.call'
const job = useJob()
const jobId = useOwnJobId()
const round = useRound()
const readings = useReadings()
const habits = useHabits()
const { say } = useWords()
let stop: (() => void) | undefined
onMounted(() => (stop = round.follow()))
onUnmounted(() => stop?.())
const all = shallowRef<Certificate[]>([])
/** Whether it is known what has been signed. */
const read = ref(false)
const shown = shallowRef<Certificate | null>(null)
const problem = ref('')
const busy = ref(false)
const signedOn = ref(dayOf(new Date()))
const call = ref(keptText(CALL) ?? '')
const paper = computed(() => (job.units === 'METRIC' ? 'A4' : 'LETTER'))
/** One signing keeps its id until it is known to be stored. */
const signing = ref('')

async function load() {
  try {
    all.value = await ask(client.GET('/api/jobs/{id}/certificates', { params: { path: { id: jobId } } }))
    read.value = true
    shown.value = all.value.find((c) => c.number === shown.value?.number) ?? all.value[0] ?? null
  } catch (e) {
    problem.value = failureText(e, 'The certificates could not be read.')
  }
}
onMounted(load)

async function sign() {
  problem.value = ''
  if (habits.takenBy.trim() === '') {
    problem.value = 'Enter who signs.'
    return
  }
  busy.value = true
  try {
    signing.value ||= job.newId()
    const body = {
      id: signing.value,
      signedBy: habits.takenBy.trim(),
      signedOn: signedOn.value,
      since: round.since,
      until: round.until,
      call: call.value.trim(),
      zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'Z',
    }
    await job.saveNow()
    await readings.sendEverything()
    const made = await ask(
      client.POST('/api/jobs/{id}/certificates', { params: { path: { id: jobId } }, body }),
    )
    signing.value = ''
    keepText(CALL, call.value.trim())
    shown.value = made
    await load()
  } catch (e) {
    problem.value = failureText(e, 'It could not be signed.')
  } finally {
    busy.value = false
  }
}
const openChecks = computed(() => (round.answer?.list.items ?? []).filter((i) => i.tick === null).length)
</script>

<template>
  <div class="certificates">
    <h1>Certificate</h1>
    <p class="quiet-text small">
      Plan, sections, readings with the curve, the list before power, what the owner must do: kept as it is
      signed. A name is typed once on this device; it is no proof of who signed.
    </p>
    <DayBar />
    <p v-if="round.answer" class="small" data-test="certificate-open">
      {{ openChecks }} of {{ round.answer.list.items.length }} points of the list and
      {{ round.answer.open }} numbers of the round are still open; what is open is said on the paper.
    </p>
    <form class="sign" @submit.prevent="sign">
      <label>Signed by <input v-model="habits.takenBy" autocomplete="name" data-test="sign-by" /></label>
      <label>On <input v-model="signedOn" type="date" data-test="sign-on" /></label>
      <label>Whom the owner calls <input v-model="call" data-test="sign-call" /></label>
      <v-btn class="strong" type="submit" :disabled="busy" data-test="sign">Sign and keep</v-btn>
    </form>
    <p v-if="problem" class="weak" role="alert" data-test="sign-problem">{{ problem }}</p>
    <nav v-if="all.length > 1" class="small">
      <button
        v-for="c in all"
        :key="c.number"
        class="link"
        :aria-current="shown?.number === c.number ? 'true' : undefined"
        @click="shown = c"
      >
        {{ c.number }}, {{ calendarText(c.signedOn) }}
      </button>
    </nav>
    <template v-if="shown">
      <p class="small files">
        <a
          :href="`/api/certificates/${shown.number}/certificate.pdf?paper=${paper}`"
          data-test="certificate-pdf"
          >Certificate {{ shown.number }} as PDF</a
        >
        <a :href="`/api/certificates/${shown.number}/owner-card.pdf?paper=${paper}`" data-test="card-pdf"
          >Owner’s card as PDF</a
        >
        <router-link :to="`/certificates/${shown.number}`" data-test="certificate-link"
          >Page to read only</router-link
        >
      </p>
      <CertificatePage :certificate="shown" />
    </template>
    <p v-else-if="read" class="empty">{{ say('Nothing has been signed for this job.') }}</p>
  </div>
</template>

<style scoped>
.certificates {
  padding: 12px 18px 28px;
  max-width: 1060px;
}
.sign {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
  margin: 8px 0;
}
.sign label {
  font-size: 13px;
  color: var(--quiet);
}
.sign input {
  display: block;
  border: 1px solid var(--rule-strong);
  padding: 5px 7px;
  background: var(--paper);
  color: var(--ink);
}
.files a,
.link {
  margin-right: 16px;
  color: var(--ink);
  text-decoration: underline;
}
.link[aria-current] {
  font-weight: 700;
}
.weak {
  color: var(--broken);
  font-weight: 700;
}
.empty {
  padding: 24px 0;
  font-size: 16px;
}
</style>
