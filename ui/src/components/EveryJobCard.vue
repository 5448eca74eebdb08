<script setup lang="ts">
import { computed } from 'vue'
import RuleChips from './RuleChips.vue'
import { useJob } from '@/model/jobStore'

/** What is so on every job of this kind: said once, on one card. */
const job = useJob()
const all = computed(() => job.design?.layout.everyJob ?? [])
</script>

<template>
  <details v-if="all.length" class="every" data-test="every-job">
    <summary>
      On every job <span class="quiet-text">{{ all.length }} reminders</span>
    </summary>
    <ul>
      <li v-for="s in all" :key="s.rule">{{ s.says }} <RuleChips :rules="[s.rule]" /></li>
    </ul>
  </details>
</template>

<style scoped>
.every {
  border-left: 4px solid var(--ink);
  background: var(--band);
  font-size: 12.5px;
  padding: 4px 8px;
  margin-bottom: 6px;
}
summary {
  cursor: pointer;
  font-weight: 700;
}
summary .quiet-text {
  font-weight: 400;
}
ul {
  padding-left: 16px;
  margin: 4px 0;
}
li {
  margin-bottom: 3px;
}
p {
  margin: 0;
}
</style>
