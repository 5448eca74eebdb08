<script setup lang="ts">
import { ref, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import { newId } from '@/shared/uuid'

const open = defineModel<boolean>({ required: true })
const emit = defineEmits<{ made: [id: string] }>()
const name = ref('')
const owner = ref('')
const property = ref('')
const failure = ref('')

/** Made here, so that asking twice makes one job. */
let id = newId()

watch(open, () => {
  failure.value = ''
  id = newId()
})

async function make() {
  try {
    const made = await ask(
      client.POST('/api/jobs', {
        body: { name: name.value, client: owner.value, property: property.value, id },
      }),
    )
    open.value = false
    emit('made', made.id)
  } catch (e) {
    failure.value = e instanceof RequestFailed ? e.message : 'The job could not be made.'
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="460" aria-label="New job">
    <v-card class="pa-5">
      <form @submit.prevent="make">
        <h2 class="mb-5">New job</h2>
        <v-text-field
          v-model="name"
          autofocus
          label="Name of the job"
          class="mb-3"
          data-test="job-name"
          :error-messages="failure"
        />
        <v-text-field v-model="owner" label="Client" class="mb-3" />
        <v-text-field v-model="property" label="Property" class="mb-4" />
        <v-btn class="strong mr-2" type="submit" data-test="make-job">Create</v-btn>
        <v-btn @click="open = false">Cancel</v-btn>
      </form>
    </v-card>
  </v-dialog>
</template>
