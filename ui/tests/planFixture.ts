import type { FenceLine, Plan, Wire } from '@/api/types'

/** A wire of which nothing is said but where it hangs and what it does. */
export const wire = (heightM: number, role: Wire['role']): Wire => ({
  heightM,
  role,
  conductor: null,
  fastening: null,
  stands: false,
  byHand: null,
})

import { emptyBook } from '@/model/bookEdit'

export function square(): FenceLine {
  const corners = [
    [1, 44],
    [1.00125, 44],
    [1.00125, 44.0009],
    [1, 44.0009],
  ].map((at, i) => ({ id: `c${i + 1}`, at }))
  return {
    id: 'line-1',
    name: 'Square',
    closed: true,
    corners,
    gates: [],
    cutOuts: [],
    ground: [],
    survey: null,
    startsOn: null,
    endsOn: null,
    book: emptyBook,
  }
}

export function plan(): Plan {
  return {
    site: { lines: [square()], energizer: null },
    spec: {
      fence: {
        animals: ['WILD_BOAR'],
        schedule: {
          preset: 'W15',
          wires: [wire(0.2, 'HOT'), wire(0.46, 'EARTH'), wire(0.76, 'HOT')],
        },
        posts: {
          spacingM: 6.096,
          strong: 'TIMBER_140',
          line: 'TIMBER_90',
          light: 'FIBREGLASS_10',
          lightPerGap: 0,
          strongDepthM: 0.9144,
          lineDepthM: 0.9144,
          closeUp: true,
          holdsAtM: [],
        },
        braces: {
          kind: 'SINGLE_H',
          railSchool: 'EIGHT_FOOT',
          railDiameterM: 0.1,
          braceFromDeg: 20,
          strongerFromDeg: 10,
          inlineFromM: 402,
        },
        wires: {
          hot: 'HT_12_5',
          earth: 'HT_12_5',
          plain: 'HT_12_5',
          tension: 'MEDIUM',
          midRunFromM: 201,
          springs: true,
          earthTied: true,
          jumperPieces: true,
          ringClosed: false,
        },
        stringing: { way: 'PULL_BY_PULL', rounds: 4, tightener: 'BY_LENGTH', end: null, handN: null },
        underGate: { burialM: 0.45, spareLoopM: 0.5 },
        hazard: 'USUAL',
        signEveryM: 50,
        climate: { frostDepthM: 0, iceM: 0, coldC: -15, warmC: 35, buildC: 15 },
      },
      lines: [],
      supply: {
        energizer: null,
        countedJ: 3,
        mode: 'FULL',
        source: 'MAINS',
        leadOutSpareM: 5,
        leadOutSwitch: false,
        earth: { school: 'THREE_RODS', rodApartM: 3.05, rodDiameterM: 0.016, found: [], leadM: null },
        battery: {
          batteryAh: 70,
          panelW: 30,
          tiltDeg: 60,
          sunshineShare: 0.4,
          darkDays: 7,
          inTurn: 1,
          lastSwap: null,
          fromMonth: 1,
          toMonth: 12,
          cableM: 5,
          cableMm2: 2.5,
          dirtShare: 0.2,
        },
      },
      purchasing: {
        wireSlackPercent: 3,
        coilM: 1000,
        insulatorPack: 25,
        fastenerPack: 100,
        crimpPack: 50,
        cableRollM: 50,
      },
      preferences: { units: 'FT_IN' },
    },
    circumstances: {
      growth: 'LIGHT',
      insulators: 'SOUND',
      ground: 'MOIST',
      model: {
        steelMuR: { low: 50, likely: 100, high: 200 },
        bleedOhm: null,
        terminalNf: null,
      },
      yardstick: null,
    },
    decisions: { accepted: [], departures: [] },
  }
}

export const ringClosed = (of: Plan): Plan => ({
  ...of,
  spec: { ...of.spec, fence: { ...of.spec.fence, wires: { ...of.spec.fence.wires, ringClosed: true } } },
})
