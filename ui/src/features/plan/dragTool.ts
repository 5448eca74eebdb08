import type { Land, Plan, Position } from '@/api/types'
import { movePoint } from '@/model/landEdit'
import { moveItem, type ItemRef } from '@/model/planEdit'
import type { Xy } from '@/model/plane'
import type { createDragView } from './dragView'
import type { createPicking } from './picking'
import type { PlanGround } from './planGround'
import type { Live } from './planPointer'
import type { Snap } from './snap'

/** Drags a corner, a gate, a cut-out, the energizer or a point of the land. */
export function createDragTool(
  { job, plane, snapped, unproject }: PlanGround,
  picking: ReturnType<typeof createPicking>,
  view: ReturnType<typeof createDragView>,
  said: (pixel: Position, at: Position, snap: Snap | null, path: Xy[]) => Live,
) {
  let dragging: { item: ItemRef; before: { plan: Plan; land: Land } } | null = null

  function landPoint(item: ItemRef, before: Land, coordinate: Position, pixel: Position) {
    const { at } = snapped(coordinate, pixel, [])
    const feature = before.features.find((f) => f.id === item.lineId)
    view.moved(at, null, feature?.points, feature?.shape === 'AREA', Number(item.id))
    job.dragLand(movePoint(before, item.lineId, Number(item.id), at))
  }

  function corner(item: ItemRef, before: Plan, coordinate: Position, pixel: Position) {
    const line = before.site.lines.find((l) => l.id === item.lineId)
    const i = line?.corners.findIndex((c) => c.id === item.id) ?? -1
    const around = [-2, -1]
      .map((k) => line?.corners.at(i + k))
      .filter((c, k) => c && (line?.closed || i + k - 2 >= 0))
    const path = around.map((c) => plane().plane.toPlane(c!.at))
    const { at, snap } = snapped(coordinate, pixel, path.slice(-2), item.lineId)
    view.moved(
      at,
      said(pixel, at, snap, path.slice(-1)),
      line?.corners.map((c) => c.at),
      line?.closed,
      i,
    )
    job.drag(moveItem(before, item, at))
  }

  return {
    active: () => dragging !== null,
    /** Takes hold of what lies under the pointer; answers whether there is something. */
    begin(pixel: Position): boolean {
      const item = job.plan && job.land ? picking.itemAt(pixel) : null
      if (!item) return false
      job.selected = item
      dragging = { item, before: { plan: job.plan!, land: job.land! } }
      return true
    },
    move(coordinate: Position, pixel: Position) {
      if (!dragging) return
      const { item, before } = dragging
      if (item.kind === 'land') return landPoint(item, before.land, coordinate, pixel)
      if (item.kind === 'corner') return corner(item, before.plan, coordinate, pixel)
      const at = unproject(coordinate)
      view.moved(at, null)
      job.drag(moveItem(before.plan, item, at))
    },
    end() {
      const before = dragging?.before
      dragging = null
      view.end()
      if (before) job.drop(before)
    },
  }
}
