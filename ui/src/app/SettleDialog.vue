<script setup lang="ts">
import { computed, ref } from 'vue'
import { announce } from '@/shared/announce'
import { useJob } from '@/model/jobStore'

const job = useJob()
const busy = ref(false)
const open = computed(() => job.saveState === 'conflict')

async function settle(mine: boolean) {
  busy.value = true
  try {
    await job.settle(mine)
    announce(
      mine
        ? 'Your plan is the current one; the other stays in the history.'
        : 'The other plan is open; yours stays in the history.',
    )
  } catch {
    announce('That did not work. Both plans are kept; try again.')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <v-dialog :model-value="open" persistent max-width="480" aria-label="Saved elsewhere">
    <v-card class="pa-5">
      <h2>This plan was saved elsewhere in the meantime</h2>
      <p class="my-3">
        Nothing is lost: the other one is the current revision {{ job.conflict?.currentRevision }}, yours is
        kept as revision {{ job.conflict?.keptRevision }}.
      </p>
      <v-btn class="mr-2" :disabled="busy" data-test="take-theirs" @click="settle(false)"
        >Continue with the other</v-btn
      >
      <v-btn class="strong" :disabled="busy" data-test="take-mine" @click="settle(true)"
        >Make mine current</v-btn
      >
    </v-card>
  </v-dialog>
</template>
