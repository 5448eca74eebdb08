<script setup lang="ts">
defineProps<{ jobId: string }>()
</script>

<template>
  <h3 class="mt-4">Export</h3>
  <p class="small quiet-text">The plan as it is saved, in formats other programs open.</p>
  <p class="exports">
    <a :href="`/api/jobs/${jobId}/job.geojson`">Job file</a>
    <a :href="`/api/jobs/${jobId}/layout.geojson`">GeoJSON</a>
    <a :href="`/api/jobs/${jobId}/strong-posts.gpx`">GPX for a handheld</a>
    <a :href="`/api/jobs/${jobId}/map.kml`">KML</a>
    <a :href="`/api/jobs/${jobId}/plan.dxf`">DXF</a>
    <a :href="`/api/jobs/${jobId}/posts.csv`">Posts as CSV</a>
  </p>
</template>

<style scoped>
.exports {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
