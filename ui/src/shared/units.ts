import type { UnitSystem } from '@/api/types'

/** Formats and parses what people read and type; everything else is SI. */
const M_PER_FT = 0.3048
const M_PER_IN = M_PER_FT / 12

/** Made once: a ruler asks for dozens of numbers at every picture. */
const formats = [0, 1, 2, 3].map(
  (places) =>
    new Intl.NumberFormat('en-US', { minimumFractionDigits: places, maximumFractionDigits: places }),
)
const grouped = (value: number, places: 0 | 1 | 2 | 3 = 0) => formats[places]!.format(value)

/** A length: `812 ft 4 in`, `34 in`, `247.6 m`, `860 mm`. */
export function lengthText(lengthM: number, units: UnitSystem): string {
  if (units === 'METRIC') {
    const mm = Math.round(lengthM * 1000)
    if (mm === 0) return '0 m'
    return Math.abs(mm) < 2000 ? `${mm} mm` : `${grouped(lengthM, 1)} m`
  }
  if (Math.abs(lengthM) < 0.05 * M_PER_IN) return '0 ft'
  if (Math.abs(lengthM) < 4 * M_PER_FT) return `${trimmed(lengthM / M_PER_IN)} in`
  const inches = Math.round(Math.abs(lengthM) / M_PER_IN)
  const feet = `${lengthM < 0 ? '-' : ''}${grouped(Math.floor(inches / 12))} ft`
  return inches % 12 === 0 ? feet : `${feet} ${inches % 12} in`
}

/** A length as a tape reads it: to 5 mm, or to the 1/8 in. */
export function tapedText(lengthM: number, units: UnitSystem): string {
  if (units === 'METRIC') {
    const rounded = Math.round(lengthM / 0.005) * 0.005
    return Math.abs(rounded) < 1 ? `${Math.round(rounded * 1000)} mm` : `${grouped(rounded, 3)} m`
  }
  const eighths = Math.round((Math.abs(lengthM) / M_PER_IN) * 8)
  const feet = Math.floor(eighths / 96)
  const inches = Math.floor((eighths % 96) / 8)
  const part = eighths % 8
  const divisor = part % 4 === 0 ? 4 : part % 2 === 0 ? 2 : 1
  const fraction = part === 0 ? '' : `${part / divisor}/${8 / divisor}`
  const small = [inches > 0 || (part === 0 && feet === 0) ? String(inches) : '', fraction]
    .filter(Boolean)
    .join(' ')
  const whole = [feet > 0 ? `${grouped(feet)} ft` : '', small ? `${small} in` : ''].filter(Boolean).join(' ')
  return lengthM < 0 && eighths > 0 ? `-${whole}` : whole
}

/** A station or other long length, inches left out: `812 ft`, `248 m`. */
export function stationText(lengthM: number, units: UnitSystem): string {
  return units === 'METRIC' ? `${grouped(lengthM, 0)} m` : `${grouped(lengthM / M_PER_FT, 0)} ft`
}

/** An area: `1.24 ha` or `3.06 acres`; small ones in square metres or feet. */
export function areaText(areaM2: number, units: UnitSystem): string {
  if (units === 'METRIC') return areaM2 < 5000 ? `${grouped(areaM2)} m²` : `${grouped(areaM2 / 10_000, 2)} ha`
  const acres = areaM2 / 4046.8564224
  return acres < 0.5 ? `${grouped(areaM2 / (M_PER_FT * M_PER_FT))} sq ft` : `${grouped(acres, 2)} acres`
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

/** Metres of what somebody typed; null when it is not a length. A bare number is feet or metres by the units in use. */
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

const KG_PER_LB = 0.45359237
export const massUnit = (units: UnitSystem) => (units === 'METRIC' ? 'kg' : 'lb')
/** Whole pounds or kilograms. */
export const massText = (massKg: number, units: UnitSystem) =>
  countText(Math.round(units === 'METRIC' ? massKg : massKg / KG_PER_LB))

/** What is bought by its thickness or hung at a height: inches to a hundredth, or millimetres. */
export const smallText = (lengthM: number, units: UnitSystem) =>
  units === 'METRIC'
    ? `${Math.round(lengthM * 1000)} mm`
    : `${Math.round((lengthM / M_PER_IN) * 100) / 100} in`
/** As typed: a bare number is in inches where people work in feet. */
export const parseSmallM = (text: string, units: UnitSystem) =>
  parseLengthM(units === 'FT_IN' && /^\s*[\d.,/ ]+\s*$/.test(text) ? `${text} in` : text, units)

/** A day without its hour. */
export function dayText(iso: string): string {
  return new Date(`${iso}T12:00`).toLocaleDateString('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
  })
}

/** A day with its year. */
export const calendarText = (iso: string) =>
  new Date(`${iso}T12:00`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })

export function dateText(iso: string): string {
  return new Date(iso).toLocaleString('en-GB', {
    day: '2-digit',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
}

/** A moment for a sentence: pounds-force feet or newton metres. */
export function momentText(newtonMetres: number, units: UnitSystem): string {
  return units === 'METRIC'
    ? `${Math.round(newtonMetres).toLocaleString('en')} Nm`
    : `${Math.round(newtonMetres / (4.4482216152605 * 0.3048)).toLocaleString('en')} lbf·ft`
}

/** A force: pounds-force or newtons. */
/** A pull as it is typed; a bare number is in the units of the job. */
export function parseForceN(text: string, units: UnitSystem): number | null {
  const typed = /^(\d+(?:[.,]\d+)?)\s*(lbf|lb|n|kn)?$/.exec(text.trim().toLowerCase())
  if (!typed) return null
  const unit = typed[2] ?? (units === 'FT_IN' ? 'lbf' : 'n')
  const factor = unit === 'n' ? 1 : unit === 'kn' ? 1000 : 4.4482216152605
  return number(typed[1]!) * factor
}

export function forceText(newtons: number, units: UnitSystem): string {
  if (units === 'FT_IN') return `${Math.round(newtons / 4.4482216152605).toLocaleString('en-US')} lbf`
  return Math.abs(newtons) < 1000 ? `${Math.round(newtons)} N` : `${(newtons / 1000).toFixed(2)} kN`
}
