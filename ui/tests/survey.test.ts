import { beforeEach, describe, expect, it } from 'vitest'
import { addFeature, changeFeature, movePoint, removeFeature, removePoint } from '@/model/landEdit'
import { addLine, removeLine, takeSurvey } from '@/model/planEdit'
import { landShapes } from '@/features/plan/landStyles'
import { kindText, shapeOf } from '@/model/landKinds'
import { bearing, distance, planeAt } from '@/model/plane'
import { createDraft } from '@/features/plan/planDraft'
import { createTargets } from '@/features/plan/targets'
import { useTool } from '@/model/tool'
import { design, plan, square } from './fixtures'
import { noLand, openJob } from './openJob'

beforeEach(() => {
  localStorage.clear()
  useTool().choose('select')
})

describe('edits of the land', () => {
  it('adds, changes, moves and takes out features without touching the old land', () => {
    const first = addFeature(noLand, 'CREEK', 'LINE', [
      [1, 44, 200],
      [1.001, 44],
      [1.002, 44],
    ])
    const second = addFeature(first.land, 'NO_GO', 'AREA', [
      [1, 44],
      [1.001, 44],
      [1.001, 44.001],
    ])
    expect(second.id).not.toBe(first.id)
    expect(first.land.features[0]!.points[0]).toEqual([1, 44])
    const moved = movePoint(second.land, first.id, 1, [1.0015, 44.0001])
    expect(moved.features[0]!.points[1]).toEqual([1.0015, 44.0001])
    expect(second.land.features[0]!.points[1]).toEqual([1.001, 44])
    expect(removePoint(moved, first.id, 0).features[0]!.points).toHaveLength(2)
    expect(removePoint(moved, second.id, 0).features).toHaveLength(1)
    expect(changeFeature(moved, second.id, { name: 'sett' }).features[1]!.name).toBe('sett')
    expect(removeFeature(moved, first.id).features.map((f) => f.id)).toEqual([second.id])
    expect(noLand.features).toHaveLength(0)
  })

  it('knows how each kind may be drawn, and draws each with a name', () => {
    for (const kind of Object.keys(kindText) as (keyof typeof kindText)[]) {
      for (const shape of shapeOf[kind]) {
        const points = [
          [0, 0],
          [400, 0],
          [400, 300],
        ].slice(0, shape === 'POINT' ? 1 : 3)
        const { land } = addFeature(noLand, kind, shape, points)
        const { words } = landShapes(land.features[0]!, (p) => p, 1, true)
        const texts = words.map((w) => w.text)
        expect(texts, `${kind} as ${shape}`).toContain(kindText[kind])
      }
    }
  })
})

describe('branches', () => {
  it('keeps the names of branches when a survey is taken over under new ids, and frees them with their line', () => {
    const survey = {
      lines: [
        { ...square(), id: 'line-1', name: 'main' },
        { ...square(), id: 'line-2', name: 'spur', closed: false, startsOn: 'line-1', endsOn: 'elsewhere' },
      ],
      energizer: null,
    }
    const taken = takeSurvey(plan(), survey)
    const spur = taken.plan.site.lines.find((l) => l.name === 'spur')!
    const main = taken.plan.site.lines.find((l) => l.name === 'main')!
    expect(main.id).not.toBe('line-1')
    expect(spur.startsOn).toBe(main.id)
    expect(spur.endsOn).toBeNull()
    const left = removeLine(taken.plan, main.id)
    expect(left.site.lines.find((l) => l.name === 'spur')!.startsOn).toBeNull()
  })
})

describe('what is being drawn', () => {
  function drafting() {
    const { job } = openJob()
    const tools = useTool()
    const plane = planeAt([1, 44])
    const shown: number[] = []
    const draft = createDraft(
      job,
      tools,
      () => plane,
      () => [1, 44],
      (path) => shown.push(path.length),
      () => undefined,
    )
    return { job, tools, plane, draft, shown }
  }

  it('becomes a line by typed sides, with its ends on the lines they snapped to', () => {
    const { job, tools, plane, draft } = drafting()
    tools.choose('draw')
    draft.add({ at: plane.toGeo([10, 0]), on: 'line-1' })
    draft.leg({ lengthM: 30, angle: { kind: 'bearing', deg: 90 } })
    draft.leg({ lengthM: 20, angle: { kind: 'turn', deg: 90 } })
    draft.leg({ lengthM: 5, angle: null })
    expect(draft.back()).toBe(true)
    draft.finish()
    const line = job.plan!.site.lines[1]!
    const path = line.corners.map((c) => plane.toPlane(c.at))
    expect(distance(path[0]!, path[1]!)).toBeCloseTo(30, 6)
    expect(bearing(path[1]!, path[2]!)).toBeCloseTo(180, 4)
    expect(line.startsOn).toBe('line-1')
    expect(line.endsOn).toBeNull()
    expect(tools.tool.value).toBe('select')
    expect(draft.back()).toBe(false)
  })

  it('becomes a feature, a curve, or just the points somebody asked for', () => {
    const { job, tools, plane, draft } = drafting()
    tools.draw({ what: 'land', kind: 'SOIL', shape: 'AREA' })
    draft.add({ at: plane.toGeo([0, 0]), on: null })
    draft.add({ at: plane.toGeo([9, 0]), on: null })
    draft.finish()
    expect(job.land!.features).toHaveLength(0)
    tools.draw({ what: 'land', kind: 'POWER_OUTLET', shape: 'POINT' })
    draft.add({ at: plane.toGeo([3, 3]), on: null })
    expect(job.land!.features.map((f) => f.kind)).toEqual(['POWER_OUTLET'])

    tools.choose('draw')
    tools.curved.value = true
    for (const p of [
      [0, 0],
      [40, 30],
      [90, 0],
    ] as const)
      draft.add({ at: plane.toGeo(p), on: null })
    draft.finish()
    tools.curved.value = false
    expect(job.plan!.site.lines.at(-1)!.corners.length).toBeGreaterThan(6)

    const got: number[][] = []
    tools.draw({ what: 'points', count: 2, say: '', done: (points) => got.push(...points) })
    draft.start()
    draft.add({ at: [1.5, 44.5], on: null })
    expect(got).toEqual([
      [1, 44],
      [1.5, 44.5],
    ])
  })
})

describe('what can be snapped to', () => {
  it('is made anew only when plan or land changed, and follows a branch to where the core has it', () => {
    const targets = createTargets()
    const p = plan()
    const layout = { ...design().layout, origin: [1, 44] as unknown as never }
    const first = targets(p, noLand, layout, [0, 0])
    expect(targets(p, noLand, layout, [0, 0]).all).toBe(first.all)
    const { land } = addFeature(noLand, 'CREEK', 'LINE', [
      [1, 44],
      [1.001, 44],
    ])
    const second = targets(p, land, layout, [0, 0])
    expect(second.all.map((t) => t.name)).toEqual(['Square', 'creek'])
    expect(second.all[0]!.lineId).toBe('line-1')
    expect(second.all[0]!.path[1]![0]).toBeCloseTo(100, 0)
    const moved = addLine(
      p,
      [
        [1, 44],
        [1.001, 44.001],
      ],
      false,
    ).plan
    expect(targets(moved, land, layout, [0, 0]).all).toHaveLength(3)
  })
})
