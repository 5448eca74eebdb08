import { defineStore, storeToRefs } from 'pinia'
import { useComputation } from './computation'
import { useCursor } from './cursor'
import { useDocument } from './document'
import { useReadings } from './readings'
import { newId } from '@/shared/uuid'
import { watch } from 'vue'
import type { Observation } from '@/api/types'

/** The open job for a view: its documents, what the core makes of them, its readings, and where one is. Each is a store of its own. */
export const useJob = defineStore('job', () => {
  const document = useDocument()
  const computation = useComputation()
  const cursor = useCursor()
  const taken = useReadings()
  const { stored: readings } = storeToRefs(taken)

  /** Takes a reading once it is kept here; it is sent meanwhile, and the plan then held against all there are. */
  async function takeReading(reading: Observation) {
    await taken.keep(reading)
    void taken.send()
  }
  watch(readings, () => document.reassess())

  const { change, changeLand, changeBoth, drag, dragLand, drop, moving, held, load, settle, undo, redo } =
    document
  const { saveNow, saveNamed, restore } = document
  return {
    ...storeToRefs(document),
    ...storeToRefs(computation),
    ...storeToRefs(cursor),
    readings,
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
    reassess: document.reassess,
    newId,
  }
})
