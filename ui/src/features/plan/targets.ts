import type { Land, Layout, Plan, Position } from '@/api/types'
import { unwrap } from '@/model/geometry'
import { planeAt, type Plane } from '@/model/plane'
import type { SnapTarget } from './snap'

/** Everything on the plan that a point can snap to, on the plane of the job; made anew only when something changed. */
export function createTargets() {
  let plan: Plan | null = null
  let land: Land | null = null
  let plane: Plane = planeAt([0, 0])
  let all: SnapTarget[] = []

  return (nowPlan: Plan | null, nowLand: Land | null, layout: Layout | undefined, origin: Position) => {
    if (nowPlan === plan && nowLand === land && all.length > 0) return { plane, all }
    plan = nowPlan
    land = nowLand
    const at = nowPlan?.site.lines.length && layout ? (layout.origin as unknown as Position) : origin
    plane = planeAt(at)
    const flat = (p: Position) => plane.toPlane([unwrap(p[0]!, at[0]!), p[1]!])
    all = [
      ...(nowPlan?.site.lines ?? []).map((l) => ({
        name: l.name,
        path: (layout?.lines.find((x) => x.lineId === l.id)?.corners ?? l.corners.map((c) => c.at)).map(flat),
        closed: l.closed,
        lineId: l.id,
      })),
      ...(nowLand?.features ?? []).map((f) => ({
        name: f.name || f.kind.toLowerCase().replaceAll('_', ' '),
        path: f.points.map(flat),
        closed: f.shape === 'AREA',
      })),
    ]
    return { plane, all }
  }
}
