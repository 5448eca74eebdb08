import type { Position } from '@/api/types'
import { nearestOnLines, stationOf } from '@/model/geometry'
import type { ItemRef } from '@/model/planEdit'
import type { PlanGround } from './planGround'

export const GRAB_PX = 14
const ON_LINE_PX = 26
const ON_LAND_PX = 9
const ON_POST_PX = 8

export const pixelDistance = (a: Position, b: Position) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!)

/** What lies under the pointer. */
export function createPicking({ job, project, pixelOf, metresPerPixel }: PlanGround) {
  /** The movable thing under the pointer; corners win over what stands on a side. */
  function itemAt(pixel: Position): ItemRef | null {
    let best: { item: ItemRef; distance: number } | null = null
    const offer = (item: ItemRef, at: Position, handicap: number) => {
      const distance = pixelDistance(pixelOf(at), pixel) + handicap
      if (distance < GRAB_PX + handicap && (!best || distance < best.distance)) best = { item, distance }
    }
    for (const line of job.plan?.site.lines ?? []) {
      line.corners.forEach((c) => offer({ kind: 'corner', lineId: line.id, id: c.id }, c.at, 0))
      line.gates.forEach((g) => offer({ kind: 'gate', lineId: line.id, id: g.id }, g.at, 2))
      line.cutOuts.forEach((c) => offer({ kind: 'cutOut', lineId: line.id, id: c.id }, c.at, 2))
    }
    const energizer = job.plan?.site.energizer
    if (energizer) offer({ kind: 'energizer', lineId: '', id: 'energizer' }, energizer.at, 1)
    for (const f of job.land?.features ?? [])
      if (job.selected?.lineId === f.id || f.shape === 'POINT')
        f.points.forEach((p, i) => offer({ kind: 'land', lineId: f.id, id: String(i) }, p, 3))
    return (best as { item: ItemRef } | null)?.item ?? null
  }

  function near(coordinate: Position, paths: { id: string; closed: boolean; path: Position[] }[]) {
    const found = nearestOnLines(paths, coordinate)
    return found ? { ...found, px: found.distance / metresPerPixel() } : null
  }

  const linePaths = () =>
    (job.plan?.site.lines ?? []).map((l) => ({
      id: l.id,
      closed: l.closed,
      path: (
        job.design?.layout.lines.find((x) => x.lineId === l.id)?.corners ?? l.corners.map((c) => c.at)
      ).map(project),
    }))

  /** The place of a fence line under the pointer. */
  function onLine(coordinate: Position) {
    const found = near(coordinate, linePaths())
    return found && found.px <= ON_LINE_PX ? found : null
  }

  /** The same with its station, on a line that is laid out. */
  function onLaidLine(coordinate: Position) {
    const found = onLine(coordinate)
    const laid = found && job.design?.layout.lines.find((l) => l.lineId === found.lineId)
    return found && laid
      ? { lineId: found.lineId, laid, stationM: stationOf(laid, found.side, found.share) }
      : null
  }

  /** The feature of the land under the pointer, when it is nearer than any fence line. */
  function landAt(coordinate: Position): string | null {
    const paths = (job.land?.features ?? []).map((f) => ({
      id: f.id,
      closed: f.shape === 'AREA',
      path: f.points.length > 1 ? f.points.map(project) : [project(f.points[0]!), project(f.points[0]!)],
    }))
    const found = near(coordinate, paths)
    const line = near(coordinate, linePaths())
    return found && found.px < ON_LAND_PX && (!line || found.px < line.px) ? found.lineId : null
  }

  /** Name of what lies under the pointer: not all names find room on the plan. */
  function nameAt(pixel: Position): string {
    const item = itemAt(pixel)
    const line = job.plan?.site.lines.find((l) => l.id === item?.lineId)
    switch (item?.kind) {
      case 'gate':
        return line?.gates.find((g) => g.id === item.id)?.name ?? ''
      case 'cutOut':
        return line?.cutOuts.find((c) => c.id === item.id)?.name ?? ''
      case 'energizer':
        return job.plan?.site.energizer?.name ?? ''
      case 'land':
        return job.land?.features.find((f) => f.id === item.lineId)?.name ?? ''
      default:
        return ''
    }
  }

  /** Brings the cursor to a place of a line, to the post there when one is near. */
  function pointAt(coordinate: Position) {
    const found = onLaidLine(coordinate)
    if (!found) return
    const { laid, lineId, stationM } = found
    const post = laid.posts.reduce(
      (a, b) => (Math.abs(b.stationM - stationM) < Math.abs(a.stationM - stationM) ? b : a),
      laid.posts[0]!,
    )
    job.lineId = lineId
    job.cursorM =
      Math.abs(post.stationM - stationM) / metresPerPixel() < ON_POST_PX ? post.stationM : stationM
  }

  /** Selects what lies under the pointer. */
  function select(coordinate: Position, pixel: Position) {
    const item = itemAt(pixel)
    const feature = item ? null : landAt(coordinate)
    job.selected = item ?? (feature ? { kind: 'land', lineId: feature, id: '0' } : null)
    if (!feature) pointAt(coordinate)
  }

  return { itemAt, onLine, onLaidLine, nameAt, pointAt, select }
}
