import type { Electrics } from '@/api/types'

export type Met = Electrics['points'][number]['met']

/** How a voltage stands, in a word beside its colour. */
export const metWords: Record<Met, string> = {
  MET: 'met',
  WARN: 'just under',
  BROKEN: 'too low',
  UNKNOWN: 'no need known',
}

/** Energy of a pulse: joules, or thousandths of one. */
export function energyText(joules: number): string {
  if (joules >= 0.1) return `${joules.toFixed(2)} J`
  return joules >= 0.0001 ? `${(joules * 1000).toFixed(joules < 0.001 ? 2 : 1)} mJ` : 'next to nothing'
}

export const ohmText = (ohm: number): string =>
  ohm >= 10_000
    ? `${(ohm / 1000).toFixed(0)} kΩ`
    : ohm >= 1000
      ? `${(ohm / 1000).toFixed(1)} kΩ`
      : `${ohm.toFixed(0)} Ω`
