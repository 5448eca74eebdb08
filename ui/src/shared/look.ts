import { ref, watch } from 'vue'
import { keepText, keptText } from './kept'

export type Look = 'paper' | 'sunlight' | 'dark'
const looks: Look[] = ['paper', 'sunlight', 'dark']
const stored = keptText('buckle.look') as Look | null
const look = ref<Look>(stored && looks.includes(stored) ? stored : 'paper')

watch(look, (value) => keepText('buckle.look', value))

/** Paper, sunlight or dark. */
export function useLook() {
  return { look, looks, next: () => (look.value = looks[(looks.indexOf(look.value) + 1) % looks.length]!) }
}
