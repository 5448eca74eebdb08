<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { Certificate } from '@/api/types'
import CertificatePage from './CertificatePage.vue'

/** A certificate for whoever only reads it. */
const props = defineProps<{ number: string }>()
const certificate = shallowRef<Certificate | null>(null)
const problem = ref('')
watch(
  () => props.number,
  async (number) => {
    try {
      certificate.value = await ask(
        client.GET('/api/certificates/{number}', { params: { path: { number: Number(number) } } }),
      )
      problem.value = ''
    } catch (e) {
      certificate.value = null
      problem.value = failureText(e, 'The certificate could not be read.')
    }
  },
  { immediate: true },
)
</script>

<template>
  <main class="page">
    <p v-if="problem" class="weak" role="alert">{{ problem }}</p>
    <CertificatePage v-if="certificate" :certificate="certificate" />
    <p class="small no-print"><router-link to="/">To the yard</router-link></p>
  </main>
</template>

<style scoped>
.page {
  max-width: 980px;
  margin: 0 auto;
  padding: 16px;
}
.weak {
  color: var(--broken);
}
</style>
