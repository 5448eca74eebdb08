<script setup lang="ts">
import { computed } from 'vue'
import { useJob } from '@/model/jobStore'
import { useWords } from '@/model/useWords'

const props = defineProps<{ stage: string }>()
const emit = defineEmits<{ go: [stage: string]; palette: []; units: [] }>()
const job = useJob()

// 5 is kept for Build.
const stages = [
  { n: 1, id: 'survey', text: 'Survey' },
  { n: 2, id: 'layout', text: 'Layout' },
  { n: 3, id: 'electrics', text: 'Electrics' },
  { n: 4, id: 'takeoff', text: 'Takeoff' },
  { n: 6, id: 'test', text: 'Test' },
  { n: 7, id: 'faults', text: 'Faults' },
]
const done = computed(() => ({
  survey: (job.plan?.site.lines.length ?? 0) > 0,
  layout: (job.design?.layout.lines.length ?? 0) > 0 && !!job.plan?.site.energizer,
  electrics: !!job.plan?.spec.supply.energizer,
  takeoff: false,
  faults: false,
  test:
    (job.assessment?.sections.length ?? 0) > 0 && job.assessment?.sections.every((s) => s.standing === 'MET'),
}))
const { say } = useWords()
const wires = computed(() => {
  const w = job.plan?.spec.fence.schedule.wires ?? []
  const earth = w.filter((x) => x.role === 'EARTH').length
  return `${w.length} wire${w.length === 1 ? '' : 's'}${earth ? `, ${earth} ${say('earth')}` : ', all hot'}`
})
const animals = computed(() =>
  (job.plan?.spec.fence.animals ?? [])
    .map((a) => job.catalogue?.animals.find((x) => x.id === a)?.name ?? a)
    .join(' and '),
)
const save = computed(() => {
  const time = job.savedAt
    ? new Date(job.savedAt).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
    : ''
  return {
    saved: time ? `Saved ${time}` : 'Saved',
    saving: 'Saving …',
    waiting: 'Saving …',
    away: 'Server away; kept here',
    refused: 'Not saved: see the note',
    conflict: 'Saved elsewhere too',
  }[job.saveState]
})
</script>

<template>
  <header class="head no-print">
    <div class="title">
      <router-link to="/" class="home" aria-label="Back to the yard"
        ><img src="/buckle.svg" alt="" width="22" height="22" />Buckle</router-link
      >
      <h1>{{ job.name }}</h1>
      <span class="quiet-text about">{{ [job.property, animals, wires].filter(Boolean).join(' · ') }}</span>
      <span class="spring" />
      <span class="quiet-text save" :class="job.saveState" role="status" data-test="save-state">{{
        save
      }}</span>
      <button class="tool" :disabled="!job.canUndo" aria-label="Undo" title="Undo (Ctrl Z)" @click="job.undo">
        <svg viewBox="0 0 24 24" width="18"><path d="M9 6L4 11l5 5M4 11h11a5 5 0 010 10h-3" /></svg>
      </button>
      <button
        class="tool"
        :disabled="!job.canRedo"
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        @click="job.redo"
      >
        <svg viewBox="0 0 24 24" width="18"><path d="M15 6l5 5-5 5M20 11H9a5 5 0 000 10h3" /></svg>
      </button>
      <button
        class="tool units"
        data-test="units"
        :aria-label="say('Switch between feet and metres')"
        @click="emit('units')"
      >
        <b v-if="job.units === 'FT_IN'">ft-in</b><span v-else>ft-in</span> |
        <b v-if="job.units === 'METRIC'">m</b><span v-else>m</span>
      </button>
      <button class="key" title="All commands" @click="emit('palette')">Ctrl K</button>
    </div>
    <nav class="stages" aria-label="Stages">
      <button
        v-for="s in stages"
        :key="s.id"
        :aria-current="props.stage === s.id ? 'page' : undefined"
        :data-test="`stage-${s.id}`"
        @click="emit('go', s.id)"
      >
        <small>{{ s.n }}</small> {{ s.text
        }}<span v-if="done[s.id as keyof typeof done]" class="done" aria-label="done">✓</span>
      </button>
    </nav>
  </header>
</template>

<style scoped>
.title {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 0 14px;
  height: 44px;
  border-bottom: 2px solid var(--rule-strong);
}
.home {
  display: inline-flex;
  gap: 7px;
  align-items: center;
  color: var(--ink);
  text-decoration: none;
  font:
    600 20px 'Barlow Condensed',
    sans-serif;
}
h1 {
  font-size: 20px;
  white-space: nowrap;
}
.about {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.spring {
  flex: 1;
}
.save {
  white-space: nowrap;
}
.save.away,
.save.refused,
.save.conflict {
  color: var(--broken);
  font-weight: 700;
}
.tool {
  color: var(--ink);
  padding: 4px;
  line-height: 0;
}
.tool.units {
  line-height: 1.2;
  white-space: nowrap;
}
.tool:disabled {
  opacity: 0.3;
}
.tool svg path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2;
}
.stages {
  display: flex;
  border-bottom: 1px solid var(--rule);
}
.stages button {
  font:
    600 18px 'Barlow Condensed',
    sans-serif;
  padding: 6px 20px 6px 14px;
  border-right: 1px solid var(--rule);
  color: var(--ink);
}
.stages small {
  font-size: 13px;
  margin-right: 3px;
}
.stages button[aria-current] {
  background: var(--ink);
  color: var(--on-ink);
}
.done {
  color: var(--met);
  margin-left: 6px;
}
[aria-current] .done {
  color: inherit;
}
@media (max-width: 760px) {
  .about,
  .key,
  .tool,
  .home {
    display: none;
  }
  .title {
    background: var(--ink);
    color: var(--on-ink);
  }
  .title .save {
    color: var(--on-ink);
  }
  .stages button {
    flex: 1;
    padding: 8px 2px;
    font-size: 16px;
    min-width: 0;
  }
  .stages .done {
    margin-left: 1px;
    font-size: 12px;
  }
}
</style>
