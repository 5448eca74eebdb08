<script setup lang="ts">
import { computed } from 'vue'
import RuleChips from '@/components/RuleChips.vue'
import { setWireEnd } from '@/model/bookEdit'
import { useJob } from '@/model/jobStore'

/** At a corner of a line whose wires run on, people say whether the wire ends there all the same. */
const props = defineProps<{ stationM: number }>()
const job = useJob()
const drawn = computed(() => job.plan!.site.lines.find((l) => l.id === job.line?.lineId))
const corner = computed(() => {
  const line = job.line
  if (!drawn.value || !line || line.stringing.way === 'PULL_BY_PULL') return null
  const corners = drawn.value.corners
  const i = line.cornerStationsM.findIndex((s) => Math.abs(s - props.stationM) < 0.06)
  const end = !drawn.value.closed && (i === 0 || i === corners.length - 1)
  return i < 0 || end ? null : corners[i % corners.length]!.id
})
const ends = (e: Event) =>
  job.change((p) => setWireEnd(p, drawn.value!.id, corner.value!, (e.target as HTMLInputElement).checked))
</script>

<template>
  <label v-if="drawn && corner" class="check"
    ><input
      type="checkbox"
      :checked="drawn.book.wireEnds.includes(corner)"
      data-test="wire-ends"
      @change="ends" />
    the wire ends at this corner <RuleChips :rules="['X1']"
  /></label>
</template>

<style scoped src="@/components/fields.css" />
