import { ref } from 'vue'
import type { Position } from '@/api/types'
import { addFeature } from '@/model/landEdit'
import type { useJob } from '@/model/jobStore'
import { addLine } from '@/model/planEdit'
import { legBearing, type Leg } from './leg'
import { bearing, curve, step, type Plane } from '@/model/plane'
import type { useTool } from '@/model/tool'

interface Corner {
  at: Position
  /** The fence line it snapped to, so that an end can branch from it. */
  on: string | null
}

/** What is being drawn, corner by corner, by pointer or by typed sides, until it becomes a line or a feature. */
export function createDraft(
  job: ReturnType<typeof useJob>,
  tools: ReturnType<typeof useTool>,
  ground: () => Plane,
  centre: () => Position,
  showDraft: (path: Position[], closed: boolean) => void,
  dropped: () => void,
) {
  const { tool, drawFor, curved } = tools
  const drawing = ref(0)
  let draft: Corner[] = []

  function wantsOnePoint() {
    return drawFor.value.what === 'land' && drawFor.value.shape === 'POINT'
  }

  function add(corner: Corner) {
    draft = [...draft, corner]
    drawing.value = draft.length
    const wanted = drawFor.value
    if (wantsOnePoint() || (wanted.what === 'points' && draft.length >= wanted.count)) return finish()
    show()
  }

  /** The path as it would be taken over: the corners, or the curve through them. */
  function shaped(corners: Corner[], closed: boolean): Position[] {
    if (!curved.value || corners.length < 3) return corners.map((c) => c.at)
    const plane = ground()
    return curve(
      corners.map((c) => plane.toPlane(c.at)),
      closed,
    ).map((p) => plane.toGeo(p))
  }

  function show(pointer?: Position) {
    const corners = pointer ? [...draft, { at: pointer, on: null }] : draft
    showDraft(shaped(corners, false), isArea())
  }

  const isArea = () => drawFor.value.what === 'land' && drawFor.value.shape === 'AREA'

  /** The next side as somebody typed it; the first point is the cursor's place, or the middle of the map. */
  function leg(typed: Leg) {
    if (draft.length === 0) start()
    const plane = ground()
    const path = draft.map((c) => plane.toPlane(c.at))
    const last = path.at(-1)!
    const before = path.at(-2)
    const lastDeg = before ? bearing(before, last) : null
    add({ at: plane.toGeo(step(last, legBearing(typed, lastDeg), typed.lengthM)), on: null })
  }

  function start(at?: Position) {
    add({ at: at ?? centre(), on: null })
  }

  function finish(closed = false) {
    const corners = draft
    const path = shaped(corners, closed || isArea())
    const wanted = drawFor.value
    drop()
    if (wanted.what === 'points') {
      tool.value = 'select'
      if (corners.length >= wanted.count) wanted.done(corners.map((c) => c.at))
      return
    }
    if (wanted.what === 'land') {
      const least = { POINT: 1, LINE: 2, AREA: 3 }[wanted.shape]
      if (path.length < least) return
      job.changeLand((l) => {
        const made = addFeature(l, wanted.kind, wanted.shape, path)
        job.selected = { kind: 'land', lineId: made.id, id: '0' }
        return made.land
      })
    } else {
      if (path.length < 2) return
      const tees = closed ? {} : { startsOn: corners[0]!.on, endsOn: corners.at(-1)!.on }
      job.change((p) => {
        const made = addLine(p, path, closed, tees)
        job.lineId = made.lineId
        return made.plan
      })
    }
    tool.value = 'select'
  }

  /** Takes the last point of the draft back. */
  function back(): boolean {
    if (draft.length === 0) return false
    draft = draft.slice(0, -1)
    drawing.value = draft.length
    show()
    return true
  }

  function drop() {
    draft = []
    drawing.value = 0
    dropped()
    showDraft([], false)
  }

  return { add, show, leg, start, finish, back, drop, drawing, corners: () => draft }
}
