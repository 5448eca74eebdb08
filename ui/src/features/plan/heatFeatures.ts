import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import { Stroke, Style } from 'ol/style'
import type { FenceDiagnosis, Layout, Position } from '@/api/types'
import { heatOf } from '@/model/heat'
import { pathBetween } from '@/model/placeAt'
import { ink } from '@/shared/inks'
import { emptyDrawing, type Drawing } from './words'

/** Less than this of the strongest is not seen. */
const LEAST = 0.04

/** The lines as hot as a fault on them is probable, and the stretches of 90 % in ink beside. */
export function heatDrawing(
  answer: FenceDiagnosis | null,
  layout: Layout | undefined,
  project: (at: Position) => Position,
): Drawing<Feature> {
  const into = emptyDrawing<Feature>()
  if (!answer || !layout) return into
  const lines = new Map(layout.lines.map((l) => [l.lineId, l]))
  const stroke = (lineId: string, fromM: number, toM: number, style: Stroke) => {
    const line = lines.get(lineId)
    const path = line ? pathBetween(line, fromM, toM).map(project) : []
    if (path.length < 2) return
    const feature = new Feature(new LineString(path))
    feature.setStyle(new Style({ stroke: style }))
    into.features.push(feature)
  }
  for (const r of answer.region90)
    stroke(r.lineId, r.fromM, r.toM, new Stroke({ color: ink('--ink'), width: 13, lineCap: 'butt' }))
  for (const r of answer.region90)
    stroke(r.lineId, r.fromM, r.toM, new Stroke({ color: ink('--paper'), width: 10, lineCap: 'butt' }))
  for (const d of heatOf(answer)) {
    if (d.heat < LEAST) continue
    const alpha = Math.round(255 * d.heat)
      .toString(16)
      .padStart(2, '0')
    stroke(
      d.lineId,
      d.fromM,
      d.toM,
      new Stroke({ color: `${hex(ink('--broken'))}${alpha}`, width: 9, lineCap: 'butt' }),
    )
  }
  return into
}

/** A colour of the theme as #rrggbb. */
function hex(color: string): string {
  if (color.startsWith('#')) return color.slice(0, 7)
  const parts = color.match(/[\d.]+/g)?.slice(0, 3) ?? ['160', '30', '20']
  return `#${parts.map((p) => Math.round(Number(p)).toString(16).padStart(2, '0')).join('')}`
}
