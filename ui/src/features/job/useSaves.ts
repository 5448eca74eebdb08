import type { Ref } from 'vue'
import { ask, client } from '@/api/client'
import type { Land, Plan } from '@/api/types'
import { useAutosave } from './useAutosave'

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
  return { planSave, landSave }
}
