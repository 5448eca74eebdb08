import { bearing, distance, step, turn, type Xy } from '@/model/plane'

/** Where the pointer is drawn to, and by what; the name is shown beside it. */
export interface Snap {
  at: Xy
  name: string
  /** Set when it is a place on another line, so that an end can branch from it. */
  lineId?: string
  /** Set when it is where the line began. */
  closes?: boolean
}

export interface SnapTarget {
  name: string
  path: readonly Xy[]
  closed: boolean
  /** Set for fence lines. */
  lineId?: string
}

/**
 * The best of what is near: a corner, a place on a side, then a direction from the last corner (right angle, straight on,
 * parallel to another side). `reach` is in metres.
 */
export function snapTo(
  p: Xy,
  targets: readonly SnapTarget[],
  drawn: readonly Xy[],
  reach: number,
): Snap | null {
  return corner(p, targets, drawn, reach) ?? direction(p, targets, drawn, reach) ?? side(p, targets, reach)
}

function corner(p: Xy, targets: readonly SnapTarget[], drawn: readonly Xy[], reach: number): Snap | null {
  let best: Snap | null = null
  let least = reach * 1.2
  for (const t of targets) {
    t.path.forEach((c, i) => {
      const d = distance(p, c)
      if (d < least) {
        least = d
        best = {
          at: c,
          name: t.path.length === 1 ? t.name : `corner ${i + 1} of ${t.name}`,
          lineId: t.lineId,
        }
      }
    })
  }
  if (drawn.length > 2 && distance(p, drawn[0]!) < least)
    best = { at: drawn[0]!, name: 'close the line', closes: true }
  return best
}

function side(p: Xy, targets: readonly SnapTarget[], reach: number): Snap | null {
  let best: Snap | null = null
  let least = reach
  for (const t of targets) {
    const count = t.closed ? t.path.length : t.path.length - 1
    for (let i = 0; i < count; i++) {
      const a = t.path[i]!
      const b = t.path[(i + 1) % t.path.length]!
      const u: Xy = [b[0] - a[0], b[1] - a[1]]
      const square = u[0] * u[0] + u[1] * u[1]
      const share = square === 0 ? 0 : ((p[0] - a[0]) * u[0] + (p[1] - a[1]) * u[1]) / square
      if (share < 0 || share > 1) continue
      const at: Xy = [a[0] + u[0] * share, a[1] + u[1] * share]
      const d = distance(p, at)
      if (d < least) {
        least = d
        best = { at, name: `on ${t.name}`, lineId: t.lineId }
      }
    }
  }
  return best
}

function direction(p: Xy, targets: readonly SnapTarget[], drawn: readonly Xy[], reach: number): Snap | null {
  const last = drawn.at(-1)
  if (!last) return null
  const length = distance(last, p)
  if (length < reach) return null
  const now = bearing(last, p)
  const wanted: { deg: number; name: string }[] = []
  const before = drawn.at(-2)
  if (before) {
    const d = bearing(before, last)
    wanted.push(
      { deg: d, name: 'straight on' },
      { deg: d + 90, name: 'right angle' },
      { deg: d - 90, name: 'right angle' },
    )
  }
  if (drawn.length > 2) {
    const first = bearing(drawn[0]!, drawn[1]!)
    for (const k of [0, 90, 180, 270]) {
      const at = cross(last, now, drawn[0]!, first + k)
      if (at && distance(at, p) < reach) return { at, name: 'in line with the start' }
    }
  }
  for (const t of targets) {
    const count = t.closed ? t.path.length : t.path.length - 1
    for (let i = 0; i < Math.min(count, 200); i++) {
      const d = bearing(t.path[i]!, t.path[(i + 1) % t.path.length]!)
      wanted.push({ deg: d, name: `parallel to ${t.name}` }, { deg: d + 180, name: `parallel to ${t.name}` })
    }
  }
  for (const w of wanted) {
    const off = turn(w.deg, now)
    if (Math.abs(off) < 20 && Math.abs(length * Math.sin((off * Math.PI) / 180)) < reach)
      return { at: step(last, w.deg, length * Math.cos((off * Math.PI) / 180)), name: w.name }
  }
  return null
}

/** Where a ray from one place meets the line through another. */
function cross(from: Xy, fromDeg: number, to: Xy, toDeg: number): Xy | null {
  const u = step([0, 0], fromDeg, 1)
  const v = step([0, 0], toDeg, 1)
  const det = u[0] * v[1] - u[1] * v[0]
  if (Math.abs(det) < 0.2) return null
  const t = ((to[0] - from[0]) * v[1] - (to[1] - from[1]) * v[0]) / det
  return t > 0 ? [from[0] + t * u[0], from[1] + t * u[1]] : null
}
