<script setup lang="ts">
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import PlanView from '@/features/plan/PlanView.vue'
import type { Position } from '@/api/types'
import { sheets, useSheets } from './useSheets'

const { sheet } = useSheets()
const parts = {
  bring: defineAsyncComponent(() => import('./BringIn.vue')),
  lines: defineAsyncComponent(() => import('./LinesSheet.vue')),
  land: defineAsyncComponent(() => import('./LandSheet.vue')),
  ground: defineAsyncComponent(() => import('./GroundSheet.vue')),
  tape: defineAsyncComponent(() => import('./TapeSheet.vue')),
  square: defineAsyncComponent(() => import('./SquareSheet.vue')),
  setout: defineAsyncComponent(() => import('./SetOutSheet.vue')),
  dayone: defineAsyncComponent(() => import('./DayOneSheet.vue')),
  history: defineAsyncComponent(() => import('./RevisionsSheet.vue')),
}
const current = computed(() => parts[sheet.value])
const wide = computed(() => sheets.find((s) => s.id === sheet.value)?.wide ?? false)
/** What is only looked at is not drawn over. */
const editable = computed(
  () => preview.value.length === 0 || !['bring', 'dayone', 'history'].includes(sheet.value),
)
const preview = shallowRef<Position[][]>([])
const dropped = shallowRef<File | null>(null)
const over = ref(false)
watch(sheet, () => (preview.value = []))

/** A file dropped anywhere on the survey is brought in. */
function drop(e: DragEvent) {
  over.value = false
  const file = e.dataTransfer?.files[0]
  if (!file) return
  sheet.value = 'bring'
  dropped.value = file
}
</script>

<template>
  <div
    class="survey"
    :class="{ over, wide, [sheet]: true }"
    @dragover.prevent="over = true"
    @dragleave.self="over = false"
    @drop.prevent="drop"
  >
    <nav class="sheets no-print" aria-label="Sheets of the survey">
      <button
        v-for="s in sheets"
        :key="s.id"
        :aria-current="sheet === s.id ? 'true' : undefined"
        :data-test="`sheet-${s.id}`"
        @click="sheet = s.id"
      >
        {{ s.text }}
      </button>
    </nav>
    <section class="side" :aria-label="sheets.find((s) => s.id === sheet)?.text">
      <component :is="current" v-model:preview="preview" v-model:dropped="dropped" />
    </section>
    <div v-if="sheet !== 'setout'" class="map-side no-print">
      <PlanView :editable="editable" :preview="preview" />
    </div>
  </div>
</template>

<style scoped>
.survey {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template: 36px minmax(0, 1fr) / 350px minmax(0, 1fr);
}
.survey.wide {
  grid-template-columns: minmax(0, 560px) minmax(0, 1fr);
}
.survey.setout {
  grid-template-columns: minmax(0, 1fr) 0;
}
.survey.over {
  outline: 3px dashed var(--accent);
  outline-offset: -6px;
}
.sheets {
  grid-column: 1 / -1;
  display: flex;
  overflow-x: auto;
  border-bottom: 1px solid var(--rule);
  background: var(--band);
}
.sheets button {
  flex: none;
  padding: 0 13px;
  white-space: nowrap;
  border-right: 1px solid var(--rule);
  font:
    500 15.5px 'Barlow Condensed',
    sans-serif;
  color: var(--ink);
}
.sheets button[aria-current] {
  background: var(--paper);
  box-shadow: inset 0 -3px 0 var(--accent);
  font-weight: 600;
}
.side {
  padding: 14px;
  border-right: 1px solid var(--rule);
  overflow: auto;
  min-width: 0;
}
.map-side {
  position: relative;
  min-width: 0;
}
@media (max-width: 760px) {
  .survey,
  .survey.wide,
  .survey.setout {
    position: static;
    display: block;
  }
  .sheets button {
    padding: 10px 14px;
  }
  .side {
    border-right: 0;
  }
  .map-side {
    height: 62vh;
    border-top: 1px solid var(--rule);
  }
  .survey.setout .map-side {
    display: none;
  }
}
@media print {
  .survey {
    position: static;
    display: block;
  }
  .side {
    border: 0;
    padding: 0;
  }
}
</style>
