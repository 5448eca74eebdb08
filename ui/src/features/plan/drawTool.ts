import type { Position } from '@/api/types'
import { GRAB_PX, pixelDistance } from './picking'
import type { createDraft } from './planDraft'
import type { PlanGround } from './planGround'

/** Draws corner by corner; a click on the first one closes the line. */
export function createDrawTool(
  { plane, project, snapped, metresPerPixel }: PlanGround,
  draft: ReturnType<typeof createDraft>,
) {
  const path = () => draft.corners().map((c) => plane().plane.toPlane(c.at))
  return {
    click(coordinate: Position, pixel: Position) {
      const { at, snap } = snapped(coordinate, pixel, path())
      const first = draft.corners()[0]
      const back = first && pixelDistance(project(first.at), coordinate) / metresPerPixel() < GRAB_PX
      if (draft.corners().length >= 3 && (snap?.closes || back)) return draft.finish(true)
      draft.add({ at, on: snap?.lineId ?? null })
    },
    /** Where the next corner would go, with the path so far. */
    hover(coordinate: Position, pixel: Position) {
      const drawn = path()
      const { at, snap } = snapped(coordinate, pixel, drawn)
      if (draft.corners().length > 0) draft.show(at)
      return { at, snap, path: drawn }
    },
  }
}
