<script setup lang="ts">
import { computed, ref } from 'vue'
import type { FenceSpec, UnitSystem, Wire } from '@/api/types'
import { lengthText, parseLengthM } from '@/shared/units'
import { useWords } from '@/model/useWords'

const props = defineProps<{ schedule: FenceSpec['schedule']; units: UnitSystem }>()
const emit = defineEmits<{ change: [schedule: FenceSpec['schedule']] }>()
const problem = ref('')
const rows = computed(() => props.schedule.wires.map((wire, i) => ({ wire, i })).reverse())
const roles: Wire['role'][] = ['HOT', 'EARTH', 'PLAIN']
const { say } = useWords()
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

function setRole(i: number, role: Wire['role']) {
  emit('change', {
    preset: props.schedule.preset,
    wires: props.schedule.wires.map((w, k) => (k === i ? { ...w, role } : w)),
  })
}

function add() {
  const top = props.schedule.wires.at(-1)!
  offer([...props.schedule.wires, { heightM: Math.min(5, top.heightM + 0.3048), role: 'HOT' }])
}

function alternate(lowest: 'HOT' | 'EARTH') {
  const other = lowest === 'HOT' ? 'EARTH' : 'HOT'
  emit('change', {
    preset: props.schedule.preset,
    wires: props.schedule.wires.map((w, i) => ({ ...w, role: i % 2 ? other : lowest })),
  })
}
const allHot = () =>
  emit('change', {
    preset: props.schedule.preset,
    wires: props.schedule.wires.map((w) => ({ ...w, role: 'HOT' as const })),
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
        :disabled="schedule.wires.length === 1"
        :aria-label="`Remove wire ${i + 1}`"
        @click="offer(schedule.wires.filter((_, k) => k !== i))"
      >
        ×
      </button>
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
  grid-template-columns: 34px 1fr 70px 22px;
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
