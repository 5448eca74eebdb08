import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import { Stroke, Style } from 'ol/style'
import type { Electrics, Position } from '@/api/types'
import { nearestPoint } from '@/model/nearest'
import { bandOf, metWords, type Band } from '@/model/electricsWords'
import { ink } from '@/shared/inks'
import { kvText } from '@/shared/units'
import { emptyDrawing, wordRank, type Drawing, type Spot } from './words'

/** Pixels between two voltages written along a line. */
const LABEL_EVERY_PX = 110
/** And so far apart when the second would say what the first does. */
const SAME_EVERY_PX = 330
/** Beside the stroke, which is wide. */
const SPOTS: Spot[] = [
  { x: 9, y: -14, align: 'left' },
  { x: 9, y: 14, align: 'left' },
  { x: -9, y: -14, align: 'right' },
  { x: -9, y: 14, align: 'right' },
  { x: 13, y: 0, align: 'left' },
  { x: -13, y: 0, align: 'right' },
  { x: 0, y: -20, align: 'center' },
  { x: 0, y: 20, align: 'center' },
]
/** Besides its colour, what is too low is broken up, what is just under is dashed and what is ample is wide. */
export const strokes: Record<Band, { color: string; width: number; dash?: number[] }> = {
  AMPLE: { color: '--ample', width: 7 },
  MET: { color: '--met', width: 4 },
  WARN: { color: '--warn', width: 4, dash: [14, 5] },
  BROKEN: { color: '--broken', width: 5, dash: [3, 6] },
  OPEN: { color: '--ink', width: 4 },
  off: { color: '--quiet', width: 4, dash: [1, 8] },
}

/** The lines coloured by the pulse, with its kilovolts in words. */
export function pulseDrawing(
  electrics: Electrics | null,
  project: (at: Position) => Position,
  resolution: number,
): Drawing<Feature> {
  const into = emptyDrawing<Feature>()
  if (!electrics) return into
  let last: { lineId: string; at: Position; band: Band } | null = null
  let labelled: { at: Position; text: string } | null = null
  /** Stretches of one strength, each drawn in one stroke. */
  const runs: { band: Band; path: Position[] }[] = []
  for (const p of electrics.points) {
    const at = project([p.lonDeg, p.latDeg])
    const band = bandOf(p, electrics.bands)
    const off = band === 'off'
    if (last && last.lineId === p.lineId) {
      const between = worse(last.band, band)
      const run = runs.at(-1)
      if (run?.band === between && run.path.at(-1) === last.at) run.path.push(at)
      else runs.push({ band: between, path: [last.at, at] })
    } else labelled = null
    const weakest = electrics.weakest?.lineId === p.lineId && electrics.weakest.stationM === p.stationM
    const text = off ? 'no pulse' : `${kvText(p.likelyV)} kV`
    const apartPx = labelled
      ? Math.hypot(at[0]! - labelled.at[0]!, at[1]! - labelled.at[1]!) / resolution
      : Infinity
    if (weakest || apartPx > (text === labelled?.text ? SAME_EVERY_PX : LABEL_EVERY_PX)) {
      labelled = { at, text }
      into.words.push({
        at,
        text: weakest && !off ? `weakest ${text}, ${metWords[p.met]}` : text,
        font: `${weakest ? 700 : 500} 13px 'Atkinson Hyperlegible', sans-serif`,
        color: ink(strokes[band].color),
        rank: weakest ? wordRank.weakest : wordRank.reading,
        spots: SPOTS,
      })
    }
    last = { lineId: p.lineId, at, band }
  }
  into.features.push(...runs.map(stroked))
  return into
}

function stroked({ band, path }: { band: Band; path: Position[] }): Feature {
  const { color, width, dash } = strokes[band]
  const line = new Feature(new LineString(path))
  line.setStyle(
    new Style({ stroke: new Stroke({ color: ink(color), width, lineDash: dash, lineCap: 'butt' }) }),
  )
  return line
}

const order: Band[] = ['off', 'BROKEN', 'WARN', 'MET', 'AMPLE', 'OPEN']
const worse = (a: Band, b: Band): Band => (order.indexOf(a) < order.indexOf(b) ? a : b)

/** The pulse at the nearest computed place, as said beside the pointer. */
export function pulseText(electrics: Electrics | null, lineId: string, stationM: number): string {
  const p = nearestPoint(electrics, lineId, stationM)
  if (!p) return ''
  if (p.likelyV < 1) return 'no pulse'
  const range = p.lowV < p.highV ? ` (${kvText(p.lowV)} to ${kvText(p.highV)})` : ''
  return `${kvText(p.likelyV)} kV${range}, ${metWords[p.met]}`
}
