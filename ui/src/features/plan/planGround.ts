import type OlMap from 'ol/Map'
import type { Position } from '@/api/types'
import type { useJob } from '@/model/jobStore'
import { distance, type Xy } from '@/model/plane'
import { snapTo, type Snap } from './snap'
import { createTargets } from './targets'

const SNAP_PX = 10

/** What the tools of the plan have in common: the map, the job, and the ways between screen, map and the plane of the job. */
export interface PlanGround {
  map: OlMap
  job: ReturnType<typeof useJob>
  project: (at: Position) => Position
  unproject: (at: Position) => Position
  /** Where on the screen a place is. */
  pixelOf: (at: Position) => Position
  metresPerPixel: () => number
  /** The plane of the job with what can be snapped to; without a job a plane about a place of the plan. */
  plane: () => ReturnType<ReturnType<typeof createTargets>>
  /** A place near a point of the map, at what it snaps to. */
  snapped: (
    coordinate: Position,
    pixel: Position,
    drawn: Xy[],
    without?: string,
  ) => { at: Position; snap: Snap | null }
}

/**
 * @param begun where something was begun to be drawn, to have a plane when there is no job yet
 * @param free whether snapping is off just now
 */
export function createGround(
  map: OlMap,
  job: ReturnType<typeof useJob>,
  project: (at: Position) => Position,
  unproject: (at: Position) => Position,
  begun: () => Position | undefined,
  free: () => boolean,
): PlanGround {
  const targets = createTargets()
  const plane = () =>
    targets(
      job.plan,
      job.land,
      job.design?.layout,
      begun() ?? unproject((map.getView().getCenter() as Position) ?? [0, 0]),
    )

  function planeMetresPerPx(pixel: Position) {
    const on = plane().plane
    const at = (p: Position) => on.toPlane(unproject(map.getCoordinateFromPixel(p) as Position))
    return distance(at(pixel), at([pixel[0]! + 10, pixel[1]!])) / 10
  }

  return {
    map,
    job,
    project,
    unproject,
    pixelOf: (at) => map.getPixelFromCoordinate(project(at)) as Position,
    metresPerPixel: () => map.getView().getResolution() ?? 1,
    plane,
    snapped(coordinate, pixel, drawn, without) {
      const { plane: on, all } = plane()
      const p = on.toPlane(unproject(coordinate))
      const near = without ? all.filter((t) => t.lineId !== without) : all
      const snap = free() ? null : snapTo(p, near, drawn, SNAP_PX * planeMetresPerPx(pixel))
      return { at: on.toGeo(snap?.at ?? p), snap }
    },
  }
}
