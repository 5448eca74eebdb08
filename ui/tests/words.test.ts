import { ref } from 'vue'
import { describe, expect, it } from 'vitest'
import { createDragView } from '@/features/plan/dragView'
import type { Live } from '@/features/plan/planPointer'
import { observedText } from '@/features/test/observed'
import {
  beside,
  covered,
  emptyDrawing,
  outside,
  overlap,
  placeWords,
  wordRank,
  type Drawing,
  type Word,
} from '@/features/plan/words'

const SIZE = [800, 600]
const widthOf = (word: Word) => word.text.length * 7
const pixel = (at: number[]) => at

function word(text: string, x: number, y: number, rank = wordRank.place, spots = beside(10)): Word {
  return { at: [x, y], text, font: '', color: '', rank, spots }
}

function drawing(words: Word[], rest: Partial<Drawing<unknown>> = {}): Drawing<unknown> {
  return { ...emptyDrawing<unknown>(), words, ...rest }
}

const boxesOf = (p: { word: Word; x: number; y: number }) =>
  covered(p.x, p.y, widthOf(p.word), p.word.turned ?? 0)

describe('words on the plan', () => {
  it('never cover each other, however crowded and turned, and the higher ranks are never crowded out by the lower', () => {
    let seed = 7
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
    for (let round = 0; round < 20; round++) {
      const words = Array.from({ length: 120 }, (_, i) => ({
        ...word(`word ${i}`, random() * 300, random() * 200, 1 + Math.floor(random() * 6)),
        turned: random() < 0.3 ? random() * 3 - 1.5 : 0,
      }))
      const placed = placeWords([drawing(words.slice(0, 60)), drawing(words.slice(60))], pixel, widthOf, SIZE)
      expect(placed.length).toBeGreaterThan(15)
      for (const [i, a] of placed.entries())
        for (const b of placed.slice(i + 1))
          expect(boxesOf(a).some((x) => boxesOf(b).some((y) => overlap(x, y)))).toBe(false)
      const above = words.filter((w) => w.rank >= 4)
      const alone = placeWords([drawing(above)], pixel, widthOf, SIZE)
      const among = placed.filter((p) => p.word.rank >= 4)
      expect(among.map((p) => p.word.text)).toEqual(alone.map((p) => p.word.text))
    }
  })

  it('keep clear of fence lines and signs while there is a spot that is free of them', () => {
    const line = [
      [0, 100],
      [400, 100],
    ]
    const [beyond] = placeWords([drawing([word('gate', 200, 100)], { paths: [line] })], pixel, widthOf, SIZE)
    expect(boxesOf(beyond!)[0]!.bottom).toBeLessThanOrEqual(100)
    const signs = [{ at: [200, 83], y: 0, half: 9 }]
    const [below] = placeWords(
      [drawing([word('gate', 200, 100)], { paths: [line], signs })],
      pixel,
      widthOf,
      SIZE,
    )
    expect(boxesOf(below!)[0]!.top).toBeGreaterThanOrEqual(100)
    const hemmed = [80, 90, 100, 110, 120].map((y) => line.map(([x]) => [x!, y]))
    expect(
      placeWords([drawing([word('gate', 200, 100)], { paths: hemmed })], pixel, widthOf, SIZE),
    ).toHaveLength(1)
    // No sign is ever covered: what finds no room is left out, and said when the pointer rests there.
    const all = [{ at: [200, 100], y: 0, half: 90 }]
    expect(placeWords([drawing([word('gate', 200, 100)], { signs: all })], pixel, widthOf, SIZE)).toEqual([])
    let seed = 3
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
    const crowd = Array.from({ length: 60 }, (_, i) =>
      word(`n ${i}`, 100 + random() * 300, 100 + random() * 200),
    )
    const posts = crowd.map((w) => ({ at: w.at, y: 0, half: 7 }))
    const placed = placeWords([drawing(crowd, { signs: posts })], pixel, widthOf, SIZE)
    expect(placed.length).toBeGreaterThan(10)
    for (const p of placed)
      for (const post of posts) {
        const [x, y] = post.at as [number, number]
        const square = { left: x - 7, top: y - 7, right: x + 7, bottom: y + 7 }
        expect(boxesOf(p).some((b) => overlap(b, square))).toBe(false)
      }
  })

  it('stand outside of the turn at a corner, turn inwards at the edge, and are left out beyond it', () => {
    const at = [100, 100]
    const [spot] = outside(at, [0, 100], [100, 0], 17)
    expect(spot!.x).toBeCloseTo(17 * Math.SQRT1_2)
    expect(spot!.y).toBeCloseTo(-17 * Math.SQRT1_2)
    const [end] = outside(at, [0, 100], undefined, 17)
    expect(end).toMatchObject({ x: 17, y: 0 })
    expect(outside(at, [0, 100], [200, 100], 17)[0]).toMatchObject({ x: 0, align: 'center' })
    const [edge] = placeWords([drawing([word('a long name', 780, 300)])], pixel, widthOf, SIZE)
    expect(boxesOf(edge!)[0]!.right).toBeLessThanOrEqual(800)
    const cut = (rank: number) => word('a boundary', 780, 300, rank, [{ x: 10, y: 0, align: 'left' }])
    expect(placeWords([drawing([cut(wordRank.feature)])], pixel, widthOf, SIZE)).toEqual([])
    expect(placeWords([drawing([cut(wordRank.corner)])], pixel, widthOf, SIZE)).toHaveLength(1)
    const covers = [{ left: 90, top: 0, right: 300, bottom: 400 }]
    const [seen] = placeWords([drawing([word('weakest', 80, 300)])], pixel, widthOf, SIZE, covers)
    expect(boxesOf(seen!)[0]!.right).toBeLessThanOrEqual(90)
    expect(placeWords([drawing([word('far', 5000, 100)])], pixel, widthOf, SIZE)).toEqual([])
  })
})

describe('what is shown of a drag', () => {
  const says = (lengthM: number) => ({ lengthM }) as Live
  const path = [
    [0, 0],
    [10, 0],
    [10, 10],
  ]

  it('comes with the fence while answers keep up, and goes ahead of it by a band while they are late', () => {
    let now = 1000
    const live = ref<Live | null>(null)
    const view = createDragView(
      live,
      (at) => at,
      () => now,
    )
    view.moved([5, 1], says(1), path, false, 1)
    expect(view.band.value).toBeNull()
    expect(live.value).toBeNull()
    now += 60
    view.drawn()
    expect(live.value).toEqual(says(1))
    now += 500
    view.moved([5, 2], says(2), path, false, 1)
    expect(view.band.value).toBeNull()
    now += 130
    view.moved([5, 3], says(3), path, false, 1)
    expect(view.band.value).toEqual({ at: [5, 3], ends: [path[0], path[2]] })
    expect(live.value).toEqual(says(3))
    view.drawn()
    expect(view.band.value).toBeNull()
    view.end()
    expect(live.value).toBeNull()
    view.drawn()
    expect(live.value).toBeNull()
  })

  it('hangs an end between one, and a corner of a closed path between two', () => {
    let now = 0
    const view = createDragView(
      ref(null),
      (at) => at,
      () => now,
    )
    view.moved([1, 1], null, path, false, 0)
    now = 200
    view.moved([1, 1], null, path, false, 0)
    expect(view.band.value!.ends).toEqual([path[1]])
    view.moved([1, 1], null, path, true, 0)
    expect(view.band.value!.ends).toEqual([path[2], path[1]])
  })
})

describe('what was observed', () => {
  it('is told by its kind', () => {
    const volts = { peakV: 6100, overRange: false, rangeV: null, resolutionV: null }
    expect(observedText({ kind: 'PEAK', wire: 0, ...volts })).toEqual({ value: '6.1 kV', on: 'joined' })
    expect(observedText({ kind: 'PEAK', wire: 2, ...volts, overRange: true })).toEqual({
      value: '> 6.1 kV',
      on: 'wire 2',
    })
    expect(observedText({ kind: 'UNPOWERED', wire: 1, ...volts }).on).toBe('unpowered wire 1')
    expect(observedText({ kind: 'EARTH_TERMINAL', ...volts }).on).toBe('earth terminal')
    expect(
      observedText({ kind: 'CURRENT', peakA: 12.5, direction: 'TOWARDS_START', resolutionA: null }),
    ).toEqual({
      value: '12.5 A',
      on: 'current to the start',
    })
    expect(observedText({ kind: 'BATTERY_VOLTAGE', batteryV: 12.4 }).value).toBe('12.4 V')
    expect(observedText({ kind: 'RESISTANCE', ohm: 18 }).value).toBe('18 Ω')
    expect(observedText({ kind: 'SEEN', thing: 'JOINT_LOOSE', touches: null })).toEqual({
      value: '',
      on: 'joint loose',
    })
  })
})
