<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import PlanView from '@/features/plan/PlanView.vue'
import SheetStage from '@/shared/SheetStage.vue'
import GateForm from './GateForm.vue'
import SpecPanel from './SpecPanel.vue'
import { layoutSheets, useLayoutSheets } from './useLayoutSheets'

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
</script>

<template>
  <SheetStage v-model="sheet" :sheets="layoutSheets" label="Sheets of the layout">
    <component :is="current" />
    <template #plan>
      <PlanView :editable="true" />
      <GateForm />
    </template>
  </SheetStage>
</template>
