<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText, RequestFailed } from '@/api/client'
import type { House, HouseState, SchoolEffect } from '@/api/types'
import RuleChips from '@/components/RuleChips.vue'
import { useJob } from '@/model/jobStore'
import { withSpec } from '@/model/planEdit'
import { announce } from '@/shared/announce'
import EntryField from '@/shared/EntryField.vue'
import { latestOnly } from '@/shared/latest'
import { countText, forceText, lengthText, stationText } from '@/shared/units'
import { useMaterials } from '@/model/useMaterials'

const job = useJob()
const materials = useMaterials()
const effects = shallowRef<SchoolEffect[]>([])
const house = shallowRef<HouseState | null>(null)
const failed = ref('')
const open = ref<string | null>(null)

const compute = latestOnly(
  (order: { plan: NonNullable<typeof job.plan>; land: NonNullable<typeof job.land> }) =>
    ask(client.POST('/api/schools', { body: order })),
  (answer) => {
    effects.value = answer
    failed.value = ''
  },
  (e) => (failed.value = e instanceof RequestFailed ? e.message : 'The schools could not be compared.'),
)
watch(
  () => job.design,
  () => job.plan && job.land && job.design && compute({ plan: job.plan, land: job.land }),
  { immediate: true },
)
void ask(client.GET('/api/house')).then(
  (h) => (house.value = h),
  (e) => (failed.value = failureText(e, 'The house’s way could not be read.')),
)

const topics = computed(() =>
  (materials.value?.topics ?? []).map((t) => ({
    ...t,
    schools: (materials.value?.schools ?? [])
      .filter((s) => s.topic === t.id)
      .map((s) => ({ ...s, effect: effects.value.find((e) => e.school === s.id) })),
  })),
)
const now = computed(() => effects.value.find((e) => e.chosen))
const houseHas = (id: string) => house.value?.house.choices.includes(id as House['choices'][number]) ?? false
const houseOf = (topic: string) => materials.value?.schools.find((s) => s.topic === topic && houseHas(s.id))
/** The house goes another way than this job. */
const departs = (topic: string) => {
  const h = houseOf(topic)
  return h !== undefined && effects.value.some((e) => e.school === h.id && !e.chosen)
}
const reason = (topic: string) => job.plan!.decisions.departures.find((d) => d.topic === topic)?.reason ?? ''

async function choose(id: SchoolEffect['school']) {
  try {
    const spec = await ask(client.POST('/api/school', { body: { spec: job.plan!.spec, school: id } }))
    job.change((p) => withSpec(p, spec))
  } catch (e) {
    failed.value = e instanceof RequestFailed ? e.message : 'The school could not be followed.'
  }
}
function because(topic: string, e: Event) {
  const text = (e.target as HTMLInputElement).value.trim()
  job.change((p) => ({
    ...p,
    decisions: {
      ...p.decisions,
      departures: [
        ...p.decisions.departures.filter((d) => d.topic !== topic),
        ...(text ? [{ topic: topic as (typeof p.decisions.departures)[number]['topic'], reason: text }] : []),
      ],
    },
  }))
}
async function setHouse(topic: string, id: string) {
  if (!house.value) return
  const others = house.value.house.choices.filter(
    (c) => materials.value?.schools.find((s) => s.id === c)?.topic !== topic,
  )
  const choices = houseHas(id) ? others : [...others, id as House['choices'][number]]
  try {
    house.value = await ask(
      client.PUT('/api/house', { body: { baseRevision: house.value.revision, house: { choices } } }),
    )
    announce(`The house's way is kept as revision ${house.value.revision}; new jobs start with it.`)
  } catch (e) {
    failed.value = e instanceof RequestFailed ? e.message : 'The house could not be changed.'
    house.value = await ask(client.GET('/api/house'))
  }
}
const change = (value: number, base: number, text: (n: number) => string) => {
  const d = value - base
  return Math.abs(d) < 0.5 ? '' : `${d > 0 ? '+' : '−'}${text(Math.abs(d))}`
}
</script>

<template>
  <div>
    <h2>Schools, and what each does to this job</h2>
    <p class="small quiet-text">
      Laid out for this plan, before you switch. Plus and minus are against the job as it is. House revision
      {{ house?.revision ?? 0 }}, rulebook {{ job.catalogue?.rulebook
      }}<template v-if="job.rulebook && job.rulebook !== job.catalogue?.rulebook"
        >; this job was last saved under rulebook {{ job.rulebook }}</template
      >.
    </p>
    <p v-if="failed" role="alert" class="weak">{{ failed }}</p>
    <section v-for="t in topics" :key="t.id" :data-test="`topic-${t.id}`">
      <h3>{{ t.text }}</h3>
      <table class="sheet">
        <thead>
          <tr>
            <th>School</th>
            <th class="right">Strong</th>
            <th class="right">Line</th>
            <th class="right">Uplift</th>
            <th class="right">Safety</th>
            <th class="right">Wire</th>
            <th class="right">To fix</th>
            <th>House</th>
          </tr>
        </thead>
        <tbody>
          <template v-for="s in t.schools" :key="s.id">
            <tr :class="{ here: s.effect?.chosen }">
              <td class="school">
                <button
                  :aria-pressed="s.effect?.chosen ?? false"
                  class="pick"
                  :data-test="`school-${s.id}`"
                  @click="choose(s.id)"
                >
                  <span class="dot" :class="{ on: s.effect?.chosen }" />
                  <span>{{ s.text }}</span>
                </button>
                <RuleChips :rules="[s.rule]" class="rule" />
              </td>
              <template v-if="s.effect && now">
                <td class="right number">
                  {{
                    s.effect.chosen
                      ? countText(s.effect.strongPosts)
                      : change(s.effect.strongPosts, now.strongPosts, countText)
                  }}
                </td>
                <td class="right number">
                  {{
                    s.effect.chosen
                      ? countText(s.effect.linePosts)
                      : change(s.effect.linePosts, now.linePosts, countText)
                  }}
                </td>
                <td class="right number">{{ forceText(s.effect.upliftN, job.units) }}</td>
                <td class="right number">{{ s.effect.safety.toFixed(1) }}</td>
                <td class="right number">
                  {{
                    s.effect.chosen
                      ? stationText(s.effect.wireM, job.units)
                      : change(s.effect.wireM, now.wireM, (m) => stationText(m, job.units))
                  }}
                </td>
                <td class="right number">
                  <button
                    class="link"
                    :aria-expanded="open === s.id"
                    @click="open = open === s.id ? null : s.id"
                  >
                    {{ s.effect.toMend }}
                  </button>
                </td>
              </template>
              <td v-else colspan="6" class="small quiet-text">calculating …</td>
              <td>
                <button
                  class="link"
                  :aria-pressed="houseHas(s.id)"
                  :disabled="!house"
                  :data-test="`house-${s.id}`"
                  @click="setHouse(t.id, s.id)"
                >
                  {{ houseHas(s.id) ? '■ ours' : 'make ours' }}
                </button>
              </td>
            </tr>
            <tr v-if="open === s.id && s.effect">
              <td colspan="8" class="small">
                <template v-if="s.effect.items.length === 0">No count changes.</template>
                <span v-for="i in s.effect.items" :key="i.key" class="item"
                  >{{ i.name }}:
                  {{ i.unit === 'm' ? lengthText(i.before, job.units) : countText(i.before) }} →
                  <b>{{ i.unit === 'm' ? lengthText(i.after, job.units) : countText(i.after) }}</b></span
                >
              </td>
            </tr>
          </template>
        </tbody>
      </table>
      <label v-if="departs(t.id)" class="small departs"
        >This job departs from the house's way because
        <EntryField
          :value="reason(t.id)"
          :data-test="`because-${t.id}`"
          placeholder="say why"
          @change="because(t.id, $event)"
      /></label>
    </section>
  </div>
</template>

<style scoped>
.sheet th,
.sheet td {
  padding: 5px 5px;
}
.sheet .school {
  width: 36%;
}
/* On a phone the figures are drawn sideways rather than squeezing the words. */
@media (max-width: 760px) {
  .sheet .school {
    min-width: 190px;
  }
}
h3 {
  margin-top: 14px;
}
.here td {
  background: var(--accent-wash);
}
.pick {
  display: flex;
  gap: 8px;
  text-align: left;
  align-items: baseline;
}
.rule {
  margin-left: 18px;
}
.dot {
  flex: none;
  width: 10px;
  height: 10px;
  border: 1.5px solid var(--ink);
}
.dot.on {
  background: var(--ink);
}
.link {
  color: var(--accent);
  text-decoration: underline;
  white-space: nowrap;
}
.item {
  display: inline-block;
  margin-right: 14px;
}
.departs {
  display: block;
  margin-top: 4px;
}
.departs input {
  border: 1px solid var(--rule-strong);
  padding: 3px 6px;
  width: 260px;
  background: var(--paper);
  color: var(--ink);
}
.weak {
  color: var(--broken);
}
</style>
