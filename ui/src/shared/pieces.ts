import type { UnitSystem } from '@/api/types'
import { countText, lengthText } from './units'

/** So many pieces, coils or lengths: `12`, `2 × 400 m`. */
export const piecesText = (pieces: number, lengthM: number, units: UnitSystem) =>
  lengthM > 0 ? `${countText(pieces)} × ${lengthText(lengthM, units)}` : countText(pieces)

/** Pieces of an amount of which each is so long. */
export const piecesOf = (amount: number, lengthM: number) =>
  Math.round(lengthM > 0 ? amount / lengthM : amount)
