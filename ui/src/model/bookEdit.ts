import type { FenceLine, LineBook, Plan, Position, PostOverride, FenceSpec, LineSpec } from '@/api/types'

/** Edits of what is kept along a line, and of how it is built; each answers a new plan. */

export const emptyBook: LineBook = {
  overrides: [],
  issued: [],
  standing: [],
  turned: false,
  closingCorner: null,
  onExisting: false,
  beside: null,
  wiresOn: null,
  wireEnds: [],
  leads: [],
  feeder: false,
  season: null,
}

export function changeLine(plan: Plan, lineId: string, change: (line: FenceLine) => FenceLine): Plan {
  const lines = plan.site.lines.map((l) => (l.id === lineId ? change(l) : l))
  return { ...plan, site: { ...plan.site, lines } }
}

export const changeBook = (plan: Plan, lineId: string, change: Partial<LineBook>): Plan =>
  changeLine(plan, lineId, (l) => ({ ...l, book: { ...l.book, ...change } }))

export function addOverride(plan: Plan, lineId: string, override: Omit<PostOverride, 'id'>): Plan {
  const line = plan.site.lines.find((l) => l.id === lineId)
  const taken = line?.book.overrides.map((o) => o.id) ?? []
  let n = 1
  while (taken.includes(`own-${n}`)) n++
  return changeBook(plan, lineId, {
    overrides: [...(line?.book.overrides ?? []), { ...override, id: `own-${n}` }],
  })
}

/** Whether the wire ends at a corner though it would run on. */
export function setWireEnd(plan: Plan, lineId: string, cornerId: string, ends: boolean): Plan {
  const line = plan.site.lines.find((l) => l.id === lineId)
  const others = (line?.book.wireEnds ?? []).filter((c) => c !== cornerId)
  return changeBook(plan, lineId, { wireEnds: ends ? [...others, cornerId] : others })
}

/** A lead from a line to another, hooked on where they come nearest; a reel that is known has so much. */
/** @param at where on the line it is hooked on; null where the two lines come nearest */
export function addLead(
  plan: Plan,
  lineId: string,
  toLineId: string,
  reelM: number | null,
  at: Position | null = null,
): Plan {
  const line = plan.site.lines.find((l) => l.id === lineId)
  const taken = plan.site.lines.flatMap((l) => l.book.leads.map((x) => x.id))
  let n = 1
  while (taken.includes(`lead-${n}`)) n++
  const lead = { id: `lead-${n}`, toLineId, at, reelM }
  return changeBook(plan, lineId, { leads: [...(line?.book.leads ?? []), lead] })
}

/** A post that stands otherwise than planned; said again at the same place, the newer word counts. */
export function setStanding(plan: Plan, lineId: string, at: Position, depthM: number, note: string): Plan {
  const line = plan.site.lines.find((l) => l.id === lineId)
  const others = (line?.book.standing ?? []).filter((s) => !samePlace(s.at, at))
  return changeBook(plan, lineId, { standing: [...others, { at, depthM, note }] })
}

export function samePlace(a: Position, b: Position): boolean {
  return Math.abs(a[0]! - b[0]!) < 4e-6 && Math.abs(a[1]! - b[1]!) < 3e-6
}

/** Parts of a fence that have fields of their own. */
export type FencePart = 'posts' | 'braces' | 'wires' | 'climate'
export function withFencePart<K extends FencePart>(plan: Plan, part: K, change: Partial<FenceSpec[K]>): Plan {
  const fence = { ...plan.spec.fence, [part]: { ...plan.spec.fence[part], ...change } }
  return { ...plan, spec: { ...plan.spec, fence } }
}

/** Wires of a line's own, or the job's again with null. */
export function setLineWires(plan: Plan, lineId: string, schedule: FenceSpec['schedule'] | null): Plan {
  return setLineSpec(plan, lineId, { schedule })
}

/** What a line has otherwise than the job; nothing of its own is not kept. */
export function setLineSpec(plan: Plan, lineId: string, change: Partial<LineSpec>): Plan {
  const known = plan.spec.lines.find((l) => l.lineId === lineId)
  const own = { lineId, schedule: null, brace: null, hot: null, stringing: null, ...known, ...change }
  const others = plan.spec.lines.filter((l) => l.lineId !== lineId)
  const lines = own.schedule || own.brace || own.hot || own.stringing ? [...others, own] : others
  return { ...plan, spec: { ...plan.spec, lines } }
}
