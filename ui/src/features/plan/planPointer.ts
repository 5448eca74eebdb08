import type OlMap from 'ol/Map'
import type MapBrowserEvent from 'ol/MapBrowserEvent'
import PointerInteraction from 'ol/interaction/Pointer'
import { ref } from 'vue'
import type { Land, Plan, Position } from '@/api/types'
import { movePoint } from '@/model/landEdit'
import type { useJob } from '@/model/jobStore'
import { addCorner, addCutOut, addGate, moveItem, type ItemRef } from '@/model/planEdit'
import { splitLine } from '@/model/shapeEdit'
import { nearestOnLines, stationOf } from '@/model/geometry'
import { area, bearing, distance, turn, type Xy } from '@/model/plane'
import { createDragView } from './dragView'
import { createDraft } from './planDraft'
import { snapTo, type Snap } from './snap'
import { createTargets } from './targets'
import type { useTool } from '@/model/tool'

type Job = ReturnType<typeof useJob>
const GRAB_PX = 14
const ON_LINE_PX = 26
const SNAP_PX = 10

/** What is said beside the pointer while something is drawn or dragged. */
export interface Live {
  x: number
  y: number
  lengthM: number | null
  bearingDeg: number | null
  turnDeg: number | null
  areaM2: number | null
  snap: string
}

/** What the pointer does on the plan: point, drag, draw, place. */
export function createPointer(
  map: OlMap,
  job: Job,
  tools: ReturnType<typeof useTool>,
  editable: () => boolean,
  project: (at: Position) => Position,
  unproject: (at: Position) => Position,
  showDraft: (path: Position[], closed: boolean) => void,
  /** What is to be said of a place on a line while the pointer rests there. */
  sayOf: (lineId: string, stationM: number) => string,
  /** Something was let go. */
  letGo: () => void,
) {
  const { tool } = tools
  const target = map.getTargetElement() as HTMLElement
  const viewport = map.getViewport() as HTMLElement
  const targets = createTargets()
  const live = ref<Live | null>(null)
  let dragging: { item: ItemRef; before: { plan: Plan; land: Land } } | null = null
  let over = false
  let free = false

  const pixelDistance = (a: Position, b: Position) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!)
  const pixelOf = (at: Position) => map.getPixelFromCoordinate(project(at)) as Position

  /** Snapping targets on the plane of the job; without a job, on a plane where drawing began. */
  function ground() {
    const origin = draft.corners()[0]?.at ?? unproject((map.getView().getCenter() as Position) ?? [0, 0])
    return targets(job.plan, job.land, job.design?.layout, origin)
  }

  const view = createDragView(live, pixelOf)
  const draft = createDraft(
    job,
    tools,
    () => ground().plane,
    () => unproject(map.getView().getCenter() as Position),
    (path, closed) => showDraft(path.map(project), closed),
    () => (live.value = null),
  )

  const metresPerPx = (plane: ReturnType<typeof ground>['plane'], pixel: Position) => {
    const at = (p: Position) => plane.toPlane(unproject(map.getCoordinateFromPixel(p) as Position))
    return distance(at(pixel), at([pixel[0]! + 10, pixel[1]!])) / 10
  }

  function snapped(
    coordinate: Position,
    pixel: Position,
    drawn: Xy[],
    without?: string,
  ): { at: Position; snap: Snap | null } {
    const { plane, all } = ground()
    const p = plane.toPlane(unproject(coordinate))
    const snap = free
      ? null
      : snapTo(
          p,
          without ? all.filter((t) => t.lineId !== without) : all,
          drawn,
          SNAP_PX * metresPerPx(plane, pixel),
        )
    return { at: plane.toGeo(snap?.at ?? p), snap }
  }

  const flatDraft = () => draft.corners().map((c) => ground().plane.toPlane(c.at))

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
    const resolution = map.getView().getResolution() ?? 1
    return found ? { ...found, px: found.distance / resolution } : null
  }

  const linePaths = () =>
    (job.plan?.site.lines ?? []).map((l) => ({
      id: l.id,
      closed: l.closed,
      path: (
        job.design?.layout.lines.find((x) => x.lineId === l.id)?.corners ?? l.corners.map((c) => c.at)
      ).map(project),
    }))

  function onLine(coordinate: Position) {
    const found = near(coordinate, linePaths())
    return found && found.px <= ON_LINE_PX ? found : null
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
    return found && found.px < 9 && (!line || found.px < line.px) ? found.lineId : null
  }

  function point(coordinate: Position) {
    const found = onLine(coordinate)
    const laid = found && job.design?.layout.lines.find((l) => l.lineId === found.lineId)
    if (!found || !laid) return
    const station = stationOf(laid, found.side, found.share)
    const posts = laid.posts
    const resolution = map.getView().getResolution() ?? 1
    const nearPost = posts.reduce(
      (a, b) => (Math.abs(b.stationM - station) < Math.abs(a.stationM - station) ? b : a),
      posts[0]!,
    )
    job.lineId = found.lineId
    job.cursorM = Math.abs(nearPost.stationM - station) / resolution < 8 ? nearPost.stationM : station
  }

  function place(coordinate: Position) {
    if (tool.value === 'energizer') {
      job.change((p) =>
        moveItem(p, { kind: 'energizer', lineId: '', id: 'energizer' }, unproject(coordinate)),
      )
      tool.value = 'select'
      return
    }
    const found = onLine(coordinate)
    if (!found) return
    const at = unproject(found.at)
    job.lineId = found.lineId
    job.change((p) => {
      if (tool.value === 'split') {
        const edited = splitLine(p, found.lineId, found.side, at)
        return 'plan' in edited ? edited.plan : p
      }
      if (tool.value === 'gate') {
        const made = addGate(p, found.lineId, at, job.catalogue?.gateOpeningM ?? 5)
        job.selected = { kind: 'gate', lineId: found.lineId, id: made.id }
        return made.plan
      }
      if (tool.value === 'cutOut') {
        const made = addCutOut(p, found.lineId, at)
        job.selected = { kind: 'cutOut', lineId: found.lineId, id: made.id }
        return made.plan
      }
      const made = addCorner(p, found.lineId, found.side, at)
      job.selected = { kind: 'corner', lineId: found.lineId, id: made.id }
      return made.plan
    })
    tool.value = 'select'
  }

  function click(e: MapBrowserEvent) {
    const coordinate = e.coordinate as Position
    free = (e.originalEvent as PointerEvent).altKey
    if (!editable()) return point(coordinate)
    if (tool.value === 'draw') return drawTo(coordinate, e.pixel as Position)
    if (tool.value !== 'select') return place(coordinate)
    const item = itemAt(e.pixel as Position)
    const feature = item ? null : landAt(coordinate)
    job.selected = item ?? (feature ? { kind: 'land', lineId: feature, id: '0' } : null)
    if (!feature) point(coordinate)
  }

  function drawTo(coordinate: Position, pixel: Position) {
    const { at, snap } = snapped(coordinate, pixel, flatDraft())
    const resolution = map.getView().getResolution() ?? 1
    const first = draft.corners()[0]
    const back = first && pixelDistance(project(first.at), coordinate) / resolution < GRAB_PX
    if (draft.corners().length >= 3 && (snap?.name === 'close the line' || back)) return draft.finish(true)
    draft.add({ at, on: snap?.lineId ?? null })
  }

  function said(pixel: Position, at: Position, snap: Snap | null, path: Xy[]): Live {
    const { plane } = ground()
    const p = plane.toPlane(at)
    const last = path.at(-1)
    const before = path.at(-2)
    const now = last ? bearing(last, p) : null
    return {
      ...beside(pixel),
      lengthM: last ? distance(last, p) : null,
      bearingDeg: now,
      turnDeg: last && before && now !== null ? turn(bearing(before, last), now) : null,
      areaM2: path.length >= 2 ? area([...path, p]) : null,
      snap: snap?.name ?? '',
    }
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

  function rest(coordinate: Position, pixel: Position) {
    const found = onLine(coordinate)
    const laid = found && job.design?.layout.lines.find((l) => l.lineId === found.lineId)
    const said = found && laid ? sayOf(found.lineId, stationOf(laid, found.side, found.share)) : ''
    const text = [nameAt(pixel), said].filter(Boolean).join(' · ')
    live.value = text ? { ...beside(pixel), snap: text } : null
  }

  const beside = (pixel: Position) => ({
    x: pixel[0]!,
    y: pixel[1]!,
    lengthM: null,
    bearingDeg: null,
    turnDeg: null,
    areaM2: null,
  })

  function dragTo(e: MapBrowserEvent) {
    if (!dragging) return
    free = (e.originalEvent as PointerEvent).altKey
    const { item, before } = dragging
    const pixel = e.pixel as Position
    if (item.kind === 'land') {
      const { at } = snapped(e.coordinate as Position, pixel, [])
      const feature = before.land.features.find((f) => f.id === item.lineId)
      view.moved(at, null, feature?.points, feature?.shape === 'AREA', Number(item.id))
      job.dragLand(movePoint(before.land, item.lineId, Number(item.id), at))
      return
    }
    if (item.kind !== 'corner') {
      const at = unproject(e.coordinate as Position)
      view.moved(at, null)
      job.drag(moveItem(before.plan, item, at))
      return
    }
    const line = before.plan.site.lines.find((l) => l.id === item.lineId)
    const i = line?.corners.findIndex((c) => c.id === item.id) ?? -1
    const { plane } = ground()
    const around = [-2, -1]
      .map((k) => line?.corners.at(i + k))
      .filter((c, k) => c && (line?.closed || i + k - 2 >= 0))
    const path = around.map((c) => plane.toPlane(c!.at))
    const { at, snap } = snapped(e.coordinate as Position, pixel, path.slice(-2), item.lineId)
    view.moved(
      at,
      said(pixel, at, snap, path.slice(-1)),
      line?.corners.map((c) => c.at),
      line?.closed,
      i,
    )
    job.drag(moveItem(before.plan, item, at))
  }

  const interaction = new PointerInteraction({
    handleDownEvent: (e) => {
      if (!editable() || tool.value !== 'select' || !job.plan || !job.land) return false
      const item = itemAt(e.pixel as Position)
      if (!item) return false
      job.selected = item
      dragging = { item, before: { plan: job.plan, land: job.land } }
      return true
    },
    handleDragEvent: dragTo,
    handleUpEvent: () => {
      const { before } = dragging ?? {}
      dragging = null
      view.end()
      if (before) job.drop(before)
      letGo()
      return false
    },
    handleMoveEvent: (e) => {
      const pixel = e.pixel as Position
      if (editable() && tool.value === 'draw') {
        free = (e.originalEvent as PointerEvent).altKey
        const path = flatDraft()
        const { at, snap } = snapped(e.coordinate as Position, pixel, path)
        live.value = said(pixel, at, snap, path)
        if (draft.corners().length > 0) draft.show(at)
      } else if (!dragging) {
        rest(e.coordinate as Position, pixel)
      }
      const grab = editable() && tool.value === 'select' && itemAt(pixel)
      target.style.cursor = grab ? 'grab' : editable() && tool.value !== 'select' ? 'crosshair' : ''
    },
  })
  map.on('click', click)
  viewport.addEventListener('pointerenter', () => (over = true))
  viewport.addEventListener('pointerleave', () => {
    over = false
    if (!dragging) live.value = null
  })

  return { interaction, draft, live, view, hovering: () => over, dragging: () => dragging !== null }
}
