<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, onUnmounted, ref } from 'vue'
import SheetStage from '@/components/SheetStage.vue'
import { useLive } from '@/model/live'
import { testSheets, useTestSheets } from '@/model/useTestSheets'
import SectionsSheet from './SectionsSheet.vue'

const { sheet } = useTestSheets()
useLive()
const media = window.matchMedia('(max-width: 760px)')
const narrow = ref(media.matches)
const onMedia = () => (narrow.value = media.matches)
onMounted(() => media.addEventListener('change', onMedia))
onUnmounted(() => media.removeEventListener('change', onMedia))
const RoundSheet = defineAsyncComponent(() => import('./RoundSheet.vue'))
const PhoneTest = defineAsyncComponent(() => import('./PhoneTest.vue'))
const parts = {
  list: defineAsyncComponent(() => import('./BeforePower.vue')),
  sections: SectionsSheet,
  yardstick: defineAsyncComponent(() => import('./YardstickSheet.vue')),
  meter: defineAsyncComponent(() => import('./MeterSheet.vue')),
  certificate: defineAsyncComponent(() => import('./CertificateSheet.vue')),
}
const current = computed(() =>
  sheet.value === 'round' ? (narrow.value ? PhoneTest : RoundSheet) : parts[sheet.value],
)
</script>

<template>
  <SheetStage v-model="sheet" :sheets="testSheets" label="Sheets of the test" alone>
    <component :is="current" />
  </SheetStage>
</template>
