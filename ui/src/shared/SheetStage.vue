<script setup lang="ts" generic="T extends string">
/** A stage of many sheets: tabs above, the open sheet at the side, the plan beside it. */
defineProps<{
  sheets: { id: T; text: string; wide: boolean }[]
  label: string
  /** Without the plan. */
  alone?: boolean
}>()
const sheet = defineModel<T>({ required: true })
</script>

<template>
  <div
    class="stage"
    :class="{ wide: sheets.find((s) => s.id === sheet)?.wide, alone, [sheet]: true }"
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
        {{ s.text }}
      </button>
    </nav>
    <section class="side" :aria-label="sheets.find((s) => s.id === sheet)?.text"><slot /></section>
    <div v-if="!alone" class="map-side no-print"><slot name="plan" /></div>
  </div>
</template>

<style scoped>
.stage {
  position: absolute;
  inset: 0;
  display: grid;
  grid-template: 36px minmax(0, 1fr) / 350px minmax(0, 1fr);
}
.stage.wide {
  grid-template-columns: minmax(0, 560px) minmax(0, 1fr);
}
.stage.alone {
  grid-template-columns: minmax(0, 1fr) 0;
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
  border-right: 1px solid var(--rule);
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
  .stage.wide,
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
