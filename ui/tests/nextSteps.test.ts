import { describe, expect, it } from 'vitest'
import { minutesText, stepText } from '@/features/faults/stepWords'
import type { NextStep } from '@/model/search'

const step = (more: Partial<NextStep>): NextStep => ({
  action: 'READ',
  lineId: 'l',
  fromM: 120,
  toM: 120,
  cutOut: null,
  minutes: 12,
  chance: 0,
  outcomes: [],
  ...more,
})
const said = (s: NextStep) =>
  stepText(
    s,
    () => 'Winter track',
    () => 'cut-out by the yard',
    'METRIC',
  )

describe('what to do next', () => {
  it('says minutes as somebody does before they set out', () => {
    expect(minutesText(0.2)).toBe('1 min')
    expect(minutesText(59.4)).toBe('59 min')
    expect(minutesText(59.6)).toBe('1 h')
    expect(minutesText(88)).toBe('1 h 28 min')
  })

  it('names the place, the switch, the stretch as it is walked, and how probable it is', () => {
    expect(said(step({}))).toBe('Read the voltage on Winter track at 120 m.')
    expect(said(step({ action: 'OPEN', cutOut: 'c' }))).toBe(
      'Open cut-out by the yard on Winter track, read on its live side at 120 m, close it again.',
    )
    expect(said(step({ action: 'LOOK_OVER', fromM: 300, toM: 210, chance: 0.734 }))).toBe(
      'Look over Winter track from 300 m to 210 m: it is there in 73 of 100.',
    )
    expect(said(step({ action: 'ENERGIZER', lineId: null, chance: 0.1 }))).toContain('10 of 100')
  })
})
