<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { Finding, Position } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import FindingPlaces from '@/components/FindingPlaces.vue'
import { useJob } from '@/model/jobStore'
import { stationText } from '@/shared/units'
import EveryJobCard from '@/components/EveryJobCard.vue'

const job = useJob()
const order = { WARN: 0, CAUTION: 1, NOTE: 2 }
const words = { WARN: 'fix', NOTE: 'to know', CAUTION: 'caution' }
const findings = computed(() =>
  [...(job.design?.layout.findings ?? [])].sort(
    (a, b) =>
      Number(a.accepted !== null) - Number(b.accepted !== null) || order[a.severity] - order[b.severity],
  ),
)
const open = shallowRef<Finding | null>(null)
const reason = ref('')

function go(f: { lineId: string | null; stationM: number | null }) {
  if (f.lineId === null) return
  job.lineId = f.lineId
  job.cursorM = f.stationM
}
/** A place on the ground, by the post nearest to it: it is known again there. */
function ground(p: { lineId: string; stationM: number }): Position | null {
  const line = job.design?.layout.lines.find((l) => l.lineId === p.lineId)
  if (!line) return null
  const near = line.posts.reduce((a, b) =>
    Math.abs(b.stationM - p.stationM) < Math.abs(a.stationM - p.stationM) ? b : a,
  )
  return Math.abs(near.stationM - p.stationM) < 5 ? [near.lonDeg, near.latDeg] : null
}
/** Each place of a finding is accepted by itself, so that a new one brings the finding back. */
function accept(f: Finding) {
  const why = reason.value.trim()
  if (!why) return
  const said = { rule: f.rule, key: f.key, values: f.values, message: f.message, reason: why }
  const places = f.places.length
    ? f.places.map((p) => ({ ...said, lineId: p.lineId, at: ground(p) }))
    : [{ ...said, lineId: null, at: null }]
  job.change((p) => ({
    ...p,
    decisions: { ...p.decisions, accepted: [...p.decisions.accepted, ...places] },
  }))
  open.value = null
  reason.value = ''
}
function withdraw(f: Finding) {
  job.change((p) => ({
    ...p,
    decisions: {
      ...p.decisions,
      accepted: p.decisions.accepted.filter(
        (a) =>
          !(
            a.rule === f.rule &&
            (a.key === null || a.key === f.key) &&
            a.reason === f.accepted &&
            (f.places.length ? f.places.some((p) => p.lineId === a.lineId) : a.lineId === null)
          ),
      ),
    },
  }))
}
</script>

<template>
  <div>
    <h2>Findings</h2>
    <p class="small quiet-text">
      Click one to go there on plan and ribbon. An accepted one is kept with its reason; the local code and
      licensed people have the last word.
    </p>
    <EveryJobCard />
    <ul class="list" data-test="finding-list">
      <li v-for="(f, i) in findings" :key="i" :class="[f.severity, { accepted: f.accepted !== null }]">
        <button class="say" :disabled="f.lineId === null" @click="go(f)">
          <b
            >{{ words[f.severity]
            }}<template v-if="f.stationM !== null"> at {{ stationText(f.stationM, job.units) }}</template></b
          >
          {{ f.message }}
        </button>
        <RuleChips :rules="[f.rule]" />
        <FindingPlaces :finding="f" />
        <span v-if="f.accepted !== null" class="small"
          >accepted: {{ f.accepted }}
          <button class="link" @click="withdraw(f)">withdraw</button>
        </span>
        <button
          v-else-if="f.severity === 'WARN' && open !== f"
          class="link"
          data-test="accept"
          @click="open = f"
        >
          accept it …
        </button>
        <form v-if="open === f" class="why" @submit.prevent="accept(f)">
          <label>because <input v-model="reason" data-test="accept-reason" /></label>
          <v-btn type="submit" :disabled="!reason.trim()" data-test="accept-it">Accept</v-btn>
          <v-btn class="quiet" @click="open = null">Cancel</v-btn>
        </form>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.list {
  list-style: none;
  padding: 0;
}
.list li {
  border-left: 4px solid var(--rule);
  padding: 5px 9px;
  margin-bottom: 6px;
  background: var(--band);
  font-size: 13px;
}
.list li.WARN {
  border-left-color: var(--accent);
  background: var(--accent-wash);
}
.list li.CAUTION {
  border-left-color: var(--ink);
}
.list li.accepted {
  background: none;
  border-left-style: dotted;
}
.say {
  text-align: left;
  margin-right: 6px;
}
.say:disabled {
  cursor: default;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
.why {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 6px;
}
.why input {
  border: 1px solid var(--rule-strong);
  padding: 4px 6px;
  background: var(--paper);
  color: var(--ink);
}
</style>
