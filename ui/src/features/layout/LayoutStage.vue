<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { useJob } from '@/model/jobStore'
import SheetStage from '@/components/SheetStage.vue'
import GateForm from './GateForm.vue'
import SpecPanel from './SpecPanel.vue'
import { layoutSheets, useLayoutSheets } from '@/model/useLayoutSheets'

const job = useJob()
const { sheet } = useLayoutSheets()
const parts = {
  build: SpecPanel,
  material: defineAsyncComponent(() => import('./MaterialSheet.vue')),
  pole: defineAsyncComponent(() => import('./StoryPole.vue')),
  posts: defineAsyncComponent(() => import('./PostSheet.vue')),
  braces: defineAsyncComponent(() => import('./BraceSheet.vue')),
  joints: defineAsyncComponent(() => import('./JointSheet.vue')),
  schools: defineAsyncComponent(() => import('./SchoolSheet.vue')),
  findings: defineAsyncComponent(() => import('./FindingSheet.vue')),
}
const current = computed(() => parts[sheet.value])
/** Loads of single posts and braces are left for the whole answer: till then none are shown. */
const waits = computed(() => job.rough && (sheet.value === 'posts' || sheet.value === 'braces'))
</script>

<template>
  <SheetStage v-model="sheet" :sheets="layoutSheets" label="Sheets of the layout">
    <p v-if="waits" class="quiet-text" data-test="waits">Loads and lengths are calculated when you let go.</p>
    <component :is="current" v-show="!waits" />
    <template #plan>
      <PlanView :editable="true" />
      <GateForm />
    </template>
  </SheetStage>
</template>
