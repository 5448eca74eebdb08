import type OlMap from 'ol/Map'
import type MapBrowserEvent from 'ol/MapBrowserEvent'
import PointerInteraction from 'ol/interaction/Pointer'
import { ref } from 'vue'
import type { Position } from '@/api/types'
import type { useJob } from '@/model/jobStore'
import { area, bearing, distance, turn, type Xy } from '@/model/plane'
import type { useTool } from '@/model/tool'
import { createDragTool } from './dragTool'
import { createDragView } from './dragView'
import { createDrawTool } from './drawTool'
import { createPicking } from './picking'
import { createPlaceTool } from './placeTool'
import { createDraft } from './planDraft'
import { createGround } from './planGround'
import type { Snap } from './snap'

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

/** Hands what the pointer does on the plan to the tool that is chosen. */
export function createPointer(
  map: OlMap,
  job: ReturnType<typeof useJob>,
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
  const live = ref<Live | null>(null)
  let over = false
  let free = false

  const ground = createGround(
    map,
    job,
    project,
    unproject,
    () => draft.corners()[0]?.at,
    () => free,
  )
  const view = createDragView(live, ground.pixelOf)
  const draft = createDraft(
    job,
    tools,
    () => ground.plane().plane,
    () => unproject(map.getView().getCenter() as Position),
    (path, closed) => showDraft(path.map(project), closed),
    () => (live.value = null),
  )
  const picking = createPicking(ground)
  const draw = createDrawTool(ground, draft)
  const place = createPlaceTool(ground, picking)
  const drag = createDragTool(ground, picking, view, said)

  function click(e: MapBrowserEvent) {
    const coordinate = e.coordinate as Position
    const pixel = e.pixel as Position
    free = (e.originalEvent as PointerEvent).altKey
    if (!editable()) picking.pointAt(coordinate)
    else if (tool.value === 'draw') draw.click(coordinate, pixel)
    else if (tool.value === 'select') picking.select(coordinate, pixel)
    else if (place(tool.value, coordinate)) tool.value = 'select'
  }

  function said(pixel: Position, at: Position, snap: Snap | null, path: Xy[]): Live {
    const p = ground.plane().plane.toPlane(at)
    const last = path.at(-1)
    const before = path.at(-2)
    const now = last ? bearing(last, p) : null
    return {
      ...nothingAt(pixel),
      lengthM: last ? distance(last, p) : null,
      bearingDeg: now,
      turnDeg: last && before && now !== null ? turn(bearing(before, last), now) : null,
      areaM2: path.length >= 2 ? area([...path, p]) : null,
      snap: snap?.name ?? '',
    }
  }

  function rest(coordinate: Position, pixel: Position) {
    const found = picking.onLaidLine(coordinate)
    const place = found ? sayOf(found.lineId, found.stationM) : ''
    const text = [picking.nameAt(pixel), place].filter(Boolean).join(' · ')
    live.value = text ? { ...nothingAt(pixel), snap: text } : null
  }

  const nothingAt = (pixel: Position): Live => ({
    x: pixel[0]!,
    y: pixel[1]!,
    lengthM: null,
    bearingDeg: null,
    turnDeg: null,
    areaM2: null,
    snap: '',
  })

  const interaction = new PointerInteraction({
    handleDownEvent: (e) => editable() && tool.value === 'select' && drag.begin(e.pixel as Position),
    handleDragEvent: (e) => {
      free = (e.originalEvent as PointerEvent).altKey
      drag.move(e.coordinate as Position, e.pixel as Position)
    },
    handleUpEvent: () => {
      drag.end()
      letGo()
      return false
    },
    handleMoveEvent: (e) => {
      const pixel = e.pixel as Position
      if (editable() && tool.value === 'draw') {
        free = (e.originalEvent as PointerEvent).altKey
        const { at, snap, path } = draw.hover(e.coordinate as Position, pixel)
        live.value = said(pixel, at, snap, path)
      } else if (!drag.active()) {
        rest(e.coordinate as Position, pixel)
      }
      const grab = editable() && tool.value === 'select' && picking.itemAt(pixel)
      target.style.cursor = grab ? 'grab' : editable() && tool.value !== 'select' ? 'crosshair' : ''
    },
  })
  map.on('click', click)
  viewport.addEventListener('pointerenter', () => (over = true))
  viewport.addEventListener('pointerleave', () => {
    over = false
    if (!drag.active()) live.value = null
  })

  return { interaction, draft, live, view, hovering: () => over, dragging: drag.active }
}
