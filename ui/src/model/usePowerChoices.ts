import { defineStore, storeToRefs } from 'pinia'
import { computed, shallowRef } from 'vue'
import { ask, client } from '@/api/client'
import { spoken, useWords } from './useWords'
import type { PowerChoices } from '@/api/types'

const useStore = defineStore('power-choices', () => {
  const choices = shallowRef<PowerChoices | null>(null)
  let asked: Promise<void> | null = null

  function load() {
    asked ??= ask(client.GET('/api/power-choices')).then(
      (c) => void (choices.value = c),
      () => void (asked = null),
    )
  }
  return { choices, load }
})

/** Generic energizers and what else can be chosen; asked for once. */
export function usePowerChoices() {
  const store = useStore()
  store.load()
  const { choices } = storeToRefs(store)
  const { say } = useWords()
  return computed(() => spoken(choices.value, say))
}
