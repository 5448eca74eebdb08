import { gatesNamed } from '@/features/ribbon/gatesNamed'
import type { Brace } from '@/api/types'
import { describe, expect, it } from 'vitest'
import { nearestOnLines, placeAt, roundStep, stationOf, unwrap } from '@/model/geometry'
import {
  axisStations,
  bracePath,
  groundPath,
  heightAt,
  postPath,
  ribbonScale,
  wirePath,
} from '@/features/ribbon/ribbonGeometry'
import { thumbPath } from '@/features/yard/thumb'
import { laidSquare, square, wire } from './fixtures'

const frame = { width: 852, left: 26, right: 26, baseY: 170, wirePx: 66, groundPx: 34 }

describe('plan geometry', () => {
  it('finds a station and comes back to it', () => {
    const line = square()
    const laid = laidSquare()
    for (const station of [0, 37, 100, 199.5, 350, 400]) {
      const { at } = placeAt(line, laid, station)
      const near = nearestOnLines([{ id: line.id, closed: true, path: line.corners.map((c) => c.at) }], at)!
      const back = stationOf(laid, near.side, near.share)
      expect(Math.min(Math.abs(back - station), Math.abs(400 - Math.abs(back - station)))).toBeLessThan(1e-6)
    }
  })

  it('goes on across the date line', () => {
    expect(unwrap(-179.9, 179.9)).toBeCloseTo(180.1)
    const line = {
      ...square(),
      closed: false,
      corners: [
        { id: 'a', at: [179.999, 0] },
        { id: 'b', at: [-179.999, 0] },
      ],
    }
    expect(
      placeAt(line, { ...laidSquare(), cornerStationsM: [0, 200], lengthM: 200 }, 100).at[0],
    ).toBeCloseTo(180)
    expect(thumbPath([[179.999, 0, -179.999, 0.001]], 92, 58)).toMatch(/^M3\.0 .*L89\.0 /)
  })

  it('rounds steps to 1, 2 or 5', () => {
    expect([0.7, 1.1, 3, 7, 34, 260].map(roundStep)).toEqual([1, 2, 5, 10, 50, 500])
  })
})

describe('ribbon', () => {
  const line = laidSquare()
  const scale = ribbonScale(line, 0.76, frame)

  it('pulls the line straight, ground below and wires above', () => {
    expect(scale.x(0)).toBe(26)
    expect(scale.x(400)).toBe(826)
    expect(scale.station(scale.x(123))).toBeCloseTo(123)
    expect(scale.station(-50)).toBe(0)
    expect(heightAt(line, 100, 0)).toBe(110)
    expect(scale.ground(200)).toBeLessThan(scale.ground(0))
    expect(scale.ground(100) - scale.wire(100, 0.76)).toBeCloseTo(66)
    expect(scale.ground(100) - scale.wire(100, 0.38)).toBeCloseTo(33)
    expect(groundPath(line, scale, 170)).toMatch(/^M26\.0 170\.0L.*Z$/)
  })

  it('stops wires at gates and draws each post once', () => {
    const path = wirePath(line, scale, wire(0.2, 'HOT'))
    expect(path.split('M')).toHaveLength(3)
    expect(path).not.toContain('NaN')
    expect(postPath(line, scale, ['LINE'], 2, 0.76, 1).split('M')).toHaveLength(17)
    expect(postPath(line, scale, ['LINE'], 2, 0.76, 200).split('M').length).toBeLessThan(7)
  })

  it('shows a part of the line, and nothing beyond it', () => {
    const part = ribbonScale(line, 0.76, { ...frame, fromM: 90, toM: 130 })
    expect(part.x(90)).toBe(26)
    expect(part.x(130)).toBeCloseTo(826)
    expect(part.station(part.x(101))).toBeCloseTo(101)
    expect(postPath(line, part, ['LINE'], 2, 0.76, 1).split('M')).toHaveLength(2)
    const drawn = wirePath(line, part, wire(0.2, 'HOT'))
    const xs = drawn.match(/[\d.]+ /g)!.map(Number)
    expect(Math.min(...xs)).toBeGreaterThanOrEqual(26)
    expect(Math.max(...xs)).toBeLessThanOrEqual(826)
    expect(axisStations(90, 130, 1, 900)).toEqual([95, 100, 105, 110, 115, 120, 125])
  })

  it('draws each kind of brace as it is built', () => {
    const whole = (kind: Brace['kind']) =>
      bracePath({ ...line, braces: [{ ...line.braces[0]!, kind }] }, scale, 0.76).split('M').length - 1
    expect([
      whole('SINGLE_H'),
      whole('DOUBLE_H'),
      whole('DIAGONAL'),
      whole('BACK_STAKE'),
      whole('PIPE'),
    ]).toEqual([2, 4, 1, 1, 0])
  })

  it('writes round stations', () => {
    expect(axisStations(0, 400, 1, 900)).toEqual([50, 100, 150, 200, 250, 300, 350])
    expect(axisStations(0, 400, 0.3048, 900).map((s) => Math.round(s / 0.3048))).toEqual([
      200, 400, 600, 800, 1000, 1200,
    ])
  })

  it('leaves out the name of a gate that would cover the one before', () => {
    const gate = (name: string, fromM: number) => ({ name, fromM, toM: fromM + 4 }) as never
    const scale = ribbonScale(line, 0.76, frame)
    const far = [gate('yard', 5), gate('field', 60)]
    expect([...gatesNamed(far, scale)]).toEqual(far)
    const near = [gate('brook crossing', 20), gate('yard', 21), gate('field', 90)]
    expect([...gatesNamed(near, scale)]).toEqual([near[0], near[2]])
  })
})
