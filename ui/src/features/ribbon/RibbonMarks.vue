<script setup lang="ts">
import type { LineLayout } from '@/api/types'
import { useJob } from '@/model/jobStore'
import type { ribbonScale } from './ribbonGeometry'

/** Gates, cut-outs and the energizer on the ribbon. */
const props = defineProps<{
  line: LineLayout
  scale: ReturnType<typeof ribbonScale>
  topM: number
  /** The gates for whose names there is room. */
  named: Set<LineLayout['gates'][number]>
  inPart: (stationM: number) => boolean
}>()
const job = useJob()
const px = (stationM: number) => Math.round(props.scale.x(stationM))
</script>

<template>
  <g>
    <g v-for="g in line.gates.filter((x) => inPart(x.fromM))" :key="g.id" class="gate">
      <path
        :d="`M${scale.x(g.fromM)} ${scale.wire(g.fromM, topM)}L${scale.x(g.toM) + 3} ${scale.ground(g.toM) - 8}`"
        :class="g.kind"
      />
      <text
        v-if="named.has(g)"
        :x="px((g.fromM + g.toM) / 2)"
        :y="scale.wire(g.fromM, topM) - 14"
        text-anchor="middle"
      >
        {{ g.name }}
      </text>
      <title>{{ g.name }}</title>
    </g>
    <g
      v-for="c in line.cutOuts.filter((x) => inPart(x.stationM))"
      :key="c.id"
      class="cut-out"
      :transform="`translate(${scale.x(c.stationM)} ${scale.wire(c.stationM, topM) - 17})`"
    >
      <circle r="7" />
      <path d="M-6.2 -3.6A7 7 0 0 1 5 -5M6.2 3.6A7 7 0 0 1 -5 5" />
      <title>{{ c.name }}</title>
    </g>
    <g
      v-if="job.design?.layout.feed?.lineId === line.lineId"
      :transform="`translate(${scale.x(job.design.layout.feed.stationM)} ${scale.wire(job.design.layout.feed.stationM, topM) - 19})`"
      class="feed"
    >
      <circle r="8.5" />
      <path d="M-6 1h2.6l1.6-5 2.6 8 1.3-3h3.4" />
      <title>energizer</title>
    </g>
  </g>
</template>

<style scoped src="./ribbon.css" />
