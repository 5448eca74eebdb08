import { emptyBook } from './bookEdit'
import type { Circumstances, FenceLine, FenceSpec, Gate, Plan, Position, Spec, Supply } from '@/api/types'

/** Edits of a plan; each answers a new plan and leaves the old one alone. */

export interface ItemRef {
  /** A point of a feature of the land has the feature's id for a line and its own index for an id. */
  kind: 'corner' | 'gate' | 'cutOut' | 'energizer' | 'land'
  lineId: string
  id: string
}

function withLine(plan: Plan, lineId: string, change: (line: FenceLine) => FenceLine): Plan {
  const lines = plan.site.lines.map((l) => (l.id === lineId ? change(l) : l))
  return { ...plan, site: { ...plan.site, lines } }
}

export function withSpec(plan: Plan, change: Partial<Spec>): Plan {
  return { ...plan, spec: { ...plan.spec, ...change } }
}

export function withFence(plan: Plan, change: Partial<FenceSpec>): Plan {
  return withSpec(plan, { fence: { ...plan.spec.fence, ...change } })
}

export function withSupply(plan: Plan, change: Partial<Supply>): Plan {
  return withSpec(plan, { supply: { ...plan.spec.supply, ...change } })
}

/** What the fence is looked at in; nothing of what is built changes. */
export function withCircumstances(plan: Plan, change: Partial<Circumstances>): Plan {
  return { ...plan, circumstances: { ...plan.circumstances, ...change } }
}

function freeId(prefix: string, taken: string[]): string {
  for (let n = 1; ; n++) if (!taken.includes(`${prefix}${n}`)) return `${prefix}${n}`
}

const flat = (at: Position): Position => [at[0]!, at[1]!]

export function addLine(
  plan: Plan,
  corners: Position[],
  closed: boolean,
  tees: { startsOn?: string | null; endsOn?: string | null } = {},
): { plan: Plan; lineId: string } {
  const lineId = freeId(
    'line-',
    plan.site.lines.map((l) => l.id),
  )
  const line: FenceLine = {
    id: lineId,
    name: `Line ${plan.site.lines.length + 1}`,
    closed,
    corners: corners.map((at, i) => ({ id: `c${i + 1}`, at: flat(at) })),
    gates: [],
    cutOuts: [],
    ground: [],
    survey: null,
    startsOn: tees.startsOn ?? null,
    endsOn: tees.endsOn ?? null,
    book: emptyBook,
  }
  return { plan: { ...plan, site: { ...plan.site, lines: [...plan.site.lines, line] } }, lineId }
}

/** Takes a line out; lines that branched from it keep their place and stand free. */
export function removeLine(plan: Plan, lineId: string): Plan {
  const free = (on: string | null) => (on === lineId ? null : on)
  const lines = plan.site.lines
    .filter((l) => l.id !== lineId)
    .map((l) => ({ ...l, startsOn: free(l.startsOn), endsOn: free(l.endsOn) }))
  return { ...plan, site: { ...plan.site, lines } }
}

export function addCorner(
  plan: Plan,
  lineId: string,
  side: number,
  at: Position,
): { plan: Plan; id: string } {
  const line = plan.site.lines.find((l) => l.id === lineId)
  const id = freeId('c', line?.corners.map((c) => c.id) ?? [])
  const next = withLine(plan, lineId, (l) => ({
    ...l,
    corners: l.corners.toSpliced(side + 1, 0, { id, at: flat(at) }),
  }))
  return { plan: next, id }
}

export function moveItem(plan: Plan, item: ItemRef, at: Position): Plan {
  const place = flat(at)
  if (item.kind === 'energizer') {
    return {
      ...plan,
      site: { ...plan.site, energizer: { name: plan.site.energizer?.name ?? 'energizer', at: place } },
    }
  }
  return withLine(plan, item.lineId, (l) => ({
    ...l,
    corners:
      item.kind === 'corner' ? l.corners.map((c) => (c.id === item.id ? { ...c, at: place } : c)) : l.corners,
    gates: item.kind === 'gate' ? l.gates.map((g) => (g.id === item.id ? { ...g, at: place } : g)) : l.gates,
    cutOuts:
      item.kind === 'cutOut' ? l.cutOuts.map((c) => (c.id === item.id ? { ...c, at: place } : c)) : l.cutOuts,
  }))
}

export function removeItem(plan: Plan, item: ItemRef): Plan {
  if (item.kind === 'energizer') return { ...plan, site: { ...plan.site, energizer: null } }
  const line = plan.site.lines.find((l) => l.id === item.lineId)
  const least = line?.closed ? 3 : 2
  if (item.kind === 'corner' && line && line.corners.length <= least) return removeLine(plan, item.lineId)
  return withLine(plan, item.lineId, (l) => ({
    ...l,
    corners: item.kind === 'corner' ? l.corners.filter((c) => c.id !== item.id) : l.corners,
    gates: item.kind === 'gate' ? l.gates.filter((g) => g.id !== item.id) : l.gates,
    cutOuts: item.kind === 'cutOut' ? l.cutOuts.filter((c) => c.id !== item.id) : l.cutOuts,
  }))
}

export function addGate(
  plan: Plan,
  lineId: string,
  at: Position,
  openingM: number,
): { plan: Plan; id: string } {
  const all = plan.site.lines.flatMap((l) => l.gates.map((g) => g.id))
  const id = freeId('gate-', all)
  const gate: Gate = {
    id,
    name: `gate ${id.slice(5)}`,
    kind: 'SWING',
    at: flat(at),
    openingM,
    hangs: null,
    fit: { acrossCorner: false, hotOnly: false, netting: false },
  }
  return { plan: withLine(plan, lineId, (l) => ({ ...l, gates: [...l.gates, gate] })), id }
}

export function changeGate(plan: Plan, lineId: string, id: string, change: Partial<Gate>): Plan {
  return withLine(plan, lineId, (l) => ({
    ...l,
    gates: l.gates.map((g) => (g.id === id ? { ...g, ...change } : g)),
  }))
}

export function addCutOut(plan: Plan, lineId: string, at: Position): { plan: Plan; id: string } {
  const all = plan.site.lines.flatMap((l) => l.cutOuts.map((c) => c.id))
  const id = freeId('cut-', all)
  const next = withLine(plan, lineId, (l) => ({
    ...l,
    cutOuts: [...l.cutOuts, { id, name: `cut-out ${id.slice(4)}`, at: flat(at) }],
  }))
  return { plan: next, id }
}

export function renameLine(plan: Plan, lineId: string, name: string): Plan {
  return withLine(plan, lineId, (l) => ({ ...l, name }))
}

/** Takes the lines and energizer of a survey into a plan; ids that are taken are made new. */
export function takeSurvey(plan: Plan, survey: Plan['site']): { plan: Plan; lineId: string } {
  let next = plan
  let first = ''
  const newIds = new Map<string, string>()
  for (const line of survey.lines) {
    const lineId = freeId(
      'line-',
      next.site.lines.map((l) => l.id),
    )
    first ||= lineId
    newIds.set(line.id, lineId)
    const gates = next.site.lines.flatMap((l) => l.gates.map((g) => g.id))
    const cutOuts = next.site.lines.flatMap((l) => l.cutOuts.map((c) => c.id))
    const taken: FenceLine = {
      ...line,
      id: lineId,
      gates: line.gates.map((g) => {
        const id = freeId('gate-', gates)
        gates.push(id)
        return { ...g, id }
      }),
      cutOuts: line.cutOuts.map((c) => {
        const id = freeId('cut-', cutOuts)
        cutOuts.push(id)
        return { ...c, id }
      }),
    }
    next = { ...next, site: { ...next.site, lines: [...next.site.lines, taken] } }
  }
  const made = new Set(newIds.values())
  const renamed = (on: string | null) => (on === null ? null : (newIds.get(on) ?? null))
  const lines = next.site.lines.map((l) =>
    made.has(l.id) ? { ...l, startsOn: renamed(l.startsOn), endsOn: renamed(l.endsOn) } : l,
  )
  next = { ...next, site: { ...next.site, lines } }
  const energizer = next.site.energizer ?? survey.energizer
  return { plan: { ...next, site: { ...next.site, energizer } }, lineId: first }
}
