import { computed, type Ref } from 'vue'
import { ask, client } from '@/api/client'
import type { Land, Plan } from '@/api/types'
import { useAutosave, type SaveState } from './useAutosave'

const WORST: SaveState[] = ['conflict', 'refused', 'away', 'saving', 'waiting', 'saved']

/** Where the plan of a job and the land of its property are saved, each by itself. */
export function useSaves(
  jobId: Ref<string>,
  propertyId: Ref<string>,
  onRevision: (revision: number) => void,
) {
  const planSave = useAutosave<Plan>({
    key: () => `buckle.draft.${jobId.value}`,
    put: async (doc, baseSaveNo, stretch) => {
      const saved = await ask(
        client.PUT('/api/jobs/{id}/plan', {
          params: { path: { id: jobId.value } },
          body: { baseSaveNo, stretch, plan: doc, label: '' },
        }),
      )
      onRevision(saved.revision)
      return saved
    },
  })
  const landSave = useAutosave<Land>({
    key: () => `buckle.land.${propertyId.value}`,
    put: (doc, baseSaveNo, stretch) =>
      ask(
        client.PUT('/api/properties/{id}/land', {
          params: { path: { id: propertyId.value } },
          body: { baseSaveNo, stretch, land: doc },
        }),
      ),
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
