import type { Position } from '@/api/types'
import { addCorner, addCutOut, addGate, moveItem } from '@/model/planEdit'
import { splitLine } from '@/model/shapeEdit'
import type { Tool } from '@/model/tool'
import type { createPicking } from './picking'
import type { PlanGround } from './planGround'

/** A click that puts something on the plan: a corner, a gate, a cut-out, the energizer, or a cut. Answers whether it did. */
export function createPlaceTool({ job, unproject }: PlanGround, picking: ReturnType<typeof createPicking>) {
  return (tool: Tool, coordinate: Position): boolean => {
    if (tool === 'energizer') {
      job.change((p) =>
        moveItem(p, { kind: 'energizer', lineId: '', id: 'energizer' }, unproject(coordinate)),
      )
      return true
    }
    const found = picking.onLine(coordinate)
    if (!found) return false
    const { lineId, side } = found
    const at = unproject(found.at)
    job.lineId = lineId
    job.change((p) => {
      if (tool === 'split') {
        const edited = splitLine(p, lineId, side, at)
        return 'plan' in edited ? edited.plan : p
      }
      const [kind, made] =
        tool === 'gate'
          ? (['gate', addGate(p, lineId, at, job.catalogue?.gateOpeningM ?? 5)] as const)
          : tool === 'cutOut'
            ? (['cutOut', addCutOut(p, lineId, at)] as const)
            : (['corner', addCorner(p, lineId, side, at)] as const)
      job.selected = { kind, lineId, id: made.id }
      return made.plan
    })
    return true
  }
}
