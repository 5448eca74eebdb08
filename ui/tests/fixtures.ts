import type { BraceLoad, Design, Joint, LineLayout, Post, Pull } from '@/api/types'
import { plan, square } from './planFixture'

export { wire } from './planFixture'

export { plan, ringClosed, square } from './planFixture'

/** A closed square of 100 m with posts every 20 m; what the core would answer, cut down to what the views use. */

const state: BraceLoad['day'] = {
  pullN: 3336,
  momentNm: 1580,
  compressionN: 2390,
  diagonalN: 2500,
  upliftN: 658,
  safety: 1.64,
  weakest: 'the post lifts',
  hold: 'USUAL',
}
const load: BraceLoad = {
  rule: 'B1',
  railM: 2.4,
  bucklingN: 57000,
  strandBreakingN: 11578,
  holdN: 947,
  day: state,
  worst: { ...state, pullN: 4100, upliftN: 808, safety: 1.33, hold: 'LIMIT' },
}

const run = (pull: number, fromM: number, toM: number, slopeLengthM: number): LineLayout['runs'][number] => ({
  pulls: [pull],
  fromM,
  toM,
  ring: false,
  oneWire: false,
  slopeLengthM,
  turnDeg: 0,
  tightenersM: [fromM + 3.4],
  leftLow: 1,
  leftHigh: 1,
})

const pull = (fromM: number, toM: number, slopeLengthM: number): Pull => ({
  fromM,
  toM,
  slopeLengthM,
  totalN: 3336,
  momentNm: 1580,
  worstN: 4100,
  worstNm: 1940,
  worstWhen: 'at -15 °C',
  widestSpanM: 20,
  wires: [
    {
      role: 'HOT',
      conductor: 'HT_12_5',
      count: 2,
      wires: [1, 2],
      tensionN: 1112,
      sagM: 0.017,
      coldN: 1400,
      icedN: 1112,
      icedSagM: 0.017,
      sprung: true,
      coils: 1,
      joinersM: [],
    },
  ],
})

const joint = (kind: Joint['kind'], stationM: number, name: string): Joint => ({
  id: `${kind.toLowerCase()}:line-1:a`,
  lineId: 'line-1',
  stationM,
  kind,
  name,
  hot: [1, 3],
  earth: [2],
  parts: { pieces: 1, clamps: 2, cables: 0 },
  says: 'hot with hot',
})

export const plainGate = { acrossCorner: false, hotOnly: false, netting: false }

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
    reused: false,
    stock: i % 5 === 0 ? 'TIMBER_140' : 'TIMBER_90',
    depthM: 0.9,
    lengthM: 1.76,
    stockM: 1.8,
    load: {
      upliftN: i === 10 ? 420 : 0,
      sideN: 0,
      upliftWorstN: i === 10 ? 520 : 0,
      sideWorstN: 0,
      holdUpN: 400,
      holdSideN: 900,
      hold: i === 10 ? 'MOVES' : 'USUAL',
      holdWorst: i === 10 ? 'MOVES' : 'USUAL',
    },
    wiresInside: false,
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
    braces: [
      {
        strongStationM: 0,
        braceStationM: 2.4,
        railM: 2.4,
        kind: 'SINGLE_H',
        load,
        schools: [load, { ...load, rule: 'B2', railM: 1.9, day: { ...state, upliftN: 760 } }],
      },
    ],
    pulls: [pull(0, 150, 151), pull(155, 400, 247)],
    runs: [run(0, 0, 150, 151), run(1, 155, 400, 247)],
    stringing: plan().spec.fence.stringing,
    ringJoined: false,
    feeder: false,
    wallsM: [],
    marks: [{ sort: 'LINE', stock: 'TIMBER_90', posts: 12, depthM: 0.4572, wiresM: [0.7112, 1.0668] }],
    gates: [
      { id: 'gate-1', name: 'gate 1', kind: 'SWING', fromM: 150, toM: 155, openingM: 5, fit: plainGate },
    ],
    cutOuts: [],
    profileGaps: [],
    land: [],
    schedule: plan().spec.fence.schedule,
    bends: [],
    closingM: 0,
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
      leads: [],
      joints: [joint('JUMPER', 3, 'jumper set'), joint('LINK', 400, 'round the post')],
      signs: [],
      findings: [
        {
          rule: 'C6',
          severity: 'CAUTION',
          lineId: null,
          stationM: null,
          key: 'service-clear',
          values: {},
          message: 'Have buried lines located.',
          places: [],
          accepted: null,
        },
        {
          rule: 'B1',
          severity: 'WARN',
          lineId: 'line-1',
          stationM: 100,
          key: 'no-brace-fits',
          values: {},
          message: 'No brace fits.',
          places: [{ lineId: 'line-1', stationM: 100, what: '' }],
          accepted: null,
        },
      ],
      everyJob: [{ rule: 'C1', says: 'A certified energizer only.' }],
    },
    takeoff: [],
    tools: [],
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

/** As the core answers while something moves: posts, braces and joints as rows of whole numbers. */
export function packed(whole: Design) {
  const line = whole.layout.lines[0]!
  const [lon, lat] = line.corners[0] as [number, number]
  const kinds = [...new Set(line.posts.map((p) => p.kind))]
  const likePosts = kinds.map((kind) => line.posts.find((p) => p.kind === kind)!)
  const tenths = (metres: number) => Math.round(metres * 1e4)
  const posts = line.posts.flatMap((p) => [
    ...[kinds.indexOf(p.kind), p.number, tenths(p.stationM)],
    ...[Math.round((p.lonDeg - lon) * 1e9), Math.round((p.latDeg - lat) * 1e9)],
    Math.round(p.deflectionDeg * 1e3),
  ])
  const labels = line.posts.flatMap((p, post) => (p.label ? [{ post, text: p.label }] : []))
  const likeBraces = line.braces.slice(0, 1)
  const braces = line.braces.flatMap((b) => [0, tenths(b.strongStationM), tenths(b.braceStationM)])
  const likeJoints = whole.layout.joints
  const joints = likeJoints.flatMap((j, i) => [i, tenths(j.stationM)])
  const lines = [{ ...line, posts: [], braces: [] }]
  return {
    design: { ...whole, layout: { ...whole.layout, lines, joints: [] } },
    rows: [{ lineId: line.lineId, likePosts, posts, labels, likeBraces, braces, likeJoints, joints }],
  }
}
