<script setup lang="ts">
import { computed } from 'vue'
import type { LineLayout } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { postKinds } from '@/model/layoutWords'
import { kvText, lengthText, stationText } from '@/shared/units'
import { useRoom } from '@/model/room'
import type { useRibbonWindow } from './useRibbonWindow'

const props = defineProps<{
  line: LineLayout | undefined
  part: ReturnType<typeof useRibbonWindow>
  /** How much steeper the ground is drawn than it is; 0 where no height is known. */
  groundTimes: number
  /** Whether only the figures are shown. */
  folded: boolean
  /** What stands above the fence, and the voltage needed in it. */
  lane: { text: string; needV: number | null } | null
}>()
const loads = defineModel<boolean>('loads', { required: true })
const job = useJob()
const room = useRoom()

const says = computed(() => {
  const line = props.line
  if (!line) return ''
  const parts = [
    `pulled straight, ${stationText(line.lengthM, job.units)}`,
    `station 0 at ${line.posts[0]?.label ?? ''}`,
  ]
  if (props.lane) {
    const need = props.lane.needV === null ? '' : `; dashed: ${kvText(props.lane.needV)} kV needed`
    parts.push(`above: ${props.lane.text}${need}`)
  }
  if (!props.folded) {
    const times = props.groundTimes
    const ground = times > 0 ? `, ground × ${times.toFixed(times < 10 ? 1 : 0)}` : ''
    parts.push(`wires to scale among themselves${ground}`)
  }
  return parts.join(' · ')
})
const times = computed(() => props.part.times.value)
const at = computed(() => {
  const m = job.cursorM
  if (m === null) return ''
  const post = props.line?.posts.find((p) => Math.abs(p.stationM - m) < 0.05)
  const kind = post ? ` · ${postKinds[post.kind].toLowerCase()} ${post.label || post.number}` : ''
  return lengthText(m, job.units) + kind
})
</script>

<template>
  <header>
    <template v-if="line">
      <select v-if="(job.design?.layout.lines.length ?? 0) > 1" v-model="job.lineId" aria-label="Line shown">
        <option v-for="l in job.design?.layout.lines" :key="l.lineId" :value="l.lineId">{{ l.name }}</option>
      </select>
      <b v-else class="heading">{{ line.name }}</b>
      <span class="says quiet-text" :title="says">{{ says }}</span>
      <span class="at" data-test="cursor-text">{{ at }}</span>
      <label v-if="!lane && room.ribbonOpen" class="loads"
        ><input v-model="loads" type="checkbox" data-test="loads" /> loads</label
      >
      <span class="zoom">
        <button aria-label="Show more of the line" title="wider, key −" @click="part.wider()">−</button>
        <button aria-label="Show the whole line" title="the whole line, key 0" @click="part.whole()">
          {{ times === 1 ? 'whole' : `× ${times.toFixed(times < 10 ? 1 : 0)}` }}
        </button>
        <button aria-label="Closer" title="closer, key +" data-test="ribbon-closer" @click="part.closer()">
          +
        </button>
      </span>
      <span class="zoom">
        <button
          :aria-expanded="room.ribbonOpen"
          :title="!room.ribbonOpen ? 'show the fence again, key R' : 'leave only the figures, key R'"
          data-test="ribbon-fold"
          @click="room.toggleRibbon()"
        >
          {{ room.ribbonOpen ? 'fold' : 'unfold' }}
        </button>
      </span>
    </template>
    <span v-else class="quiet-text">The line appears here, pulled straight, as soon as one is laid out.</span>
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: baseline;
  gap: 8px;
  padding: 6px 14px 0;
  min-height: 28px;
}
select {
  font:
    600 16px 'Barlow Condensed',
    sans-serif;
  border: 1px solid var(--rule);
  background: var(--paper);
  color: var(--ink);
  padding: 0 6px;
}
.heading {
  font-size: 16px;
  white-space: nowrap;
}
.says {
  flex: 1;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.at {
  color: var(--accent);
  font-weight: 700;
  white-space: nowrap;
}
.loads {
  font-size: 13px;
  display: flex;
  gap: 4px;
  align-items: center;
}
.zoom {
  display: inline-flex;
  border: 1px solid var(--rule);
  background: var(--paper);
}
.zoom button {
  padding: 0 9px;
  border-right: 1px solid var(--rule);
}
.zoom button:last-child {
  border-right: 0;
}
@media (max-width: 760px) {
  .says {
    display: none;
  }
  select {
    min-width: 0;
    flex: 0 1 auto;
  }
  header {
    flex-wrap: wrap;
  }
  .at {
    order: 1;
    flex: 0 0 100%;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  .at:empty {
    display: none;
  }
  .zoom {
    flex: none;
  }
}
</style>
