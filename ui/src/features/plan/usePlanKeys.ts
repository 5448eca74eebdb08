import type { Position } from '@/api/types'
import { useJob } from '@/features/job/jobStore'
import { addCutOut, addGate, moveItem, removeItem } from '@/features/job/planEdit'
import { placeAt } from './geometry'
import { tools, useTool } from './tool'

interface Drawing {
  finishDraft: (closed?: boolean) => void
  dropDraft: () => void
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
        if (tool.value === 'draw') return (map()?.finishDraft(), true)
        return placeAtCursor()
      case 'Escape':
        map()?.dropDraft()
        choose('select')
        job.selected = null
        return true
      case 'Delete':
      case 'Backspace': {
        const item = job.selected
        if (!item) return false
        job.selected = null
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
