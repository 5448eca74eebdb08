<script setup lang="ts">
import { computed } from 'vue'
import { useJob } from '@/model/jobStore'
import { announce } from '@/shared/announce'
import { basisText } from './basis'
import { useWords } from '@/model/useWords'

const props = defineProps<{ rules: string[] }>()
const job = useJob()
const { say } = useWords()
const known = computed(() =>
  props.rules.map((id) => {
    const rule = job.catalogue?.rules.find((r) => r.id === id)
    return {
      id,
      memory: rule?.fromMemory ?? false,
      text: rule ? say(`${rule.id}: ${rule.says} (${basisText(rule)})`) : id,
    }
  }),
)
</script>

<template>
  <span class="chips">
    <button
      v-for="k in known"
      :key="k.id"
      type="button"
      class="chip"
      :title="k.text"
      :aria-label="`Rule ${k.id}`"
      @click.prevent.stop="announce(k.text)"
    >
      {{ k.id }}<span v-if="k.memory">†</span>
    </button>
  </span>
</template>

<style scoped>
.chips {
  white-space: nowrap;
}
.chip {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  color: var(--quiet);
  font-size: 12px;
  margin-right: 4px;
  min-width: 24px;
  min-height: 24px;
  cursor: help;
}
</style>
