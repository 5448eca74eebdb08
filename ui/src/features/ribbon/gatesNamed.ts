import type { LineLayout } from '@/api/types'
import type { RibbonScale } from './ribbonGeometry'

type GatePlace = LineLayout['gates'][number]
const HALF_LETTER_PX = 3.2
const APART_PX = 4

/** Gates whose names have room: one that would cover the name before it is left to its title. */
export function gatesNamed(gates: GatePlace[], scale: RibbonScale | null): Set<GatePlace> {
  let free = -Infinity
  return new Set(
    gates.filter((g) => {
      const x = scale?.x((g.fromM + g.toM) / 2) ?? 0
      const half = HALF_LETTER_PX * g.name.length
      if (x - half < free) return false
      free = x + half + APART_PX
      return true
    }),
  )
}
