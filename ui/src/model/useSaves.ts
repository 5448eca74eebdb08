import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'
import type { Catalogue, Land, Plan } from '@/api/types'
import { useAutosave, type SaveState } from './useAutosave'

const WORST: SaveState[] = ['conflict', 'refused', 'away', 'saving', 'waiting', 'saved']

/** The open job: which it is, and what the server last said of it. */
interface OpenJob {
  id: Ref<string>
  propertyId: Ref<string>
  catalogue: Ref<Catalogue | null>
  revision: Ref<number>
}

/** Where the plan of a job and the land of its property are saved, each by itself. */
export function useSaves({ id, propertyId, catalogue, revision }: OpenJob) {
  const planSave = useAutosave<Plan>(() => {
    const job = id.value
    return {
      key: `buckle.draft.${job}`,
      put: async (doc, baseSaveNo, stretch) => {
        const saved = await ask(
          client.PUT('/api/jobs/{id}/plan', {
            params: { path: { id: job } },
            body: { baseSaveNo, stretch, plan: doc, label: '' },
          }),
        )
        if (job === id.value) revision.value = saved.revision
        return saved
      },
      schema: () => catalogue.value?.planSchema ?? 0,
      upgrade: (plan, schema) =>
        ask(
          client.POST('/api/jobs/plan/upgrade', { body: { schema, plan: plan as Record<string, object> } }),
        ),
    }
  })
  const landSave = useAutosave<Land>(() => {
    const of = propertyId.value
    return {
      key: `buckle.land.${of}`,
      put: (doc, baseSaveNo, stretch) =>
        ask(
          client.PUT('/api/properties/{id}/land', {
            params: { path: { id: of } },
            body: { baseSaveNo, stretch, land: doc },
          }),
        ),
      schema: () => 1,
      upgrade: async (land) => land as Land,
    }
  })
  /** Both as one, because to the person at the plan they are one: the worse state, the later time. */
  const both = {
    state: computed(() => WORST.find((s) => s === planSave.state.value || s === landSave.state.value)!),
    savedAt: computed(
      () =>
        [planSave.savedAt.value, landSave.savedAt.value]
          .filter((t) => t !== null)
          .sort()
          .at(-1) ?? null,
    ),
    conflict: computed(() => planSave.conflict.value ?? landSave.conflict.value),
  }
  return { planSave, landSave, both }
}
