import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { RequestFailed, ask, client, failureText } from '@/api/client'
import type { KitsState } from '@/api/types'

type Kit = KitsState['kits'][number]

/** Kits of the house, stored at once when one is changed. */
export const useKits = defineStore('kits', () => {
  const state = shallowRef<KitsState>({ revision: 0, kits: [], unknown: [] })
  const problem = ref('')

  async function load() {
    try {
      state.value = await ask(client.GET('/api/kits'))
      problem.value = ''
    } catch (e) {
      problem.value = failureText(e, 'The kits could not be read.')
    }
  }

  async function save(kits: Kit[]) {
    try {
      state.value = await ask(client.PUT('/api/kits', { body: { baseRevision: state.value.revision, kits } }))
      problem.value = ''
    } catch (e) {
      problem.value = failureText(e, 'The kits could not be stored.')
      if (e instanceof RequestFailed && e.status === 409) {
        const said = problem.value
        await load()
        problem.value = said
      }
    }
  }

  const named = (name: string) => state.value.kits.find((k) => k.name === name)
  const put = (kit: Kit) => save([...state.value.kits.filter((k) => k.name !== kit.name), kit])
  const remove = (name: string) => save(state.value.kits.filter((k) => k.name !== name))

  return { state, problem, load, named, put, remove }
})
