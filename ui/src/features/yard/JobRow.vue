<script setup lang="ts">
import { computed } from 'vue'
import type { JobView } from '@/api/types'
import { dateText, stationText } from '@/shared/units'
import { thumbPath } from './thumb'

const props = defineProps<{ job: JobView }>()
const emit = defineEmits<{ action: [name: string] }>()

const summary = computed(() => props.job.summary)
const path = computed(() => thumbPath(summary.value.outline, 92, 58))
const target = computed(() => {
  const stage =
    summary.value.stage === 'NEW' ? 'survey' : summary.value.stage === 'TESTED' ? 'test' : 'layout'
  return { name: 'job', params: { id: props.job.id, stage } }
})
const worst = computed(() => {
  const s = summary.value.sections
  if (summary.value.stage !== 'TESTED') return 'OPEN'
  return s.broken ? 'BROKEN' : s.warn ? 'WARN' : s.open ? 'OPEN' : 'MET'
})
const actions = computed<[string, string][]>(() => {
  switch (props.job.state) {
    case 'TEMPLATE':
      return [
        ['use', 'New job from this'],
        ['delete', 'Delete'],
      ]
    case 'ARCHIVED':
      return [
        ['unarchive', 'Move back to jobs'],
        ['delete', 'Delete'],
      ]
    case 'DELETED':
      return [['restore', 'Restore']]
    default:
      return [
        ['copy', 'Duplicate'],
        ['template', 'Save as template'],
        ['archive', 'Archive'],
        ['delete', 'Delete'],
      ]
  }
})
</script>

<template>
  <article class="row" :data-test="`job-${job.name}`">
    <svg viewBox="0 0 92 58" width="92" height="58" aria-hidden="true"><path :d="path" /></svg>
    <div class="what">
      <h2>
        <router-link :to="target">{{ job.name }}</router-link>
      </h2>
      <div>
        {{ job.client || 'no client named' }}<template v-if="job.property"> · {{ job.property }}</template>
      </div>
      <div class="quiet-text">{{ summary.animals }}</div>
    </div>
    <div class="length number">
      {{ summary.lengthM ? stationText(summary.lengthM, summary.units) : '' }}
    </div>
    <div class="stand">
      <div v-if="job.upToDate || summary.standing" class="standing" :class="worst">
        {{ summary.standing }}<span v-if="!job.upToDate" class="quiet-text"> (being updated)</span>
      </div>
      <div v-else class="quiet-text">calculating …</div>
      <div v-if="summary.stage === 'TESTED'" class="bar" aria-hidden="true">
        <i v-for="n in summary.sections.met" :key="`m${n}`" class="MET" /><i
          v-for="n in summary.sections.open"
          :key="`o${n}`"
          class="OPEN"
        />
        <i v-for="n in summary.sections.warn" :key="`w${n}`" class="WARN" /><i
          v-for="n in summary.sections.broken"
          :key="`b${n}`"
          class="BROKEN"
        />
      </div>
      <div class="quiet-text">changed {{ dateText(job.changedAt) }}</div>
    </div>
    <v-menu>
      <template #activator="{ props: menu }">
        <v-btn v-bind="menu" :aria-label="`More for ${job.name}`" data-test="more">More</v-btn>
      </template>
      <ul class="menu" role="menu">
        <li v-for="[name, text] in actions" :key="name" role="none">
          <button role="menuitem" @click="emit('action', name)">{{ text }}</button>
        </li>
        <li v-if="job.state === 'ACTIVE'" role="none">
          <a role="menuitem" :href="`/api/jobs/${job.id}/job.geojson`">Job file</a>
        </li>
      </ul>
    </v-menu>
  </article>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 100px 1fr 90px 260px auto;
  gap: 18px;
  align-items: center;
  padding: 14px 0;
  border-bottom: 1px solid var(--rule);
}
svg path {
  fill: none;
  stroke: var(--hot);
  stroke-width: 2;
}
h2 a {
  color: var(--ink);
  text-decoration: none;
}
h2 a:hover {
  text-decoration: underline;
}
.length {
  font-size: 20px;
  text-align: right;
}
.bar {
  display: flex;
  gap: 2px;
  margin: 3px 0;
}
.bar i {
  width: 26px;
  height: 7px;
  background: var(--met);
}
.bar i.BROKEN {
  background: repeating-linear-gradient(135deg, var(--broken) 0 3px, var(--paper) 3px 5px);
}
.bar i.WARN {
  background: var(--warn);
}
.bar i.OPEN {
  background: none;
  border: 1px solid var(--quiet);
  box-sizing: border-box;
}
.menu {
  list-style: none;
  background: var(--paper);
  border: 1px solid var(--rule-strong);
  padding: 4px 0;
}
.menu button,
.menu a {
  display: block;
  width: 100%;
  text-align: left;
  padding: 8px 18px;
  color: var(--ink);
  text-decoration: none;
  box-sizing: border-box;
}
.menu button:hover,
.menu a:hover {
  background: var(--accent-wash);
}
@media (max-width: 760px) {
  .row {
    grid-template-columns: 1fr auto;
  }
  svg,
  .length {
    display: none;
  }
  .stand {
    grid-column: 1;
  }
}
</style>
