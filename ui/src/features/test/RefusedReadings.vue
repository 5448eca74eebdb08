<script setup lang="ts">
import { useJob } from '@/model/jobStore'
import type { WaitingReading } from '@/model/outbox'
import { useReadings } from '@/model/readings'
import { dateText, kvText } from '@/shared/units'

/** Readings the server would not store. They stay on this device until somebody drops them. */
const job = useJob()
const readings = useReadings()

function what({ reading }: WaitingReading): string {
  const point = job.testPoints.find((p) => p.id === reading.at.testPointId)
  const shown = 'peakV' in reading.what ? `${kvText(reading.what.peakV)} kV` : 'a reading'
  return `${shown} at ${point?.name ?? reading.at.lineId}, ${dateText(reading.takenAt)}`
}
</script>

<template>
  <section v-if="readings.refused.length" class="refused" aria-label="Readings that were not stored">
    <h3>Not stored</h3>
    <ul>
      <li v-for="r in readings.refused" :key="r.id">
        {{ what(r) }}: {{ r.refused }}
        <button type="button" class="link" data-test="drop-refused" @click="readings.drop(r.id)">
          Discard
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.refused {
  border-left: 4px solid var(--broken);
  padding: 2px 0 2px 10px;
  margin: 8px 0;
}
ul {
  list-style: none;
  padding: 0;
}
</style>
