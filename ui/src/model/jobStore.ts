import { defineStore, storeToRefs } from 'pinia'
import { useComputation } from './computation'
import { useCursor } from './cursor'
import { useDocument } from './document'
import { useReadings } from './readings'
import { tellingOf } from './telling'
import { newId } from '@/shared/uuid'
import { computed, watch } from 'vue'
import type { Observation } from '@/api/types'

/** The open job for a view: its documents, what the core makes of them, its readings, and where one is. Each is a store of its own. */
export const useJob = defineStore('job', () => {
  const document = useDocument()
  const computation = useComputation()
  const cursor = useCursor()
  const taken = useReadings()
  const { stored: readings } = storeToRefs(taken)

  /** Those that things are worked out from: all, or what tells most of very many. */
  const telling = computed(() => tellingOf(document.plan, readings.value))

  /** Takes readings once they are kept here; they are sent meanwhile, and the plan then held against all there are. */
  async function takeReadings(readings: Observation[]) {
    await taken.keep(readings)
    void taken.send()
  }
  const takeReading = (reading: Observation) => takeReadings([reading])
  watch(readings, () => document.reassess())

  const { change, changeLand, changeBoth, drag, dragLand, drop, moving, held, load, settle, undo, redo } =
    document
  const { saveNow, saveNamed, restore } = document
  return {
    ...storeToRefs(document),
    ...storeToRefs(computation),
    ...storeToRefs(cursor),
    readings,
    telling,
    change,
    changeLand,
    changeBoth,
    drag,
    dragLand,
    drop,
    moving,
    held,
    load,
    settle,
    undo,
    redo,
    saveNow,
    saveNamed,
    restore,
    goAlongside: computation.goAlongside,
    takeReading,
    takeReadings,
    reassess: document.reassess,
    newId,
  }
})

/** The job a sheet is of: one that is opened gets sheets of its own, and what a sheet still has under way stays with its job. */
export const useOwnJobId = (): string => useJob().id
