import type { Position } from '@/api/types'

/**
 * Metres east and north on the plane tangent at a place, for drawing: where a typed distance ends, what a snap means, how
 * long a side is while it is being dragged. The same plane as the core's LocalPlane (a test holds them together); figures
 * that stay on the screen come from the core.
 */
export interface Plane {
  toPlane: (at: Position) => Xy
  toGeo: (p: Xy) => Position
}

/** East and north in metres. */
export type Xy = readonly [number, number]

const A = 6378137
const F = 1 / 298.257223563
const E2 = F * (2 - F)
const rad = (deg: number) => (deg * Math.PI) / 180
const deg = (r: number) => (r * 180) / Math.PI

function geocentric(lon: number, lat: number): [number, number, number] {
  const s = Math.sin(rad(lat))
  const c = Math.cos(rad(lat))
  const n = A / Math.sqrt(1 - E2 * s * s)
  return [n * c * Math.cos(rad(lon)), n * c * Math.sin(rad(lon)), n * (1 - E2) * s]
}

export function planeAt(origin: Position): Plane {
  const [lon0, lat0] = [origin[0]!, origin[1]!]
  const centre = geocentric(lon0, lat0)
  const [sl, cl] = [Math.sin(rad(lon0)), Math.cos(rad(lon0))]
  const [sp, cp] = [Math.sin(rad(lat0)), Math.cos(rad(lat0))]
  return {
    toPlane(at) {
      const g = geocentric(at[0]!, at[1]!)
      const [dx, dy, dz] = [g[0] - centre[0], g[1] - centre[1], g[2] - centre[2]]
      return [-sl * dx + cl * dy, -sp * cl * dx - sp * sl * dy + cp * dz]
    },
    toGeo([e, n]) {
      const x = centre[0] - sl * e - sp * cl * n
      const y = centre[1] + cl * e - sp * sl * n
      const z = centre[2] + cp * n
      const [ux, uy] = [cp * cl, cp * sl]
      const a2 = A * A
      const b2 = a2 * (1 - E2)
      const qa = (ux * ux + uy * uy) / a2 + (sp * sp) / b2
      const qb = (x * ux + y * uy) / a2 + (z * sp) / b2
      const qc = (x * x + y * y) / a2 + (z * z) / b2 - 1
      const down = -qc / (qb + Math.sqrt(Math.max(0, qb * qb - qa * qc)))
      const [gx, gy, gz] = [x + down * ux, y + down * uy, z + down * sp]
      return [deg(Math.atan2(gy, gx)), deg(Math.atan2(gz, (1 - E2) * Math.hypot(gx, gy)))]
    },
  }
}

export const distance = (a: Xy, b: Xy) => Math.hypot(b[0] - a[0], b[1] - a[1])

/** From true north, clockwise, 0 to 360. */
export function bearing(a: Xy, b: Xy): number {
  const d = deg(Math.atan2(b[0] - a[0], b[1] - a[1]))
  return d < 0 ? d + 360 : d
}

/** The place so far from another in a direction. */
export function step(from: Xy, bearingDeg: number, lengthM: number): Xy {
  return [from[0] + lengthM * Math.sin(rad(bearingDeg)), from[1] + lengthM * Math.cos(rad(bearingDeg))]
}

/** Turn from one bearing to another, right positive, −180 to 180. */
export function turn(fromDeg: number, toDeg: number): number {
  return ((((toDeg - fromDeg + 180) % 360) + 360) % 360) - 180
}

/** Area inside a path closed on itself (shoelace formula), square metres. */
export function area(path: readonly Xy[]): number {
  let twice = 0
  path.forEach((a, i) => {
    const b = path[(i + 1) % path.length]!
    twice += a[0] * b[1] - b[0] * a[1]
  })
  return Math.abs(twice) / 2
}

/** A path moved sideways, right positive; corners stay corners, very sharp ones are cut at twice the distance. */
export function offset(path: readonly Xy[], closed: boolean, rightM: number): Xy[] {
  const n = path.length
  const side = (i: number): Xy => {
    const a = path[(i + n) % n]!
    const b = path[(i + 1 + n) % n]!
    const d = distance(a, b) || 1
    return [(b[1] - a[1]) / d, -(b[0] - a[0]) / d]
  }
  return path.map((p, i) => {
    const before = closed || i > 0 ? side(i - 1) : side(i)
    const after = closed || i < n - 1 ? side(i) : side(i - 1)
    const sum: Xy = [before[0] + after[0], before[1] + after[1]]
    const square = sum[0] * sum[0] + sum[1] * sum[1]
    const factor = square < 1 ? 2 : 2 / square
    return [p[0] + sum[0] * factor * rightM, p[1] + sum[1] * factor * rightM] as const
  })
}

/** Side i of a path moved sideways, right positive; its neighbours keep their directions. Null when they are parallel. */
export function moveSide(path: readonly Xy[], closed: boolean, i: number, rightM: number): Xy[] | null {
  const n = path.length
  const a = path[i]!
  const b = path[(i + 1) % n]!
  const d = distance(a, b)
  if (d === 0) return null
  const shift: Xy = [((b[1] - a[1]) / d) * rightM, (-(b[0] - a[0]) / d) * rightM]
  const next = path.slice()
  const ends: [number, number, Xy][] = [
    [i, closed || i > 0 ? (i - 1 + n) % n : -1, a],
    [(i + 1) % n, closed || i + 2 < n ? (i + 2) % n : -1, b],
  ]
  for (const [at, neighbour, p] of ends) {
    const moved: Xy = [p[0] + shift[0], p[1] + shift[1]]
    if (neighbour < 0) {
      next[at] = moved
      continue
    }
    const met = meet(moved, [b[0] - a[0], b[1] - a[1]], p, [
      path[neighbour]![0] - p[0],
      path[neighbour]![1] - p[1],
    ])
    if (!met) return null
    next[at] = met
  }
  return next
}

/** Where two lines meet, each a point and a direction. */
function meet(p: Xy, u: Xy, q: Xy, v: Xy): Xy | null {
  const det = u[0] * v[1] - u[1] * v[0]
  if (Math.abs(det) < 1e-9 * Math.hypot(...u) * Math.hypot(...v)) return null
  const t = ((q[0] - p[0]) * v[1] - (q[1] - p[1]) * v[0]) / det
  return [p[0] + t * u[0], p[1] + t * u[1]]
}

/** A smooth path through points (centripetal Catmull-Rom), bent into short sides that each turn little. */
export function curve(points: readonly Xy[], closed: boolean, turnDeg = 8): Xy[] {
  const n = points.length
  if (n < 3) return points.slice()
  const at = (i: number) => (closed ? points[(i + n) % n]! : points[Math.min(n - 1, Math.max(0, i))]!)
  const fine: Xy[] = []
  for (let i = 0; i < (closed ? n : n - 1); i++) {
    const [p0, p1, p2, p3] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    for (let k = 0; k < 32; k++) fine.push(catmull(p0, p1, p2, p3, k / 32))
  }
  if (!closed) fine.push(points[n - 1]!)
  const kept: Xy[] = [fine[0]!]
  let since = 0
  for (let i = 1; i < fine.length - 1; i++) {
    since += Math.abs(turn(bearing(fine[i - 1]!, fine[i]!), bearing(fine[i]!, fine[i + 1]!)))
    if (since >= turnDeg) {
      kept.push(fine[i]!)
      since = 0
    }
  }
  if (!closed) kept.push(fine[fine.length - 1]!)
  return kept
}

function catmull(p0: Xy, p1: Xy, p2: Xy, p3: Xy, u: number): Xy {
  const knot = (t: number, a: Xy, b: Xy) => t + Math.max(1e-6, Math.sqrt(distance(a, b)))
  const t1 = knot(0, p0, p1)
  const t2 = knot(t1, p1, p2)
  const t3 = knot(t2, p2, p3)
  const t = t1 + (t2 - t1) * u
  const mix = (a: Xy, b: Xy, ta: number, tb: number): Xy => [
    ((tb - t) * a[0] + (t - ta) * b[0]) / (tb - ta),
    ((tb - t) * a[1] + (t - ta) * b[1]) / (tb - ta),
  ]
  const a1 = mix(p0, p1, 0, t1)
  const a2 = mix(p1, p2, t1, t2)
  const a3 = mix(p2, p3, t2, t3)
  return mix(mix(a1, a2, 0, t2), mix(a2, a3, t1, t3), t1, t2)
}

/** A polygon of n equal sides, or a rectangle; the first corner at `at`, the first side in a direction, turning right. */
export function polygon(at: Xy, bearingDeg: number, sides: readonly number[]): Xy[] {
  const each = 360 / sides.length
  const path: Xy[] = [at]
  sides.slice(0, -1).forEach((length, i) => {
    path.push(step(path[i]!, bearingDeg + i * each, length))
  })
  return path
}
