import { describe, expect, it } from 'vitest'
import * as edit from '@/model/planEdit'
import { useHistory } from '@/shared/history'
import { plan } from './fixtures'

describe('edits of a plan', () => {
  it('leave the old plan alone', () => {
    const before = plan()
    const copy = structuredClone(before)
    let next = edit.moveItem(before, { kind: 'corner', lineId: 'line-1', id: 'c2' }, [1.002, 44, 99])
    next = edit.addGate(next, 'line-1', [1.0005, 44], 5).plan
    next = edit.addCutOut(next, 'line-1', [1.0006, 44]).plan
    next = edit.moveItem(next, { kind: 'energizer', lineId: '', id: 'energizer' }, [1.0001, 44.0001])
    expect(before).toEqual(copy)
    const line = next.site.lines[0]!
    expect(line.corners[1]!.at).toEqual([1.002, 44])
    expect(line.gates[0]).toMatchObject({ id: 'gate-1', kind: 'SWING', openingM: 5 })
    expect(line.cutOuts[0]!.id).toBe('cut-1')
    expect(next.site.energizer).toEqual({ name: 'energizer', at: [1.0001, 44.0001] })
  })

  it('give each thing an id of its own, whatever was taken out before', () => {
    let p = plan()
    for (let i = 0; i < 3; i++) p = edit.addGate(p, 'line-1', [1.0005, 44], 4).plan
    p = edit.removeItem(p, { kind: 'gate', lineId: 'line-1', id: 'gate-2' })
    const again = edit.addGate(p, 'line-1', [1, 44.0004], 4)
    expect(again.id).toBe('gate-2')
    expect(new Set(again.plan.site.lines[0]!.gates.map((g) => g.id)).size).toBe(3)
    const corner = edit.addCorner(p, 'line-1', 1, [1.0013, 44.0005])
    expect(corner.plan.site.lines[0]!.corners.map((c) => c.id)).toEqual(['c1', 'c2', 'c5', 'c3', 'c4'])
  })

  it('take out a line that would have too few corners', () => {
    let p = plan()
    p = edit.removeItem(p, { kind: 'corner', lineId: 'line-1', id: 'c1' })
    expect(p.site.lines[0]!.corners).toHaveLength(3)
    p = edit.removeItem(p, { kind: 'corner', lineId: 'line-1', id: 'c2' })
    expect(p.site.lines).toHaveLength(0)
  })

  it('take a survey in beside what is there, with new ids where they are taken', () => {
    const there = edit.addGate(plan(), 'line-1', [1.0005, 44], 5).plan
    const survey = edit.addGate(plan(), 'line-1', [1.0004, 44], 5).plan.site
    const { plan: both, lineId } = edit.takeSurvey(there, {
      ...survey,
      energizer: { name: 'barn', at: [1, 44] },
    })
    expect(lineId).toBe('line-2')
    expect(both.site.lines.flatMap((l) => l.gates.map((g) => g.id))).toEqual(['gate-1', 'gate-2'])
    expect(both.site.energizer?.name).toBe('barn')
  })
})

describe('history', () => {
  it('steps back and forth and forgets the future after a change', () => {
    const h = useHistory<number>(3)
    h.remember(1)
    h.remember(2)
    expect(h.undo(3)).toBe(2)
    expect(h.undo(2)).toBe(1)
    expect(h.undo(1)).toBeUndefined()
    expect(h.redo(1)).toBe(2)
    h.remember(2)
    expect(h.canRedo.value).toBe(false)
    for (let i = 0; i < 9; i++) h.remember(i)
    expect([h.undo(9), h.undo(8), h.undo(7), h.undo(6)]).toEqual([8, 7, 6, undefined])
  })
})
