import { describe, expect, it } from 'vitest'
import { countText, kvText, lengthText, parseKvV, parseLengthM, stationText } from '@/shared/units'

describe('lengths', () => {
  // Expected values: international foot 0.3048 m, by hand.
  it.each([
    ['84 ft 6 in', 25.7556],
    [`84' 6"`, 25.7556],
    ['34 in', 0.8636],
    ['7 1/2 in', 0.1905],
    ['20ft', 6.096],
    ['2,5 m', 2.5],
    ['510 mm', 0.51],
    ['12', 3.6576],
  ])('reads %s', (text, metres) => expect(parseLengthM(text, 'FT_IN')).toBeCloseTo(metres, 9))

  it.each(['', 'ft', '3 ft 2', '1/0 in', '-4 m', 'NaN', '5 yards'])('refuses “%s”', (text) => {
    expect(parseLengthM(text, 'METRIC')).toBeNull()
  })

  it('writes what it reads, in both systems', () => {
    for (const metres of [0.1, 0.8636, 1.9, 3.04, 6.096, 24.7, 812.345]) {
      expect(parseLengthM(lengthText(metres, 'FT_IN').replace(',', ''), 'FT_IN')!).toBeCloseTo(metres, 1)
      expect(parseLengthM(lengthText(metres, 'METRIC').replace(',', ''), 'METRIC')!).toBeCloseTo(metres, 1)
    }
    expect(lengthText(247.6, 'METRIC')).toBe('247.6 m')
    expect(lengthText(0.86, 'METRIC')).toBe('860 mm')
    expect(lengthText(0.8636, 'FT_IN')).toBe('34 in')
    expect(lengthText(6.096, 'FT_IN')).toBe('20 ft')
    expect(lengthText(247.6, 'FT_IN')).toBe('812 ft 4 in')
    expect(stationText(1234.4, 'METRIC')).toBe('1,234 m')
  })
})

describe('kilovolts', () => {
  it('reads a meter and refuses what is none', () => {
    expect(parseKvV('6.1')).toBe(6100)
    expect(parseKvV(' 6,15 ')).toBe(6150)
    expect(parseKvV('.8')).toBe(800)
    for (const text of ['', '-1', '6.1.2', '6k', 'NaN']) expect(parseKvV(text)).toBeNull()
    expect(kvText(6149)).toBe('6.1')
    expect(countText(10546)).toBe('10,546')
  })
})
