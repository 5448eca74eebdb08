import { onMounted, onUnmounted, ref, watch } from 'vue'
import type { Observation } from '@/api/types'
import { useJob } from './jobStore'
import { useReadings } from './readings'

/** Whether what meters send is being shown. */
export const listening = ref(false)

/** Readings of the open job as meters send them, while a view that shows them is open. */
export function useLive() {
  const job = useJob()
  const readings = useReadings()
  let source: EventSource | undefined

  function listen(id: string) {
    source?.close()
    listening.value = false
    if (!id || typeof EventSource === 'undefined') return
    source = new EventSource(`/api/jobs/${id}/live`)
    source.onopen = () => {
      // What came while nobody listened is asked for.
      if (!listening.value) void readings.reload(id)
      listening.value = true
    }
    source.onerror = () => (listening.value = false)
    source.addEventListener('readings', (e) => {
      readings.add(id, JSON.parse((e as MessageEvent<string>).data) as Observation[])
    })
  }
  let stop: (() => void) | undefined
  onMounted(() => (stop = watch(() => job.id, listen, { immediate: true })))
  onUnmounted(() => {
    stop?.()
    source?.close()
  })
}
