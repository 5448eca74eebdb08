<script setup lang="ts" generic="T extends string">
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { PLAN_SHEET_PX, READING_SHARE, useRoom } from '@/model/room'
import PaneDivider from './PaneDivider.vue'
import { useWords } from '@/model/useWords'

/** A stage of many sheets: tabs above, the open sheet at the side, the plan beside it, and a divider between them to drag. */
const props = defineProps<{
  sheets: { id: T; text: string; wide: boolean }[]
  label: string
  /** Without the plan. */
  alone?: boolean
}>()
const sheet = defineModel<T>({ required: true })
const room = useRoom()
const { say } = useWords()
const host = ref<HTMLElement>()
const widthPx = ref(1000)
const reading = computed(() => props.sheets.find((s) => s.id === sheet.value)?.wide ?? false)
const sidePx = computed(
  () => room.sheetPx(widthPx.value) ?? (reading.value ? widthPx.value * READING_SHARE : PLAN_SHEET_PX),
)
let observer: ResizeObserver | undefined
onMounted(() => {
  observer = new ResizeObserver((entries) => (widthPx.value = entries[0]!.contentRect.width))
  if (host.value) observer.observe(host.value)
})
onUnmounted(() => observer?.disconnect())

/** On a phone the tabs are wider than the screen: the open one is brought into view. */
async function showTab() {
  await nextTick()
  const tab = host.value?.querySelector<HTMLElement>('.sheets [aria-current]')
  const row = tab?.parentElement
  if (tab && row) row.scrollLeft = tab.offsetLeft - row.offsetLeft - (row.clientWidth - tab.offsetWidth) / 2
}
onMounted(showTab)
watch(sheet, showTab)
</script>

<template>
  <div
    ref="host"
    class="stage"
    :class="{ alone, [sheet]: true }"
    :style="{ '--side': `${Math.round(sidePx)}px` }"
    @dragover.prevent
  >
    <nav class="sheets no-print" :aria-label="label">
      <button
        v-for="s in sheets"
        :key="s.id"
        :aria-current="sheet === s.id ? 'true' : undefined"
        :data-test="`sheet-${s.id}`"
        @click="sheet = s.id"
      >
        {{ say(s.text) }}
      </button>
    </nav>
    <section class="side" :aria-label="sheets.find((s) => s.id === sheet)?.text"><slot /></section>
    <PaneDivider
      v-if="!alone"
      label="Width of the sheet"
      :px="sidePx"
      data-test="divide-sheet"
      @drag="room.dragSheet"
      @reset="room.resetSheet"
    />
    <div v-if="!alone" class="map-side no-print"><slot name="plan" /></div>
  </div>
</template>

<style scoped>
.stage {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template: 36px minmax(0, 1fr) / var(--side) 7px minmax(0, 1fr);
}
.stage.alone {
  grid-template-columns: minmax(0, 1fr);
}
.stage.over {
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
  overflow: auto;
  min-width: 0;
  contain: strict;
}
.map-side {
  position: relative;
  min-width: 0;
  contain: strict;
}
@media (max-width: 760px) {
  .stage,
  .stage.alone {
    position: static;
    display: block;
  }
  .sheets button {
    padding: 10px 14px;
  }
  .side,
  .map-side {
    contain: none;
  }
  .side {
    border-right: 0;
  }
  .map-side {
    height: 62vh;
    border-top: 1px solid var(--rule);
  }
}
@media print {
  .stage {
    position: static;
    display: block;
  }
  .side {
    border: 0;
    padding: 0;
    contain: none;
  }
}
</style>
