<script setup lang="ts">
import { computed } from 'vue'
import type { Finding } from '@/api/types'
import { stationText } from '@/shared/units'
import { useJob } from '@/model/jobStore'

const props = defineProps<{ finding: Finding }>()
const job = useJob()
/** Further places are counted. */
const LISTED = 8
const shown = computed(() => props.finding.places.length > 1 || !!props.finding.places[0]?.what)
/** Along the fence, though the sentence speaks of the first, which is the worst. */
const places = computed(() => {
  const at = new Map(job.design?.layout.lines.map((l, i) => [l.lineId, i]))
  return props.finding.places
    .slice(0, LISTED)
    .sort((a, b) => at.get(a.lineId)! - at.get(b.lineId)! || a.stationM - b.stationM)
})
const several = computed(() => (job.design?.layout.lines.length ?? 0) > 1)
const lineName = (id: string) => job.design?.layout.lines.find((l) => l.lineId === id)?.name ?? id

function go(p: { lineId: string; stationM: number }) {
  job.lineId = p.lineId
  job.cursorM = p.stationM
}
</script>

<template>
  <span v-if="shown" class="places">
    <button v-for="(p, k) in places" :key="k" class="link" data-test="finding-place" @click="go(p)">
      {{ p.what || `${several ? lineName(p.lineId) + ' ' : ''}${stationText(p.stationM, job.units)}` }}
    </button>
    <template v-if="finding.places.length > LISTED">and {{ finding.places.length - LISTED }} more</template>
  </span>
</template>

<style scoped>
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  font-size: 12px;
}
.link {
  color: var(--accent);
  text-decoration: underline;
}
</style>
