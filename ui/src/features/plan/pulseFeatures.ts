import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import Point from 'ol/geom/Point'
import { Fill, Stroke, Style, Text } from 'ol/style'
import type { Electrics, Position } from '@/api/types'
import { metWords, type Met } from '@/features/electrics/words'
import { kvText } from '@/shared/units'

/** Pixels between two voltages written along a line. */
const LABEL_EVERY_PX = 110
/** Besides its colour, what is too low is broken up and what is just under is dashed. */
const dashes: Record<Met, number[] | undefined> = {
  MET: undefined,
  WARN: [14, 5],
  BROKEN: [3, 6],
  UNKNOWN: undefined,
}

/** The lines coloured by the pulse, with its kilovolts in words. */
export function pulseFeatures(
  electrics: Electrics | null,
  project: (at: Position) => Position,
  host: HTMLElement,
  resolution: number,
): Feature[] {
  if (!electrics) return []
  const style = getComputedStyle(host)
  const color = (name: string) => style.getPropertyValue(name).trim()
  const colors: Record<Met, string> = {
    MET: color('--met'),
    WARN: color('--warn'),
    BROKEN: color('--broken'),
    UNKNOWN: color('--ink'),
  }
  const features: Feature[] = []
  let last: { lineId: string; at: Position; met: Met } | null = null
  let labelled: Position | null = null
  for (const p of electrics.points) {
    const at = project([p.lonDeg, p.latDeg])
    const off = p.likelyV < 1
    if (last && last.lineId === p.lineId) {
      const met = worse(last.met, p.met)
      const line = new Feature(new LineString([last.at, at]))
      line.setStyle(
        new Style({
          stroke: new Stroke({
            color: off ? color('--quiet') : colors[met],
            width: 5,
            lineDash: off ? [1, 8] : dashes[met],
            lineCap: 'butt',
          }),
        }),
      )
      features.push(line)
    } else labelled = null
    const weakest = electrics.weakest?.lineId === p.lineId && electrics.weakest.stationM === p.stationM
    const far =
      !labelled || Math.hypot(at[0]! - labelled[0]!, at[1]! - labelled[1]!) > LABEL_EVERY_PX * resolution
    if (weakest || far) {
      labelled = at
      const label = new Feature(new Point(at))
      label.setStyle(
        new Style({
          zIndex: weakest ? 2 : 1,
          text: new Text({
            text: off
              ? 'no pulse'
              : weakest
                ? `weakest ${kvText(p.likelyV)} kV, ${metWords[p.met]}`
                : `${kvText(p.likelyV)} kV`,
            font: `${weakest ? 700 : 500} 13px Atkinson Hyperlegible, sans-serif`,
            textAlign: 'left',
            offsetX: 8,
            offsetY: -13,
            fill: new Fill({ color: off ? color('--quiet') : colors[p.met] }),
            stroke: new Stroke({ color: color('--paper'), width: 4 }),
          }),
        }),
      )
      features.push(label)
    }
    last = { lineId: p.lineId, at, met: p.met }
  }
  return features
}

const order: Met[] = ['BROKEN', 'WARN', 'MET', 'UNKNOWN']
const worse = (a: Met, b: Met): Met => (order.indexOf(a) < order.indexOf(b) ? a : b)
