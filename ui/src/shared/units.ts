import type { UnitSystem } from '@/api/types'

/** Formats and parses what people read and type; everything else is SI. */
const M_PER_FT = 0.3048
const M_PER_IN = M_PER_FT / 12

const grouped = (value: number, places = 0) =>
  value.toLocaleString('en-US', { minimumFractionDigits: places, maximumFractionDigits: places })

/** A length: `812 ft 4 in`, `34 in`, `247.6 m`, `860 mm`. */
export function lengthText(lengthM: number, units: UnitSystem): string {
  if (units === 'METRIC')
    return Math.abs(Math.round(lengthM * 1000)) < 2000 ? `${Math.round(lengthM * 1000)} mm` : `${grouped(lengthM, 1)} m`
  if (Math.abs(lengthM) < 4 * M_PER_FT) return `${trimmed(lengthM / M_PER_IN)} in`
  const inches = Math.round(Math.abs(lengthM) / M_PER_IN)
  const feet = `${lengthM < 0 ? '-' : ''}${grouped(Math.floor(inches / 12))} ft`
  return inches % 12 === 0 ? feet : `${feet} ${inches % 12} in`
}

/** A station or other long length, inches left out: `812 ft`, `248 m`. */
export function stationText(lengthM: number, units: UnitSystem): string {
  return units === 'METRIC' ? `${grouped(lengthM, 0)} m` : `${grouped(lengthM / M_PER_FT, 0)} ft`
}

export function unitName(units: UnitSystem): string {
  return units === 'METRIC' ? 'm' : 'ft'
}

/** Metres of one unit people count in. */
export function unitM(units: UnitSystem): number {
  return units === 'METRIC' ? 1 : M_PER_FT
}

function trimmed(value: number): string {
  const one = value.toFixed(1)
  return one.endsWith('.0') ? one.slice(0, -2) : one
}

const number = (text: string) => Number(text.replace(',', '.'))

/** Metres of what somebody typed; null when it is no length. A bare number is feet or metres by the units in use. */
export function parseLengthM(text: string, units: UnitSystem): number | null {
  const t = text.trim().toLowerCase()
  const metric = /^(\d+(?:[.,]\d+)?)\s*(mm|cm|m)?$/.exec(t)
  if (metric) {
    const factor = { mm: 0.001, cm: 0.01, m: 1 }[metric[2] ?? ''] ?? unitM(units)
    return number(metric[1]!) * factor
  }
  const imperial =
    /^(?:(\d+(?:[.,]\d+)?)\s*(?:ft|feet|foot|'))?\s*(?:(\d+(?:[.,]\d+)?)?(?:\s*(\d+)\/(\d+))?\s*(?:in|inch|inches|"))?$/.exec(
      t,
    )
  if (
    !imperial ||
    t === '' ||
    (imperial[1] === undefined && imperial[2] === undefined && imperial[3] === undefined)
  )
    return null
  const fraction = imperial[3] ? number(imperial[3]) / number(imperial[4]!) : 0
  const metres = number(imperial[1] ?? '0') * M_PER_FT + (number(imperial[2] ?? '0') + fraction) * M_PER_IN
  return Number.isFinite(metres) ? metres : null
}

/** Peak volts as a meter shows them. */
export function kvText(volts: number): string {
  return (volts / 1000).toFixed(1)
}

/** Volts of what somebody read off a meter in kilovolts; null when it is no number. */
export function parseKvV(text: string): number | null {
  const t = text.trim().replace(',', '.')
  if (!/^\d+(\.\d+)?$|^\.\d+$/.test(t)) return null
  return Math.round(Number(t) * 1000)
}

/** A count or quantity with thousands set apart. */
export function countText(value: number): string {
  return Number.isInteger(value) ? grouped(value) : grouped(value, 1)
}

export function dateText(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', {
    day: '2-digit',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
}
