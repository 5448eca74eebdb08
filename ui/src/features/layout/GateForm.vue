<script setup lang="ts">
import { computed } from 'vue'
import { useJob } from '@/model/jobStore'
import { changeGate, removeItem } from '@/model/planEdit'
import { lengthText, parseLengthM } from '@/shared/units'
import type { Gate } from '@/api/types'
import { useMaterials } from '@/model/useMaterials'

const job = useJob()
const materials = useMaterials()
const gate = computed(() => {
  const s = job.selected
  if (s?.kind !== 'gate') return null
  return job.plan?.site.lines.find((l) => l.id === s.lineId)?.gates.find((g) => g.id === s.id) ?? null
})

function setOpening(text: string) {
  const metres = parseLengthM(text, job.units)
  const s = job.selected
  if (s && metres !== null && metres >= 0.3 && metres <= 100)
    job.change((p) => changeGate(p, s.lineId, s.id, { openingM: metres }))
}
</script>

<template>
  <form v-if="gate && job.selected" class="gate" aria-label="Gate" @submit.prevent>
    <input
      :value="gate.name"
      aria-label="Name of the gate"
      class="name"
      @change="
        job.change((p) =>
          changeGate(p, job.selected!.lineId, gate!.id, {
            name: ($event.target as HTMLInputElement).value || gate!.name,
          }),
        )
      "
    />
    <select
      :value="gate.kind"
      aria-label="Kind of gate"
      data-test="gate-kind"
      @change="
        job.change((p) =>
          changeGate(p, job.selected!.lineId, gate!.id, {
            kind: ($event.target as HTMLSelectElement).value as Gate['kind'],
          }),
        )
      "
    >
      <option v-for="k in materials?.gates" :key="k.id" :value="k.id">{{ k.text }}</option>
    </select>
    <label
      >opening
      <input
        :value="lengthText(gate.openingM, job.units)"
        class="opening"
        data-test="gate-opening"
        @change="setOpening(($event.target as HTMLInputElement).value)"
    /></label>
    <button type="button" class="link" @click="job.change((p) => removeItem(p, job.selected!))">
      Remove
    </button>
  </form>
</template>

<style scoped>
.gate {
  position: absolute;
  left: 160px;
  bottom: 12px;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  padding: 6px 10px;
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
.gate input,
.gate select {
  border: 1px solid var(--rule);
  padding: 3px 6px;
  background: var(--paper);
  color: var(--ink);
}
.gate .name {
  width: 110px;
  font-weight: 700;
}
.gate .opening {
  width: 84px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
</style>
