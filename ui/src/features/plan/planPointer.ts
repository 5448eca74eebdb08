import type OlMap from 'ol/Map'
import type MapBrowserEvent from 'ol/MapBrowserEvent'
import PointerInteraction from 'ol/interaction/Pointer'
import type { Ref } from 'vue'
import type { Plan, Position } from '@/api/types'
import type { useJob } from '@/features/job/jobStore'
import { addCorner, addCutOut, addGate, addLine, moveItem, type ItemRef } from '@/features/job/planEdit'
import { nearestOnLines, stationOf } from './geometry'
import type { Tool } from './tool'

type Job = ReturnType<typeof useJob>
const GRAB_PX = 14
const ON_LINE_PX = 26

/** What the pointer does on the plan: point, drag, draw, place. */
export function createPointer(
  map: OlMap,
  job: Job,
  tool: Ref<Tool>,
  editable: () => boolean,
  project: (at: Position) => Position,
  unproject: (at: Position) => Position,
  showDraft: (path: Position[]) => void,
) {
  const target = map.getTargetElement() as HTMLElement
  const viewport = map.getViewport() as HTMLElement
  let dragging: { item: ItemRef; before: Plan } | null = null
  let draft: Position[] = []
  let over = false

  const pixelDistance = (a: Position, b: Position) => Math.hypot(a[0]! - b[0]!, a[1]! - b[1]!)
  const pixelOf = (at: Position) => map.getPixelFromCoordinate(project(at)) as Position

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
    return (best as { item: ItemRef } | null)?.item ?? null
  }

  function onLine(coordinate: Position) {
    const lines = (job.plan?.site.lines ?? []).map((l) => ({
      id: l.id,
      closed: l.closed,
      path: l.corners.map((c) => project(c.at)),
    }))
    const near = nearestOnLines(lines, coordinate)
    const resolution = map.getView().getResolution() ?? 1
    return near && near.distance / resolution <= ON_LINE_PX ? near : null
  }

  function point(coordinate: Position) {
    const near = onLine(coordinate)
    const laid = near && job.design?.layout.lines.find((l) => l.lineId === near.lineId)
    if (!near || !laid) return
    const station = stationOf(laid, near.side, near.share)
    const posts = laid.posts
    const resolution = map.getView().getResolution() ?? 1
    const nearPost = posts.reduce(
      (a, b) => (Math.abs(b.stationM - station) < Math.abs(a.stationM - station) ? b : a),
      posts[0]!,
    )
    job.lineId = near.lineId
    job.cursorM = Math.abs(nearPost.stationM - station) / resolution < 8 ? nearPost.stationM : station
  }

  function place(coordinate: Position) {
    const near = onLine(coordinate)
    if (tool.value === 'energizer') {
      job.change((p) =>
        moveItem(p, { kind: 'energizer', lineId: '', id: 'energizer' }, unproject(coordinate)),
      )
      tool.value = 'select'
      return
    }
    if (!near) return
    const at = unproject(near.at)
    job.lineId = near.lineId
    job.change((p) => {
      if (tool.value === 'gate') {
        const made = addGate(p, near.lineId, at, job.catalogue?.gateOpeningM ?? 5)
        job.selected = { kind: 'gate', lineId: near.lineId, id: made.id }
        return made.plan
      }
      if (tool.value === 'cutOut') {
        const made = addCutOut(p, near.lineId, at)
        job.selected = { kind: 'cutOut', lineId: near.lineId, id: made.id }
        return made.plan
      }
      const made = addCorner(p, near.lineId, near.side, at)
      job.selected = { kind: 'corner', lineId: near.lineId, id: made.id }
      return made.plan
    })
    tool.value = 'select'
  }

  function click(e: MapBrowserEvent) {
    const coordinate = e.coordinate as Position
    if (!editable()) return point(coordinate)
    if (tool.value === 'draw') return drawTo(coordinate)
    if (tool.value !== 'select') return place(coordinate)
    job.selected = itemAt(e.pixel as Position)
    point(coordinate)
  }

  function drawTo(coordinate: Position) {
    const first = draft[0]
    const resolution = map.getView().getResolution() ?? 1
    if (first && draft.length >= 3 && pixelDistance(first, coordinate) / resolution < GRAB_PX)
      return finish(true)
    draft = [...draft, coordinate]
    showDraft([...draft, coordinate])
  }

  function finish(closed = false) {
    const corners = draft.map(unproject)
    drop()
    if (corners.length < 2) return
    job.change((p) => {
      const made = addLine(p, corners, closed)
      job.lineId = made.lineId
      return made.plan
    })
    tool.value = 'select'
  }

  function drop() {
    draft = []
    showDraft([])
  }

  const interaction = new PointerInteraction({
    handleDownEvent: (e) => {
      if (!editable() || tool.value !== 'select' || !job.plan) return false
      const item = itemAt(e.pixel as Position)
      if (!item) return false
      job.selected = item
      dragging = { item, before: job.plan }
      return true
    },
    handleDragEvent: (e) => {
      if (dragging) job.drag(moveItem(dragging.before, dragging.item, unproject(e.coordinate as Position)))
    },
    handleUpEvent: () => {
      if (dragging) job.drop(dragging.before)
      dragging = null
      return false
    },
    handleMoveEvent: (e) => {
      if (tool.value === 'draw' && draft.length > 0) showDraft([...draft, e.coordinate as Position])
      const grab = editable() && tool.value === 'select' && itemAt(e.pixel as Position)
      target.style.cursor = grab ? 'grab' : editable() && tool.value !== 'select' ? 'crosshair' : ''
    },
  })
  map.on('click', click)
  viewport.addEventListener('pointerenter', () => (over = true))
  viewport.addEventListener('pointerleave', () => (over = false))

  return { interaction, finish, drop, hovering: () => over }
}
