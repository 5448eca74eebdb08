import { ref } from 'vue'

/** One place for short messages: shown at the bottom and read to screen readers. */
const message = ref('')
const action = ref<{ text: string; run: () => void } | null>(null)
const shown = ref(false)

export function useAnnouncements() {
  return { message, action, shown }
}

export function announce(text: string, offer: { text: string; run: () => void } | null = null) {
  message.value = text
  action.value = offer
  shown.value = true
}
