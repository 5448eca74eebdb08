import type { Electrics, EnergizerRating } from '@/api/types'
import { stubs as base } from './openJob'

export const stubs = { ...base, PulseChart: true }
export const plate = (name: string, out500J: number): EnergizerRating => ({
  name,
  storedJ: out500J * 1.4,
  out500J,
  openV: 8000,
  v500: 5000,
  v100: null,
  perMinute: 45,
  draw: { fullW: null, slowW: null },
  price: null,
})
export const point = (stationM: number, likelyV: number, met: 'MET' | 'WARN' | 'BROKEN' = 'MET') => ({
  lineId: 'line-1',
  stationM,
  lonDeg: 1 + stationM * 1e-5,
  latDeg: 44,
  lowV: likelyV * 0.8,
  likelyV,
  highV: likelyV * 1.1,
  atS: 3e-5,
  currentA: 4.2,
  met,
})
export const shock = (contact: string, bodyJ: number, who = 'alpacas') => ({
  contact,
  how: 'how',
  who,
  pathOhm: 1250,
  bodyJ,
  volts: 5600,
})
const earthCase = (name: string, good: boolean) => ({
  name,
  says: '',
  school: null,
  rods: 3,
  rodM: 1.83,
  soilOhmM: 100,
  ohm: 19.6,
  tableOhm: 20.7,
  testV: good ? 250 : 480,
  good,
  weakestV: 3200,
})
/** An answer of the core about a small fence. */
export function electrics(): Electrics {
  const candidate = (p: EnergizerRating, heavyV: number, recommended: boolean) => ({
    plate: p,
    outJ: p.out500J!,
    cleanV: heavyV * 1.8,
    likelyV: heavyV * 1.5,
    heavyV,
    met: 'MET' as const,
    metHeavy: heavyV >= 4500 ? ('MET' as const) : ('BROKEN' as const),
    bodyJ: 0.31,
    needJ: 0.5,
    earth: { mostOhm: 12.4, rods: recommended ? 4 : null, rodM: 1.8288 },
    drawW: 4.5,
    over5J: p.out500J! > 5,
    recommended,
  })
  return {
    says: '',
    energizer: plate('generic 3 J', 3),
    chosen: false,
    needV: 4500,
    bands: { warnV: 3825, metV: 4500, ampleV: 6750 },
    points: [point(0, 6200), point(200, 5100), point(400, 0, 'BROKEN')],
    sections: [
      { id: 'feed', name: 'Section 1', on: true, weakest: point(200, 5100), met: 'MET' },
      { id: 'cut-1', name: 'Section 2', on: false, weakest: point(400, 0, 'BROKEN'), met: 'BROKEN' },
    ],
    weakest: point(200, 5100),
    rodsOhm: 19.6,
    reserve: { factor: 3.2, says: 'Leakage may grow to 3.2 times.' },
    earth: {
      ground: 'MOIST',
      soilOhmM: 100,
      rodsOhm: 19.6,
      testV: 480,
      mostV: 300,
      good: false,
      schools: [earthCase('G1', false)],
      improvements: [earthCase('one more rod', true)],
      seasons: [earthCase('frozen', false)],
      moist: 'The brook is near.',
      wires: 'Earth wires tied would.',
      shocks: [shock('wire and moist ground', 1.2), shock('wire and dry snow', 1e-5)],
      findings: [],
    },
    supply: {
      drawW: 1.2,
      battery: {
        usedAhPerDay: 2.4,
        daysToHalf: 2.1,
        daysToEmpty: 4.2,
        leastAh: 71.2,
        leastPanelW: null,
        swaps: [],
        cableDropV: 0.01,
        year: [],
      },
      findings: [],
      says: '1.2 W takes 2.40 Ah a day.',
    },
    energizers: {
      candidates: [
        candidate(plate('generic 3 J', 3), 5400, true),
        candidate(plate('generic 8 J', 8), 6400, false),
      ],
      why: 'The generic 3 J energizer: because.',
    },
    whatIfs: [
      { name: 'as planned', weakestV: 5100, heavyV: 4600, says: '' },
      { name: 'aluminium', weakestV: 5600, heavyV: 4500, says: 'softer' },
    ],
    assumed: [
      {
        name: 'Leakage',
        likely: 'light',
        low: 'a third',
        high: 'three times',
        lowestV: 4000,
        highestV: 6000,
      },
    ],
    dead: [],
    findings: [],
    work: { runs: 7, frequencies: 256, windowS: 3e-4 },
  }
}
