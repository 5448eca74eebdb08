import { onMounted, onUnmounted, ref, watch } from 'vue'
import type { Observation } from '@/api/types'
import { useJob } from './jobStore'
import { useReadings } from './readings'
import { useUpkeep } from './upkeep'

/** Whether what others store is being shown. */
export const listening = ref(false)

/** What others store for the open job, meters among them, while a view that shows it is open. */
export function useLive() {
  const job = useJob()
  const readings = useReadings()
  const upkeep = useUpkeep()
  let source: EventSource | undefined

  function listen(id: string) {
    source?.close()
    listening.value = false
    if (!id || typeof EventSource === 'undefined') return
    source = new EventSource(`/api/jobs/${id}/live`)
    source.onopen = () => {
      // What came while nobody listened is asked for.
      if (!listening.value) void Promise.all([readings.reload(id), upkeep.reload(id)])
      listening.value = true
    }
    source.onerror = () => (listening.value = false)
    source.addEventListener('readings', (e) => {
      readings.add(id, JSON.parse((e as MessageEvent<string>).data) as Observation[])
    })
    source.addEventListener('log', () => void upkeep.reload(id))
  }
  let stop: (() => void) | undefined
  onMounted(() => (stop = watch(() => job.id, listen, { immediate: true })))
  onUnmounted(() => {
    stop?.()
    source?.close()
  })
}
