<script setup lang="ts">
import { computed, ref } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import type { FenceSpec, UnitSystem, Wire } from '@/api/types'
import { lengthText, parseLengthM } from '@/shared/units'
import { fastenings } from '@/model/layoutWords'
import { useMaterials } from '@/model/useMaterials'
import { useWords } from '@/model/useWords'

const props = defineProps<{ schedule: FenceSpec['schedule']; units: UnitSystem }>()
const emit = defineEmits<{ change: [schedule: FenceSpec['schedule']] }>()
const problem = ref('')
const rows = computed(() => props.schedule.wires.map((wire, i) => ({ wire, i })).reverse())
const roles: Wire['role'][] = ['HOT', 'EARTH', 'PLAIN']
const { say } = useWords()
const materials = useMaterials()
const open = ref<Set<number>>(new Set())
const conductors = (role: Wire['role']) =>
  (materials.value?.conductors ?? []).filter((c) => role !== 'HOT' || c.id !== 'BARBED')
const text = (id: string) => materials.value?.conductors.find((c) => c.id === id)?.text ?? id
/** What it has otherwise than its role, in a few words. */
const own = (w: Wire) =>
  [
    w.conductor ? text(w.conductor) : '',
    w.fastening ? `on ${fastenings[w.fastening]}` : '',
    w.byHand == null ? '' : w.byHand ? 'pulled by hand' : 'strained',
    w.stands ? 'stands already' : '',
  ]
    .filter(Boolean)
    .join(', ')
function toggle(i: number) {
  const next = new Set(open.value)
  if (!next.delete(i)) next.add(i)
  open.value = next
}
function set(i: number, change: Partial<Wire>) {
  emit('change', {
    preset: props.schedule.preset,
    wires: props.schedule.wires.map((w, k) => (k === i ? { ...w, ...change } : w)),
  })
}
const chosen = (e: Event) => (e.target as HTMLSelectElement).value
const words = computed(() => ({ HOT: 'hot', EARTH: say('earth'), PLAIN: 'plain' }))

/** Sorted from the ground up; two wires at one height are refused here, before the core would. */
function offer(wires: Wire[]) {
  const sorted = [...wires].sort((a, b) => a.heightM - b.heightM)
  if (sorted.some((w, i) => i > 0 && w.heightM - sorted[i - 1]!.heightM < 0.001)) {
    problem.value = 'Two wires cannot hang at one height.'
    return
  }
  problem.value = ''
  emit('change', { preset: 'own', wires: sorted })
}

function setHeight(i: number, e: Event) {
  const field = e.target as HTMLInputElement
  const bareInches = props.units === 'FT_IN' && /^\d+([.,]\d+)?$/.test(field.value.trim())
  const metres = parseLengthM(bareInches ? `${field.value} in` : field.value, props.units)
  if (metres === null || metres <= 0 || metres > 5) {
    problem.value = 'A height lies between the ground and 5 m (16 ft).'
    field.value = lengthText(props.schedule.wires[i]!.heightM, props.units)
    return
  }
  offer(props.schedule.wires.map((w, k) => (k === i ? { ...w, heightM: metres } : w)))
}

/** Barbed wire is never electrified: a wire that becomes hot is made as the hot wires are. */
const inRole = (w: Wire, role: Wire['role']): Wire =>
  role === 'HOT' && w.conductor === 'BARBED' ? { ...w, role, conductor: null } : { ...w, role }
const setRole = (i: number, role: Wire['role']) => set(i, inRole(props.schedule.wires[i]!, role))

function add() {
  const top = props.schedule.wires.at(-1)!
  offer([
    ...props.schedule.wires,
    { ...top, heightM: Math.min(5, top.heightM + 0.3048), role: 'HOT', stands: false },
  ])
}

function alternate(lowest: 'HOT' | 'EARTH') {
  const other = lowest === 'HOT' ? 'EARTH' : 'HOT'
  emit('change', {
    preset: props.schedule.preset,
    wires: props.schedule.wires.map((w, i) => inRole(w, i % 2 ? other : lowest)),
  })
}
const allHot = () =>
  emit('change', {
    preset: props.schedule.preset,
    wires: props.schedule.wires.map((w) => inRole(w, 'HOT')),
  })
</script>

<template>
  <div class="wires">
    <div v-for="{ wire, i } in rows" :key="i" class="row">
      <svg viewBox="0 0 30 10" width="30" height="10" aria-hidden="true">
        <path d="M0 5H30" :class="wire.role" />
      </svg>
      <input
        :value="lengthText(wire.heightM, units)"
        :aria-label="`Height of wire ${i + 1}`"
        @change="setHeight(i, $event)"
      />
      <select
        :value="wire.role"
        :aria-label="`Role of wire ${i + 1}`"
        @change="setRole(i, ($event.target as HTMLSelectElement).value as Wire['role'])"
      >
        <option v-for="r in roles" :key="r" :value="r">{{ words[r] }}</option>
      </select>
      <button
        :aria-label="`More of wire ${i + 1}`"
        :aria-expanded="open.has(i)"
        :data-test="`wire-more-${i + 1}`"
        @click="toggle(i)"
      >
        {{ open.has(i) ? '▴' : '▾' }}
      </button>
      <button
        :disabled="schedule.wires.length === 1"
        :aria-label="`Remove wire ${i + 1}`"
        @click="offer(schedule.wires.filter((_, k) => k !== i))"
      >
        ×
      </button>
      <p v-if="!open.has(i) && own(wire)" class="own small quiet-text">{{ own(wire) }}</p>
      <div v-if="open.has(i)" class="own more">
        <label
          >Made of
          <select
            :value="wire.conductor ?? ''"
            :data-test="`wire-conductor-${i + 1}`"
            @change="set(i, { conductor: (chosen($event) || null) as Wire['conductor'] })"
          >
            <option value="">as the {{ words[wire.role] }} wires</option>
            <option v-for="c in conductors(wire.role)" :key="c.id" :value="c.id">{{ c.text }}</option>
          </select></label
        >
        <label
          >Held by <RuleChips :rules="['I1']" />
          <select
            :value="wire.fastening ?? ''"
            :data-test="`wire-fastening-${i + 1}`"
            @change="set(i, { fastening: (chosen($event) || null) as Wire['fastening'] })"
          >
            <option value="">as usual on each post</option>
            <option v-for="(f, id) in fastenings" :key="id" :value="id">{{ f }}</option>
          </select></label
        >
        <label
          >Pulled
          <select
            :value="wire.byHand == null ? '' : wire.byHand ? 'hand' : 'strainer'"
            :data-test="`wire-pull-${i + 1}`"
            @change="set(i, { byHand: chosen($event) ? chosen($event) === 'hand' : null })"
          >
            <option value="">as the line is</option>
            <option value="hand">by hand</option>
            <option value="strainer">with a strainer</option>
          </select></label
        >
        <label class="check"
          ><input
            type="checkbox"
            :checked="wire.stands"
            :data-test="`wire-stands-${i + 1}`"
            @change="set(i, { stands: !wire.stands })" />
          stands already: not bought, but counts <RuleChips :rules="['X9']"
        /></label>
      </div>
    </div>
    <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
    <div class="quick">
      <button :disabled="schedule.wires.length >= 16" @click="add">+ wire</button>
      <button @click="allHot">all hot</button>
      <button data-test="alternate-hot" @click="alternate('HOT')">lowest hot, alternating</button>
      <button @click="alternate('EARTH')">{{ say('lowest earth') }}</button>
    </div>
  </div>
</template>

<style scoped>
.wires {
  margin-top: 8px;
}
.row {
  display: grid;
  grid-template-columns: 34px 1fr 70px 22px 22px;
  align-items: center;
  border-bottom: 1px dotted var(--rule);
}
input,
select {
  border: 0;
  padding: 3px 4px;
  background: none;
  color: var(--ink);
  width: 100%;
}
path {
  stroke-width: 2.2;
  stroke: var(--hot);
}
path.EARTH {
  stroke: var(--earth);
  stroke-dasharray: 6 4;
}
path.PLAIN {
  stroke: var(--plain);
  stroke-width: 1;
}
.own {
  grid-column: 2 / -1;
  margin: 0 0 4px;
}
.more label {
  display: block;
  font-size: 12.5px;
  margin-top: 4px;
}
.more .check input {
  width: auto;
}
.quick {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  margin-top: 4px;
}
.quick button {
  color: var(--accent);
  text-decoration: underline;
  font-size: 12.5px;
}
button:disabled {
  opacity: 0.3;
}
.problem {
  color: var(--broken);
  font-weight: 700;
  margin: 4px 0;
}
</style>
