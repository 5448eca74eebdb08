import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client } from '@/api/client'
import type { PartPlace, Stretch, TakeoffLine } from '@/api/types'
import { useJob } from './jobStore'

/** Where the parts of the takeoff are: what is pointed at lights up on plan and ribbon, a stretch has its own takeoff. */
export const useParts = defineStore('parts', () => {
  const job = useJob()
  const places = shallowRef<PartPlace[]>([])
  const pointed = ref<{ use: string; product: string } | null>(null)
  const stretch = ref<Stretch | null>(null)
  const along = shallowRef<TakeoffLine[] | null>(null)
  let asked: unknown = null

  const lit = computed(() => {
    const p = pointed.value
    return p ? places.value.filter((x) => x.use === p.use && x.product === p.product) : []
  })

  const body = () => ({ plan: job.plan!, land: job.land! })

  /** Places of a design that is not on screen any more are of no use. */
  async function point(line: TakeoffLine | null) {
    pointed.value = line && { use: line.use, product: line.product }
    if (!line || !job.plan || !job.land || asked === job.design) return
    const design = job.design
    asked = design
    places.value = []
    try {
      const found = await ask(client.POST('/api/takeoff/places', { body: body() }))
      if (asked === design) places.value = found
    } catch {
      asked = null
    }
  }

  watch(
    () => [stretch.value, job.design] as const,
    async ([s, design]) => {
      if (!s || !design || !job.plan || !job.land) return void (along.value = null)
      try {
        const found = await ask(client.POST('/api/takeoff/stretch', { body: { ...body(), ...s } }))
        if (stretch.value === s && job.design === design) along.value = found
      } catch {
        along.value = null
      }
    },
  )
  watch(
    () => job.id,
    () => {
      stretch.value = null
      pointed.value = null
    },
  )

  return { lit, stretch, along, point }
})
