import { onMounted, onUnmounted } from 'vue'

/** Runs a handler for keys pressed outside fields and dialogs; it answers true when it used the key. */
export function useKeys(handle: (e: KeyboardEvent) => boolean) {
  function onKey(e: KeyboardEvent) {
    const target = e.target as HTMLElement
    const field = target.closest?.(
      'input, textarea, select, [contenteditable], [role="dialog"], .v-overlay__content',
    )
    if (field || document.querySelector('.v-dialog.v-overlay--active')) return
    if (handle(e)) e.preventDefault()
  }
  onMounted(() => window.addEventListener('keydown', onKey))
  onUnmounted(() => window.removeEventListener('keydown', onKey))
}
