import type { Design, FenceLine, LineLayout, Plan, Post } from '@/api/types'

/** A closed square of 100 m with posts every 20 m; what the core would answer, cut down to what the views use. */
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
  }
}

export function laidSquare(): LineLayout {
  const posts: Post[] = Array.from({ length: 20 }, (_, i) => ({
    number: i + 1,
    kind: i % 5 === 0 ? 'CORNER' : 'LINE',
    stationM: i * 20,
    lonDeg: 1,
    latDeg: 44,
    label: i % 5 === 0 ? 'ABCD'[i / 5]! : '',
    deflectionDeg: 0,
    ends: i % 5 === 0,
    shared: false,
  }))
  return {
    lineId: 'line-1',
    name: 'Square',
    closed: true,
    lengthM: 400,
    slopeLengthM: 404,
    areaM2: 10000,
    corners: square().corners.map((c) => c.at),
    cornerStationsM: [0, 100, 200, 300],
    profile: [
      { stationM: 0, heightM: 100 },
      { stationM: 200, heightM: 120 },
      { stationM: 400, heightM: 100 },
    ],
    posts,
    braces: [{ strongStationM: 0, braceStationM: 2.4, railM: 2.4 }],
    pulls: [
      { fromM: 0, toM: 150, slopeLengthM: 151 },
      { fromM: 155, toM: 400, slopeLengthM: 247 },
    ],
    gates: [{ id: 'gate-1', name: 'gate 1', kind: 'SWING', fromM: 150, toM: 155 }],
    cutOuts: [],
    profileGaps: [],
    land: [],
  }
}

export function plan(): Plan {
  return {
    site: { lines: [square()], energizer: null },
    spec: {
      animals: ['WILD_BOAR'],
      schedule: {
        preset: 'W15',
        wires: [
          { heightM: 0.2, role: 'HOT' },
          { heightM: 0.46, role: 'EARTH' },
          { heightM: 0.76, role: 'HOT' },
        ],
      },
      posts: { spacingM: 6.096 },
      braces: { railSchool: 'EIGHT_FOOT', braceFromDeg: 20, strongerFromDeg: 10 },
      underGate: { burialM: 0.45, spareLoopM: 0.5 },
      feed: { outputJ: 3, groundSchool: 'THREE_RODS', leadOutSpareM: 5 },
      takeoff: {
        wireSlackPercent: 3,
        coilM: 1000,
        insulatorPack: 25,
        fastenerPack: 100,
        crimpPack: 50,
        cableRollM: 50,
        signEveryM: 50,
      },
      ringClosed: false,
      units: 'FT_IN',
    },
  }
}

export function design(): Design {
  return {
    layout: {
      origin: [1, 44],
      lines: [laidSquare()],
      feed: null,
      sections: [
        {
          id: 'feed',
          name: 'Section 1',
          parentId: null,
          live: true,
          lengthM: 400,
          stretches: [{ lineId: 'line-1', fromM: 0, toM: 400 }],
        },
      ],
      testPoints: [
        {
          id: 'energizer',
          name: 'energizer',
          lineId: 'line-1',
          stationM: 0,
          sectionId: 'feed',
          lonDeg: 1,
          latDeg: 44,
        },
        {
          id: 'end:line-1:finish',
          name: 'closing post, finish',
          lineId: 'line-1',
          stationM: 400,
          sectionId: 'feed',
          lonDeg: 1,
          latDeg: 44,
        },
      ],
      findings: [
        {
          rule: 'C6',
          severity: 'CAUTION',
          lineId: null,
          stationM: null,
          message: 'Have buried lines located.',
        },
        { rule: 'B1', severity: 'WARN', lineId: 'line-1', stationM: 100, message: 'No brace fits.' },
      ],
    },
    takeoff: [],
    ledger: [
      {
        key: 'fence',
        label: 'Fence',
        value: '1,312 ft',
        note: '1 line',
        derivation: '4 sides summed',
        rules: ['L1'],
      },
    ],
  }
}
