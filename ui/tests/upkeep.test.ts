import { describe, expect, it } from 'vitest'
import type { FaultNote, Layout } from '@/api/types'
import { lookAt } from '@/features/faults/faultWords'
import { cases, minutesWords } from '@/features/practice/caseWords'
import { causeWords, gainsText, harmlessText, partWords } from '@/model/partWords'

const remedy = (part: FaultNote['works'][number]['part'], count: number, harmless = false) => ({
  part,
  product: '',
  count,
  harmless,
  after: null,
})

describe('what came back', () => {
  it('is put down in words to what let it off, and what did nothing is named apart', () => {
    const works = [remedy('INSULATOR', 4, true), remedy('VEGETATION', 1)]
    expect(
      gainsText({ gains: [{ works: [works[1]!], gainV: 2600 }], unexplainedV: 0, weatherDiffers: false }),
    ).toBe('+2.6 kV put down to growth cleared')
    expect(harmlessText({ works } as FaultNote)).toBe('4 × insulator')
    expect(
      gainsText({
        gains: [{ works: [remedy('JOINT', 1), remedy('ROD', 2)], gainV: -300 }],
        unexplainedV: 400,
        weatherDiffers: true,
      }),
    ).toBe(
      '−0.3 kV put down to 1 × joint and 2 × earth rod or its clamp; +0.4 kV while nothing was done that let it off; ' +
        'one reading was taken wet, the other dry: it tells less',
    )
    expect(gainsText({ gains: [], unexplainedV: 40, weatherDiffers: true })).toBe('')
  })

  it('has a word for every part and cause', () => {
    for (const text of [...Object.values(partWords), ...Object.values(causeWords)])
      expect(text).toMatch(/^[a-z]/)
  })
})

describe('what stands on a stretch', () => {
  const layout = {
    lines: [
      {
        lineId: 'l',
        land: [],
        gates: [{ name: 'yard gate', fromM: 40, toM: 44 }],
        cutOuts: [],
        braces: [],
        posts: [{ stationM: 10 }, { stationM: 30 }],
        schedule: { wires: [{ role: 'HOT' }] },
      },
    ],
  } as unknown as Layout
  const part = { lineId: 'l', fromM: 0, toM: 100, probability: 1 }

  it('is looked at in the order of the trade, or as the log teaches', () => {
    const trade = lookAt(layout, part, 'METRIC', ['INSULATOR', 'GATE_CABLE', 'VEGETATION'])
    expect(trade).toMatch(/^2 posts with their insulators; cable and jumpers at yard gate; growth/)
    const own = lookAt(layout, part, 'METRIC', ['VEGETATION', 'GATE_CABLE', 'INSULATOR'])
    expect(own).toMatch(/^growth .*; cable and jumpers at yard gate; 2 posts/)
  })
})

describe('a case', () => {
  it('has ten of them, each once, none of which says what it is', () => {
    expect(new Set(cases.map((c) => c.id)).size).toBe(10)
    expect(cases.map((c) => c.told).join(' ')).not.toMatch(/\b\d+ Ω|station/)
    expect(minutesWords(61.6)).toBe('1 h 2 min')
  })
})
