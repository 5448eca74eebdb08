import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import Point from 'ol/geom/Point'
import Polygon from 'ol/geom/Polygon'
import { Fill, Icon, Stroke, Style, Text } from 'ol/style'
import CircleStyle from 'ol/style/Circle'
import type { LandFeature, LandKind, Position } from '@/api/types'
import { kindText } from '@/model/landKinds'
import { nameFont, palette, symbol, type Palette } from './symbols'
import { beside, emptyDrawing, wordRank, type Drawing } from './words'

interface Drawn {
  dash?: number[]
  width: number
  color: (c: Palette) => string
  fill?: (c: Palette) => string
  /** Repeated along a line, so that nothing rests on colour. */
  mark?: string
}

/** How each kind is drawn: by dash and mark first, by colour second. */
const drawn: Record<LandKind, Drawn> = {
  EXISTING_FENCE: { width: 1.4, color: (c) => c.quiet, mark: '×' },
  BUILDING: { width: 1.6, color: (c) => c.ink, fill: (c) => `${c.ink}22` },
  POWER_OUTLET: { width: 1.5, color: (c) => c.ink },
  OVERHEAD_LINE: { width: 1.4, dash: [14, 3, 2, 3], color: (c) => c.broken, mark: 'ϟ' },
  BURIED_SERVICE: { width: 1.4, dash: [3, 4], color: (c) => c.earth, mark: '▿' },
  PUBLIC_WAY: { width: 1.8, dash: [8, 4], color: (c) => c.quiet, mark: '∴' },
  BOUNDARY: { width: 1.2, dash: [12, 3, 2, 3, 2, 3], color: (c) => c.quiet },
  TRACK: { width: 1.2, dash: [10, 5], color: (c) => c.groundEdge, mark: '=' },
  OPENING: { width: 1.5, color: (c) => c.ink },
  CREEK: { width: 2.2, color: (c) => c.earth, mark: '~' },
  TREES: { width: 1, dash: [1, 3], color: (c) => c.met, fill: (c) => `${c.met}22`, mark: '♣' },
  SOIL: { width: 0.8, dash: [2, 5], color: (c) => c.groundEdge, fill: (c) => `${c.ground}66` },
  STANDING_WATER: { width: 1.2, color: (c) => c.earth, fill: (c) => `${c.earth}33` },
  NO_GO: { width: 1.4, dash: [5, 3], color: (c) => c.broken, fill: (c) => `${c.broken}1c` },
}

function mark(at: Position, sign: string, color: string, c: Palette): Feature {
  const feature = new Feature(new Point(at))
  feature.setStyle(
    new Style({
      text: new Text({
        text: sign,
        font: '13px sans-serif',
        fill: new Fill({ color }),
        stroke: new Stroke({ color: c.paper, width: 3 }),
      }),
    }),
  )
  return feature
}

const POINTS: Partial<Record<LandKind, string>> = {
  BUILDING: '<path d="M4 11l8-7 8 7v9H4z"/>',
  POWER_OUTLET: '<path d="M8 3v6M16 3v6M5 9h14v3a7 7 0 01-14 0zM12 19v3"/>',
  OPENING: '<path d="M4 5v15M20 5v15M4 12h3M17 12h3"/>',
  TREES: '<path d="M12 22v-7M5 12a7 7 0 1114 0 4 4 0 01-4 4H9a4 4 0 01-4-4z"/>',
}

/** One feature as drawn things; its name when there is room for it. */
export function landShapes(
  f: LandFeature,
  project: (at: Position) => Position,
  resolution: number,
  selected: boolean,
): Drawing<Feature> {
  const c = palette()
  const look = drawn[f.kind]
  const path = f.points.map(project)
  const color = selected ? c.accent : look.color(c)
  const stroke = new Stroke({ color, width: selected ? look.width + 1 : look.width, lineDash: look.dash })
  const { features, words, ...rest } = emptyDrawing<Feature>()
  const usual = { text: f.name || kindText[f.kind], color, rank: wordRank.feature }
  if (f.shape === 'POINT') {
    const at = path[0]!
    const point = new Feature(new Point(at))
    const svg = POINTS[f.kind] ?? '<circle cx="12" cy="12" r="7"/>'
    const box = `<svg xmlns="http://www.w3.org/2000/svg" width="20" height="20" viewBox="0 0 24 24" fill="${c.paper}" stroke="${color}" stroke-width="2">${svg}</svg>`
    const styles = [new Style({ image: new Icon({ src: `data:image/svg+xml,${encodeURIComponent(box)}` }) })]
    if (selected) styles.push(symbol.ring(c))
    point.setStyle(styles)
    words.push({ ...usual, at, font: nameFont, spots: beside(13) })
    return { features: [point], words, ...rest, signs: [{ at, y: 0, half: 9 }] }
  }
  const geometry = f.shape === 'AREA' ? new Polygon([[...path, path[0]!]]) : new LineString(path)
  const shape = new Feature(geometry)
  shape.setStyle(new Style({ stroke, fill: look.fill ? new Fill({ color: look.fill(c) }) : undefined }))
  features.push(shape)
  const longest = longestSide(path, f.shape === 'AREA')
  const sidePx = longest.length / resolution
  if (look.mark && f.shape === 'LINE' && sidePx > 40) {
    for (const share of sidePx > 160 ? [0.15, 0.85] : [0.15])
      features.push(mark(along(longest, share), look.mark, color, c))
  }
  if (sidePx > 46) {
    const line = f.shape === 'LINE'
    words.push({
      ...usual,
      at: line ? along(longest, 0.5) : middle(path),
      font: "italic 12.5px 'Atkinson Hyperlegible', sans-serif",
      turned: line ? upright(longest.angle) : 0,
      spots: (line ? [-9, 9] : [0, -16, 16, -32, 32]).map((y) => ({ x: 0, y, align: 'center' })),
    })
  }
  if (selected)
    path.forEach((p) => {
      const handle = new Feature(new Point(p))
      handle.setStyle(
        new Style({
          image: new CircleStyle({
            radius: 5,
            fill: new Fill({ color: c.paper }),
            stroke: new Stroke({ color: c.accent, width: 2 }),
          }),
        }),
      )
      features.push(handle)
    })
  return { features, words, ...rest }
}

interface Side {
  a: Position
  b: Position
  length: number
  angle: number
}

function longestSide(path: Position[], closed: boolean): Side {
  let best: Side = { a: path[0]!, b: path[0]!, length: 0, angle: 0 }
  for (let i = 0; i < (closed ? path.length : path.length - 1); i++) {
    const a = path[i]!
    const b = path[(i + 1) % path.length]!
    const length = Math.hypot(b[0]! - a[0]!, b[1]! - a[1]!)
    if (length > best.length) best = { a, b, length, angle: Math.atan2(b[1]! - a[1]!, b[0]! - a[0]!) }
  }
  return best
}

const along = (s: Side, share: number): Position => [
  s.a[0]! + (s.b[0]! - s.a[0]!) * share,
  s.a[1]! + (s.b[1]! - s.a[1]!) * share,
]

const middle = (path: Position[]): Position => [
  path.reduce((sum, p) => sum + p[0]!, 0) / path.length,
  path.reduce((sum, p) => sum + p[1]!, 0) / path.length,
]

/** Text along a line, never upside down. */
const upright = (angle: number) => {
  const turned = -angle
  return turned > Math.PI / 2 ? turned - Math.PI : turned < -Math.PI / 2 ? turned + Math.PI : turned
}
