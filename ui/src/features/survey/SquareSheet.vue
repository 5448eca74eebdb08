<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import { useJob } from '@/model/jobStore'
import RuleChips from '@/components/RuleChips.vue'
import { latestOnly } from '@/shared/latest'
import { parseLengthM } from '@/shared/units'

type Squaring = Awaited<ReturnType<typeof send>>
const job = useJob()
const metric = job.units === 'METRIC'
const front = ref(metric ? '21 m' : '70 ft')
const side = ref(metric ? '15 m' : '50 ft')
const ac = ref('')
const bd = ref('')
const answer = shallowRef<Squaring | null>(null)
const failure = ref('')

function send(order: { frontM: number; sideM: number; acM: number | null; bdM: number | null }) {
  return ask(client.POST('/api/squaring', { body: { ...order, units: job.units } }))
}
const compute = latestOnly(
  send,
  (a) => {
    answer.value = a
    failure.value = ''
  },
  (e) => {
    answer.value = null
    failure.value = e instanceof RequestFailed ? e.message : 'It failed.'
  },
)

function renew() {
  const frontM = parseLengthM(front.value, job.units)
  const sideM = parseLengthM(side.value, job.units)
  const acM = ac.value.trim() ? parseLengthM(ac.value, job.units) : null
  const bdM = bd.value.trim() ? parseLengthM(bd.value, job.units) : null
  if (
    frontM === null ||
    sideM === null ||
    (ac.value.trim() && acM === null) ||
    (bd.value.trim() && bdM === null)
  ) {
    answer.value = null
    failure.value = 'Write lengths as 70 ft 6 in or 21.5 m.'
    return
  }
  compute({ frontM, sideM, acM, bdM })
}
watch([front, side, ac, bd, () => job.units], renew, { immediate: true })
</script>

<template>
  <div>
    <h2>Square a rectangle</h2>
    <svg
      viewBox="0 0 240 120"
      class="figure"
      role="img"
      aria-label="Rectangle: front A to B, back D to C, diagonals A–C and B–D"
    >
      <path d="M24 100H196V20H24ZM24 100L196 20M196 100L24 20" />
      <text x="12" y="112">A</text>
      <text x="200" y="112">B</text>
      <text x="200" y="18">C</text>
      <text x="12" y="18">D</text>
      <text x="110" y="114" text-anchor="middle">front</text>
      <text x="206" y="64">side</text>
    </svg>
    <div class="grid">
      <label>front A–B <input v-model="front" data-test="square-front" /></label>
      <label>side B–C <input v-model="side" data-test="square-side" /></label>
      <label>taped A–C <input v-model="ac" placeholder="diagonal" data-test="square-ac" /></label>
      <label>taped B–D <input v-model="bd" placeholder="other diagonal" data-test="square-bd" /></label>
    </div>
    <p v-if="failure" class="problems" role="alert">{{ failure }}</p>
    <template v-if="answer">
      <p class="big" data-test="square-diagonal">
        Diagonal to tape: <b>{{ answer.diagonal }}</b>
      </p>
      <p v-if="answer.move" class="move" data-test="square-move">{{ answer.move }}</p>
      <p>{{ answer.marks }}</p>
      <RuleChips :rules="['Q1']" />
      <p class="small quiet-text">
        Diagonal = √(front² + side²). For two diagonals that differ, the back is off by (A–C² − B–D²) / (4 ×
        front). A few inches are good enough for a small yard; where something must fit inside, “not over”
        counts more than “exact”.
      </p>
    </template>
  </div>
</template>

<style scoped>
.figure {
  width: 100%;
  max-width: 300px;
}
.figure path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.figure text {
  font-size: 12px;
  fill: var(--ink);
}
.grid label {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin: 4px 0;
}
.grid input {
  width: 160px;
  border: 1px solid var(--rule-strong);
  padding: 5px 8px;
  background: var(--paper);
  color: var(--ink);
}
.big {
  font-size: 19px;
  margin-top: 12px;
}
.move {
  border-left: 4px solid var(--accent);
  background: var(--accent-wash);
  padding: 8px 12px;
  font-size: 17px;
}
</style>
