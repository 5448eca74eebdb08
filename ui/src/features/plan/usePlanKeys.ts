import type { Position } from '@/api/types'
import { useJob } from '@/model/jobStore'
import { movePoint, removePoint } from '@/model/landEdit'
import { addCutOut, addGate, moveItem, removeItem } from '@/model/planEdit'
import { placeAt } from '@/model/geometry'
import type { createDraft } from './planDraft'
import { tools, useTool } from '@/model/tool'

interface Drawing {
  draft: ReturnType<typeof createDraft>
}

// Degrees of latitude to a metre, near enough for a nudge on the screen; the core measures where it ends up.
const DEGREES_PER_M = 1 / 111_200

/** The plan by keyboard alone: choose a tool, place at the cursor, choose a corner, move it, take it out. */
export function usePlanKeys(map: () => Drawing | undefined) {
  const job = useJob()
  const { tool, choose } = useTool()

  function placeAtCursor() {
    const line = job.plan?.site.lines.find((l) => l.id === job.line?.lineId)
    if (!line || !job.line || job.cursorM === null) return false
    const at = placeAt(line, job.line, job.cursorM).at
    if (tool.value === 'gate')
      job.change((p) => addGate(p, line.id, at, job.catalogue?.gateOpeningM ?? 5).plan)
    else if (tool.value === 'cutOut') job.change((p) => addCutOut(p, line.id, at).plan)
    else if (tool.value === 'energizer')
      job.change((p) => moveItem(p, { kind: 'energizer', lineId: '', id: 'energizer' }, at))
    else return false
    choose('select')
    return true
  }

  /** Enter begins at the cursor's place or the middle of the map, and ends what has begun. */
  function startOrFinish() {
    if ((map()?.draft.drawing.value ?? 0) > 0) return map()?.draft.finish()
    const line = job.plan?.site.lines.find((l) => l.id === job.line?.lineId)
    map()?.draft.start(
      line && job.line && job.cursorM !== null ? placeAt(line, job.line, job.cursorM).at : undefined,
    )
  }

  function nextCorner(step: number) {
    const line = job.plan?.site.lines.find((l) => l.id === job.line?.lineId)
    if (!line || !job.line) return false
    const now = line.corners.findIndex((c) => c.id === job.selected?.id)
    const next = now < 0 ? 0 : (now + step + line.corners.length) % line.corners.length
    job.selected = { kind: 'corner', lineId: line.id, id: line.corners[next]!.id }
    job.cursorM = job.line.cornerStationsM[next] ?? null
    return true
  }

  function nudge(east: number, north: number) {
    const item = job.selected
    const line = job.plan?.site.lines.find((l) => l.id === item?.lineId)
    const all = [...(line?.corners ?? []), ...(line?.gates ?? []), ...(line?.cutOuts ?? [])]
    const at: Position | undefined =
      item?.kind === 'energizer' ? job.plan?.site.energizer?.at : all.find((x) => x.id === item?.id)?.at
    const feature = item?.kind === 'land' && job.land?.features.find((f) => f.id === item.lineId)
    if (item && feature) {
      const index = Number(item.id)
      const p = feature.points[index]!
      const narrow = Math.cos((p[1]! * Math.PI) / 180)
      const to = [p[0]! + (east * DEGREES_PER_M) / narrow, p[1]! + north * DEGREES_PER_M]
      job.changeLand((l) => movePoint(l, feature.id, index, to))
      return true
    }
    if (!item || !at) return false
    const shrink = Math.cos((at[1]! * Math.PI) / 180)
    job.change((p) =>
      moveItem(p, item, [at[0]! + (east * DEGREES_PER_M) / shrink, at[1]! + north * DEGREES_PER_M]),
    )
    return true
  }

  return (e: KeyboardEvent): boolean => {
    const known = tools.find((t) => t.key.toLowerCase() === e.key.toLowerCase())
    if (known) return (choose(known.id), true)
    const step = e.shiftKey ? 5 : 0.5
    switch (e.key) {
      case 'Enter':
        if (tool.value === 'draw') return (startOrFinish(), true)
        return placeAtCursor()
      case 'Escape':
        map()?.draft.drop()
        choose('select')
        job.selected = null
        return true
      case 'Delete':
      case 'Backspace': {
        if (tool.value === 'draw') return map()?.draft.back() ?? false
        const item = job.selected
        if (!item) return false
        job.selected = null
        if (item.kind === 'land')
          return (job.changeLand((l) => removePoint(l, item.lineId, Number(item.id))), true)
        job.change((p) => removeItem(p, item))
        return true
      }
      case '[':
        return nextCorner(-1)
      case ']':
        return nextCorner(1)
      case 'ArrowLeft':
        return nudge(-step, 0)
      case 'ArrowRight':
        return nudge(step, 0)
      case 'ArrowUp':
        return nudge(0, step)
      case 'ArrowDown':
        return nudge(0, -step)
      default:
        return false
    }
  }
}
