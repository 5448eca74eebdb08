import type { EarthRod, Electrics } from '@/api/types'
import { kvText } from '@/shared/units'

export type Met = Electrics['points'][number]['met']

/** What serves as a ground rod. */
export const earthKinds: Record<EarthRod['kind'], string> = {
  ROD: 'ground rod',
  PIPE: 'steel pipe',
  SPIKE: 'metal spike',
  ANGLE_IRON: 'angle iron',
  OLD_FENCE: 'post of an old metal fence',
}

/** How a voltage stands, in a word beside its colour. */
export const metWords: Record<Met, string> = {
  MET: 'met',
  WARN: 'just under',
  BROKEN: 'too low',
  OPEN: 'no need known',
}

/** How strong the pulse is beside the need: what the plan's lines are drawn by. */
export type Band = 'off' | 'BROKEN' | 'WARN' | 'MET' | 'AMPLE' | 'OPEN'

type Bands = NonNullable<Electrics['bands']>

export function bandOf(p: { likelyV: number; met: Met }, bands: Bands | null): Band {
  if (p.likelyV < 1) return 'off'
  return bands && p.likelyV >= bands.ampleV ? 'AMPLE' : p.met
}

/** The bands a fence can show, each with its kilovolts in words. */
export function bandWords(bands: Bands | null): { band: Band; text: string }[] {
  const off = { band: 'off' as const, text: 'no pulse' }
  if (!bands) return [{ band: 'OPEN', text: 'no need known' }, off]
  const kv = (volts: number) => kvText(volts)
  return [
    { band: 'AMPLE', text: `${kv(bands.ampleV)} kV and more, ample` },
    { band: 'MET', text: `${kv(bands.metV)} kV and more, met` },
    { band: 'WARN', text: `${kv(bands.warnV)} to ${kv(bands.metV)} kV, just under` },
    { band: 'BROKEN', text: `under ${kv(bands.warnV)} kV, too low` },
    off,
  ]
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
