import type { FenceDiagnosis, FencePart, Layout } from '@/api/types'
import { stationText } from '@/shared/units'
import type { UnitSystem } from '@/api/types'

type Suspect = FenceDiagnosis['suspects'][number]
type Part = FenceDiagnosis['region90'][number]

export const kindWords: Record<Suspect['kind'], string> = {
  LEAK: 'a leak at one place',
  BREAK: 'a broken wire or poor joint',
  GROWTH: 'growth on a stretch',
  EARTH: 'a poor earth',
  SUPPLY: 'a weak energizer or supply',
  METER: 'a wrong reading',
  NONE: 'nothing',
  TWO: 'more than one fault',
}

/** What is less probable is not worth a line. */
export const leastShare = 0.01

export const shareText = (share: number) =>
  share > 0.995 ? 'over 99 %' : share < 0.01 ? 'under 1 %' : `${Math.round(100 * share)} %`

const ohmText = (ohm: number) =>
  ohm >= 1000 ? `${(Math.round(ohm / 100) / 10).toString()} kΩ` : `${Number(ohm.toPrecision(2))} Ω`

/** One thing that may be wrong, in words. */
export function ofSuspect(
  s: Suspect,
  lineName: (id: string) => string,
  readingText: (id: string | null) => string,
  units: UnitSystem,
): string {
  const at = s.lineId === null ? ' on lead-out, leads or switches' : ` on ${lineName(s.lineId)}`
  const near = s.lineId === null ? at : `${at} near ${stationText(s.fromM, units)}`
  switch (s.kind) {
    case 'LEAK':
      return `a leak of about ${ohmText(s.ohm ?? 0)}${near}`
    case 'BREAK':
      return s.ohm === null ? `an open wire${near}` : `a poor joint of about ${ohmText(s.ohm)}${near}`
    case 'GROWTH':
      return s.lineId === null
        ? `growth${at}`
        : `growth${at}, ${stationText(s.fromM, units)} to ${stationText(s.toM, units)}`
    case 'EARTH':
      return `a poor earth of about ${ohmText(s.ohm ?? 0)}`
    case 'SUPPLY':
      return `an energizer that gives ${Math.round(100 * (s.factor ?? 1))} % of its voltage`
    case 'METER':
      return `a wrong reading at ${readingText(s.reading)}`
    default:
      return kindWords[s.kind]
  }
}

/** A kind of which no one place stands out, with how strong it is at its most probable place. */
export function ofKind(kind: Suspect['kind'], suspects: Suspect[]): string {
  const first = suspects.find((s) => s.kind === kind)
  return kind === 'LEAK' && first?.ohm ? `${kindWords.LEAK}, of about ${ohmText(first.ohm)}` : kindWords[kind]
}

type Element = FenceDiagnosis['elements'][number]

/** A thing that may have failed by itself. */
export function elementText(e: Element, lineName: (id: string) => string, units: UnitSystem): string {
  const at =
    e.lineId === null || e.stationM === null
      ? ''
      : `, ${lineName(e.lineId)} at ${stationText(e.stationM, units)}`
  switch (e.kind) {
    case 'GATE_CABLE':
      return `cable and jumpers at ${e.name}${at}`
    case 'GATE_HANDLES':
      return `handles of ${e.name}${at}`
    case 'SWITCH':
      return `${e.name} itself${at}`
    case 'LEAD':
      return `${e.name}${at}`
    case 'LEAD_OUT':
      return 'lead-out from the energizer'
  }
}

/** What stands on a stretch, in the order that one's own log teaches, or that of F1 without one: common practice. */
export function lookAt(layout: Layout, r: Part, units: UnitSystem, order: readonly FencePart[] = []): string {
  const line = layout.lines.find((l) => l.lineId === r.lineId)
  if (!line) return ''
  const within = (from: number, to = from) => from <= r.toM && to >= r.fromM
  const land = line.land.filter((s) => within(s.fromM, s.toM)).map((s) => s.title)
  const gates = line.gates.filter((g) => within(g.fromM, g.toM)).map((g) => g.name)
  const cutOuts = line.cutOuts.filter((c) => within(c.stationM)).length
  const braces = line.braces.filter((b) => b.railM > 0 && within(b.strongStationM)).length
  const posts = line.posts.filter((p) => within(p.stationM)).length
  const unpowered = line.schedule.wires.filter((w) => w.role !== 'HOT').length
  const many = (n: number, one: string, more: string) => (n ? [`${n} ${n === 1 ? one : more}`] : [])
  const stands: [FencePart, string[]][] = [
    ['INSULATOR', many(posts, 'post with its insulators', 'posts with their insulators')],
    ['GATE_CABLE', gates.length ? [`cable and jumpers at ${gates.join(', ')}`] : []],
    ['CUT_OUT', many(cutOuts, 'cut-out', 'cut-outs')],
    [
      'BRACE',
      many(braces, 'brace whose diagonal a wire may touch', 'braces whose diagonals a wire may touch'),
    ],
    [
      'UNPOWERED_WIRE',
      unpowered
        ? [`${unpowered === 1 ? 'the unpowered wire' : `${unpowered} unpowered wires`} a hot one may touch`]
        : [],
    ],
    ['OTHER', land.length ? [`beside ${[...new Set(land)].slice(0, 3).join(', ')}`] : []],
    ['VEGETATION', [`growth and wire on the ground along ${stationText(r.toM - r.fromM, units)}`]],
  ]
  const rank = (part: FencePart) => order.indexOf(part)
  return stands
    .toSorted((a, b) => rank(a[0]) - rank(b[0]))
    .flatMap(([, text]) => text)
    .join('; ')
}
