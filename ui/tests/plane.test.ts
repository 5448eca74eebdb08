import { describe, expect, it } from 'vitest'
import { joinLines, moveSide, setSideLength, splitLine, copyBeside } from '@/model/shapeEdit'
import { legBearing, parseLeg } from '@/features/plan/leg'
import { area, bearing, curve, distance, offset, planeAt, polygon, step, turn, type Xy } from '@/model/plane'
import { snapTo } from '@/features/plan/snap'
import { areaText, tapedText } from '@/shared/units'
import { plan, square } from './fixtures'

describe('the plane the interface draws on', () => {
  /** Made by the core: LocalPlane at 0.8841 E, 44.1372 N, its toGeo of these east and north metres. */
  const core: [Xy, [number, number]][] = [
    [
      [148, 12],
      [0.8859495147481389, 44.13730798132518],
    ],
    [
      [-470, -40],
      [0.8782265873954177, 44.13683986135614],
    ],
  ]

  it('is the one of the core, both ways', () => {
    const plane = planeAt([0.8841, 44.1372])
    for (const [xy, place] of core) {
      const at = plane.toGeo(xy)
      expect(at[0]).toBeCloseTo(place[0], 11)
      expect(at[1]).toBeCloseTo(place[1], 11)
      const back = plane.toPlane(at)
      expect(distance(back, xy)).toBeLessThan(1e-4)
    }
  })

  it('steps, turns and measures', () => {
    expect(bearing([0, 0], step([0, 0], 237, 12))).toBeCloseTo(237)
    expect(turn(350, 20)).toBeCloseTo(30)
    expect(turn(20, 350)).toBeCloseTo(-30)
    expect(area(polygon([5, 5], 30, [40, 25, 40, 25]))).toBeCloseTo(1000)
    const hexagon = polygon([0, 0], 10, Array<number>(6).fill(7))
    expect(distance(hexagon[5]!, hexagon[0]!)).toBeCloseTo(7)
    expect(area(hexagon)).toBeCloseTo(((3 * Math.sqrt(3)) / 2) * 49)
  })

  it('lays a copy beside at the same distance everywhere, and a curve through its points', () => {
    const ring: Xy[] = [
      [0, 0],
      [0, 50],
      [80, 60],
      [70, -10],
    ]
    const inner = offset(ring, true, 2)
    inner.forEach((p, i) => {
      const a = ring[i]!
      const b = ring[(i + 1) % 4]!
      const d = distance(a, b)
      const off = ((p[0] - a[0]) * (b[1] - a[1]) - (p[1] - a[1]) * (b[0] - a[0])) / d
      expect(off).toBeCloseTo(2)
    })
    expect(area(inner)).toBeLessThan(area(ring))
    const bend = curve(ring, false)
    expect(bend.length).toBeGreaterThan(8)
    for (const p of ring) expect(Math.min(...bend.map((b) => distance(b, p)))).toBeLessThan(4)
    for (let i = 1; i < bend.length - 1; i++)
      expect(Math.abs(turn(bearing(bend[i - 1]!, bend[i]!), bearing(bend[i]!, bend[i + 1]!)))).toBeLessThan(
        40,
      )
  })
})

describe('a typed side', () => {
  it.each([
    ['84 ft 6 in @ 92°', 'bearing', 25.7556, 92],
    ['25.76m', 'bearing', 25.76, 45],
    ['25 m @ 30 left', 'bearing', 25, 15],
    ['25 m @ 30 right', 'bearing', 25, 75],
    ['25 m @ n 200', 'turn', 25, 200],
    ['10 m @ -90', 'turn', 10, -45],
    ['10 m @ 90', 'corner', 10, 135],
    ['10 m @ 60 left', 'corner', 10, -75],
  ] as const)('%s by %s', (text, kind, lengthM, deg) => {
    const leg = parseLeg(text, 'METRIC', kind)!
    expect(leg.lengthM).toBeCloseTo(lengthM)
    expect(legBearing(leg, 45)).toBeCloseTo(deg)
  })

  it.each(['', '@ 90', '0 m', '-3 m', '12 m @ ninety', '12 m @ 1 @ 2'])('refuses “%s”', (text) => {
    expect(parseLeg(text, 'METRIC', 'bearing')).toBeNull()
  })
})

describe('snapping', () => {
  const yard = {
    name: 'Yard',
    path: [
      [0, 0],
      [50, 0],
      [50, 30],
      [0, 30],
    ] as Xy[],
    closed: true,
    lineId: 'line-1',
  }

  it('takes a corner before a side, and names both', () => {
    expect(snapTo([50.5, 0.4], [yard], [], 1)).toMatchObject({ at: [50, 0], name: 'corner 2 of Yard' })
    expect(snapTo([25, 0.6], [yard], [], 1)).toMatchObject({ at: [25, 0], name: 'on Yard', lineId: 'line-1' })
    expect(snapTo([25, 9], [yard], [], 1)).toBeNull()
  })

  it('finds the right angle, straight on and the start', () => {
    const drawn: Xy[] = [
      [100, 0],
      [120, 0],
    ]
    expect(snapTo([120.4, 15], [], drawn, 1)).toMatchObject({ name: 'right angle' })
    expect(snapTo([140, 0.5], [], drawn, 1)!.name).toBe('straight on')
    const more: Xy[] = [...drawn, [120, 15]]
    const square = snapTo([100.6, 15.4], [], more, 1)!
    expect(square.name).toBe('in line with the start')
    expect(square.at[0]).toBeCloseTo(100)
    expect(snapTo([100.3, 0.2], [], more, 1)!.name).toBe('close the line')
  })
})

describe('edits of whole lines', () => {
  it('opens a ring where it is split, and parts an open line into a line and its branch', () => {
    const opened = splitLine(plan(), 'line-1', 0, [1.0005, 44])
    if (!('plan' in opened)) throw new Error('refused')
    const line = opened.plan.site.lines[0]!
    expect(line.closed).toBe(false)
    expect(line.corners).toHaveLength(6)
    expect(line.corners[0]!.at).toEqual(line.corners[5]!.at)
    const parted = splitLine(opened.plan, 'line-1', 2, [1.001, 44.0009])
    if (!('plan' in parted)) throw new Error('refused')
    const [first, second] = parted.plan.site.lines
    expect(second!.startsOn).toBe('line-1')
    expect(first!.corners.at(-1)!.at).toEqual(second!.corners[0]!.at)
    const joined = joinLines(parted.plan, 'line-1', second!.id)
    if (!('plan' in joined)) throw new Error('refused')
    expect(joined.plan.site.lines).toHaveLength(1)
    expect(joined.plan.site.lines[0]!.startsOn).toBeNull()
    expect(joined.plan.site.lines[0]!.endsOn).toBeNull()
  })

  it('moves a side parallel, sets its length, and copies a line beside', () => {
    const plane = planeAt([1, 44])
    const flat = (p: ReturnType<typeof plan>) => p.site.lines[0]!.corners.map((c) => plane.toPlane(c.at))
    const before = flat(plan())
    const moved = moveSide(plan(), 'line-1', 0, 10)
    if (!('plan' in moved)) throw new Error('refused')
    expect(flat(moved.plan)[0]![1]).toBeCloseTo(before[0]![1] - 10, 3)
    expect(flat(moved.plan)[2]).toEqual(before[2])
    const longer = setSideLength(plan(), 'line-1', 0, 120)
    if (!('plan' in longer)) throw new Error('refused')
    expect(distance(flat(longer.plan)[0]!, flat(longer.plan)[1]!)).toBeCloseTo(120, 4)
    const beside = copyBeside(plan(), 'line-1', 0.762, 'outer row')
    if (!('plan' in beside)) throw new Error('refused')
    expect(beside.plan.site.lines.map((l) => l.name)).toEqual(['Square', 'outer row'])
    const open = { ...square(), closed: false, corners: square().corners.slice(0, 2) }
    expect(joinLines(plan(), 'line-1', 'line-1')).toHaveProperty('refused')
    const single = { ...plan(), site: { lines: [open], energizer: null } }
    expect(setSideLength(single, 'line-1', 0, 0.1)).toHaveProperty('refused')
  })
})

describe('lengths as a tape reads them', () => {
  it.each([
    [25.807, 'FT_IN', '84 ft 8 in'],
    [25.8102, 'FT_IN', '84 ft 8 1/8 in'],
    [0.0032, 'FT_IN', '1/8 in'],
    [0, 'FT_IN', '0 in'],
    [25.807, 'METRIC', '25.805 m'],
    [0.123, 'METRIC', '125 mm'],
  ] as const)('%s m in %s is %s', (m, units, text) => expect(tapedText(m, units)).toBe(text))

  it('writes areas', () => {
    expect(areaText(12_400, 'METRIC')).toBe('1.24 ha')
    expect(areaText(4046.8564224 * 3, 'FT_IN')).toBe('3.00 acres')
  })
})
