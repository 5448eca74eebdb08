<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { useHeap } from '@/model/heap'
import { useKits } from '@/model/kits'

const heap = useHeap()
const kits = useKits()
const name = ref('')
const chosen = ref('')
onMounted(kits.load)

function take(kit: string) {
  chosen.value = kit
  const found = kits.named(kit)
  if (!found) return
  name.value = kit
  const all: Record<string, number> = {}
  for (const i of found.items) all[i.product] = (all[i.product] ?? 0) + i.quantity
  heap.replace(all)
}

async function keep() {
  const kit = name.value.trim()
  await kits.put({ name: kit, items: heap.items() })
  if (!kits.problem) chosen.value = kit
}

async function remove() {
  await kits.remove(chosen.value)
  chosen.value = ''
  name.value = ''
}
</script>

<template>
  <form class="kits small" @submit.prevent="keep">
    <label
      >Kit
      <select :value="chosen" data-test="kit" @change="take(($event.target as HTMLSelectElement).value)">
        <option value="">as typed below</option>
        <option v-for="k in kits.state.kits" :key="k.name" :value="k.name">{{ k.name }}</option>
      </select></label
    >
    <label>Name <input v-model="name" maxlength="80" data-test="kit-name" /></label>
    <button class="link" :disabled="!name.trim()" data-test="kit-keep">Keep what is typed as this kit</button>
    <button v-if="chosen" class="link" type="button" data-test="kit-remove" @click="remove">
      Take the kit away
    </button>
    <span v-if="kits.problem" class="weak" role="alert">{{ kits.problem }}</span>
    <span v-else-if="kits.state.unknown.length" class="quiet-text"
      >In no price book, kept all the same: {{ kits.state.unknown.join(', ') }}.</span
    >
  </form>
</template>

<style scoped>
.kits {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
}
.kits select,
.kits input {
  border: 1px solid var(--rule-strong);
  padding: 4px 7px;
  background: var(--paper);
  color: var(--ink);
}
.weak {
  color: var(--broken);
}
</style>
