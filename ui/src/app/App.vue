<script setup lang="ts">
import { useTheme } from 'vuetify'
import { onMounted, ref, watch } from 'vue'
import { useAnnouncements } from '@/shared/announce'
import KeyList from './KeyList.vue'
import { useLook } from '@/shared/look'
import { useDownloads } from './useDownloads'
import WaitingNote from './WaitingNote.vue'

const { message, action, shown } = useAnnouncements()
const { look } = useLook()
const theme = useTheme()
const keysOpen = ref(false)
useDownloads()

watch(
  look,
  (value) => {
    document.documentElement.dataset.look = value
    theme.change(value)
  },
  { immediate: true },
)

function onKey(e: KeyboardEvent) {
  const field = (e.target as HTMLElement).closest('input, textarea, select, [contenteditable]')
  if (e.key === '?' && !field) {
    keysOpen.value = true
    e.preventDefault()
  }
}
onMounted(() => window.addEventListener('keydown', onKey))
</script>

<template>
  <v-app>
    <router-view />
    <WaitingNote />
    <KeyList v-model="keysOpen" />
    <v-snackbar
      v-model="shown"
      :timeout="action ? 9000 : 6000"
      location="top"
      rounded="0"
      color="#1b232d"
      class="no-print"
    >
      <span role="status">{{ message }}</span>
      <template v-if="action" #actions>
        <v-btn variant="text" color="#f5b48c" @click="(action.run(), (shown = false))">{{
          action.text
        }}</v-btn>
      </template>
    </v-snackbar>
  </v-app>
</template>
