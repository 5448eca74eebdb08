import type { CutOut, FenceLine, Gate, LineLayout, Plan, Position } from '@/api/types'
import { nearestOnLines, unwrap } from './geometry'
import { moveSide as movedSide, offset, planeAt, type Plane, type Xy } from './plane'
import { addLine } from './planEdit'

/** Edits of whole lines: split, join, move a side, copy beside. Each answers a new plan, or a sentence why not. */

export type Edited = { plan: Plan; lineId: string } | { refused: string }

/** The line's plane and its corners on it, at the places the core has them. */
function flatten(line: FenceLine, laid?: LineLayout): { plane: Plane; path: Xy[] } {
  const places = laid?.corners.length === line.corners.length ? laid.corners : line.corners.map((c) => c.at)
  const origin = places[0]!
  const plane = planeAt(origin)
  return { plane, path: places.map((p) => plane.toPlane([unwrap(p[0]!, origin[0]!), p[1]!])) }
}

function find(plan: Plan, lineId: string): FenceLine {
  const line = plan.site.lines.find((l) => l.id === lineId)
  if (!line) throw new Error(`no line ${lineId}`)
  return line
}

function withLines(plan: Plan, lines: FenceLine[]): Plan {
  return { ...plan, site: { ...plan.site, lines } }
}

function freeLineId(plan: Plan): string {
  for (let n = 1; ; n++) if (!plan.site.lines.some((l) => l.id === `line-${n}`)) return `line-${n}`
}

const fresh = (corners: Position[]) => corners.map((at, i) => ({ id: `c${i + 1}`, at: [at[0]!, at[1]!] }))

/** Gates and cut-outs go with the part they are nearer to. */
function shared<T extends Gate | CutOut>(items: T[], parts: FenceLine[]): T[][] {
  const paths = parts.map((p) => ({
    id: p.id,
    closed: p.closed,
    path: p.corners.map((c) => c.at),
  }))
  const result: T[][] = parts.map(() => [])
  for (const item of items) {
    const near = nearestOnLines(paths, item.at)
    result[
      Math.max(
        0,
        parts.findIndex((p) => p.id === near?.lineId),
      )
    ]!.push(item)
  }
  return result
}

/** Parts a line at a place of one of its sides. A closed line opens there; an open one becomes two, the second a branch. */
export function splitLine(plan: Plan, lineId: string, side: number, at: Position): Edited {
  const line = find(plan, lineId)
  const corners = line.corners.map((c) => c.at)
  if (line.closed) {
    const path = [at, ...corners.slice(side + 1), ...corners.slice(0, side + 1), at]
    const opened = { ...line, closed: false, corners: fresh(path) }
    return {
      plan: withLines(
        plan,
        plan.site.lines.map((l) => (l.id === lineId ? opened : l)),
      ),
      lineId,
    }
  }
  const first: FenceLine = {
    ...line,
    corners: fresh([...corners.slice(0, side + 1), at]),
    endsOn: null,
  }
  const second: FenceLine = {
    ...line,
    id: freeLineId(plan),
    name: `${line.name}, second part`,
    corners: fresh([at, ...corners.slice(side + 1)]),
    startsOn: lineId,
  }
  const gates = shared(line.gates, [first, second])
  const cutOuts = shared(line.cutOuts, [first, second])
  const parts = [
    { ...first, gates: gates[0]!, cutOuts: cutOuts[0]! },
    { ...second, gates: gates[1]!, cutOuts: cutOuts[1]! },
  ]
  return {
    plan: withLines(
      plan,
      plan.site.lines.flatMap((l) => (l.id === lineId ? parts : [l])),
    ),
    lineId,
  }
}

/** Makes one line of two open ones, over the shortest way between their ends. */
export function joinLines(plan: Plan, lineId: string, otherId: string): Edited {
  const a = find(plan, lineId)
  const b = find(plan, otherId)
  if (a.closed || b.closed) return { refused: 'Only open lines can be joined.' }
  const { plane, path } = flatten(a)
  const other = b.corners.map((c) => plane.toPlane([unwrap(c.at[0]!, a.corners[0]!.at[0]!), c.at[1]!]))
  const ends = (p: readonly Xy[]) => [p[0]!, p[p.length - 1]!] as const
  const gap = (p: Xy, q: Xy) => Math.hypot(p[0] - q[0], p[1] - q[1])
  const [a0, a1] = ends(path)
  const [b0, b1] = ends(other)
  const ways = [
    { d: gap(a1, b0), turnA: false, turnB: false },
    { d: gap(a1, b1), turnA: false, turnB: true },
    { d: gap(a0, b0), turnA: true, turnB: false },
    { d: gap(a0, b1), turnA: true, turnB: true },
  ].sort((x, y) => x.d - y.d)
  const way = ways[0]!
  const first = way.turnA ? a.corners.map((c) => c.at).reverse() : a.corners.map((c) => c.at)
  const second = way.turnB ? b.corners.map((c) => c.at).reverse() : b.corners.map((c) => c.at)
  const met = way.d < 1
  const joined: FenceLine = {
    ...a,
    corners: fresh([...first, ...(met ? second.slice(1) : second)]),
    gates: [...a.gates, ...b.gates],
    cutOuts: [...a.cutOuts, ...b.cutOuts],
    ground: [...a.ground, ...b.ground],
    startsOn: notOne(way.turnA ? a.endsOn : a.startsOn, otherId),
    endsOn: notOne(way.turnB ? b.startsOn : b.endsOn, lineId),
  }
  const lines = plan.site.lines
    .filter((l) => l.id !== otherId)
    .map((l) => (l.id === lineId ? joined : l))
    .map((l) => ({
      ...l,
      startsOn: l.startsOn === otherId && l.id !== lineId ? lineId : l.startsOn,
      endsOn: l.endsOn === otherId && l.id !== lineId ? lineId : l.endsOn,
    }))
  return { plan: withLines(plan, lines), lineId }
}

const notOne = (id: string | null, gone: string) => (id === gone ? null : id)

/** Moves a whole side parallel to itself, to the right of the line's direction when positive. */
export function moveSide(
  plan: Plan,
  lineId: string,
  side: number,
  rightM: number,
  laid?: LineLayout,
): Edited {
  const line = find(plan, lineId)
  const { plane, path } = flatten(line, laid)
  const moved = movedSide(path, line.closed, side, rightM)
  if (!moved) return { refused: 'The side before or after runs the same way; put a corner in first.' }
  const corners = line.corners.map((c, i) => ({ ...c, at: plane.toGeo(moved[i]!) }))
  return { plan: replaced(plan, { ...line, corners }), lineId }
}

/** Makes a side so long by moving its far end along it; what comes after moves with it on an open line. */
export function setSideLength(
  plan: Plan,
  lineId: string,
  side: number,
  lengthM: number,
  laid?: LineLayout,
): Edited {
  const line = find(plan, lineId)
  const { plane, path } = flatten(line, laid)
  const a = path[side]!
  const b = path[(side + 1) % path.length]!
  const now = Math.hypot(b[0] - a[0], b[1] - a[1])
  if (now === 0 || lengthM < 0.3) return { refused: 'A side is at least 0.3 m long.' }
  const shift: Xy = [((b[0] - a[0]) / now) * (lengthM - now), ((b[1] - a[1]) / now) * (lengthM - now)]
  const moved = path.map((p, i): Xy => {
    const moves = line.closed ? i === (side + 1) % path.length : i > side
    return moves ? [p[0] + shift[0], p[1] + shift[1]] : p
  })
  const corners = line.corners.map((c, i) => ({ ...c, at: plane.toGeo(moved[i]!) }))
  return { plan: replaced(plan, { ...line, corners }), lineId }
}

/** A copy of a line beside it: the outer row of a double fence, a walkway, a mower strip. */
export function copyBeside(
  plan: Plan,
  lineId: string,
  rightM: number,
  name: string,
  laid?: LineLayout,
): Edited {
  const line = find(plan, lineId)
  const { plane, path } = flatten(line, laid)
  const beside = offset(path, line.closed, rightM).map((p) => plane.toGeo(p))
  const made = addLine(plan, beside, line.closed)
  return { plan: renamed(made.plan, made.lineId, name), lineId: made.lineId }
}

/** Makes an end of a line a branch of another one, or frees it. */
export function joinTo(plan: Plan, lineId: string, end: 'start' | 'finish', on: string | null): Plan {
  const line = find(plan, lineId)
  return replaced(plan, end === 'start' ? { ...line, startsOn: on } : { ...line, endsOn: on })
}

function replaced(plan: Plan, line: FenceLine): Plan {
  return withLines(
    plan,
    plan.site.lines.map((l) => (l.id === line.id ? line : l)),
  )
}

function renamed(plan: Plan, lineId: string, name: string): Plan {
  return name ? replaced(plan, { ...find(plan, lineId), name }) : plan
}
