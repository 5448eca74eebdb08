import { shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import type { PowerChoices } from '@/api/types'

const choices = shallowRef<PowerChoices | null>(null)

/** Generic energizers and what else can be chosen; asked for once. */
export function usePowerChoices() {
  if (!choices.value) void ask(client.GET('/api/power-choices')).then((c) => (choices.value = c))
  return choices
}
