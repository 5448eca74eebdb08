<script setup lang="ts">
import { computed } from 'vue'
import { useJob } from '@/features/job/jobStore'
import { basisText } from './basis'

const props = defineProps<{ rules: string[] }>()
const job = useJob()
const known = computed(() =>
  props.rules.map((id) => ({ id, rule: job.catalogue?.rules.find((r) => r.id === id) })),
)
</script>

<template>
  <span class="chips">
    <span v-for="k in known" :key="k.id" class="chip" tabindex="0">
      {{ k.id }}<span v-if="k.rule?.fromMemory" aria-hidden="true">†</span>
      <v-tooltip v-if="k.rule" activator="parent" location="top" max-width="340" open-on-focus>
        {{ k.rule.says }} <em>({{ basisText(k.rule) }})</em>
      </v-tooltip>
    </span>
  </span>
</template>

<style scoped>
.chips {
  white-space: nowrap;
}
.chip {
  border-bottom: 1px dotted var(--quiet);
  color: var(--quiet);
  font-size: 12px;
  margin-right: 6px;
  cursor: help;
}
</style>
