import { defineStore } from 'pinia'
import { keptRef } from '@/shared/kept'

const isHeap = (value: unknown): value is Record<string, number> =>
  typeof value === 'object' && value !== null && Object.values(value).every((n) => typeof n === 'number')

/** Quantities by product of what lies in the barn, as typed; kept on this device, for all jobs. */
export const useHeap = defineStore('heap', () => {
  const have = keptRef<Record<string, number>>('buckle.heap', {}, isHeap)

  function put(product: string, quantity: number | null) {
    const next = { ...have.value }
    if (quantity === null) delete next[product]
    else next[product] = quantity
    have.value = next
  }

  const items = () => Object.entries(have.value).map(([product, quantity]) => ({ product, quantity }))

  const replace = (next: Record<string, number>) => (have.value = next)

  return { have, put, replace, items }
})
