import { ink } from '@/shared/inks'
import { getPointResolution } from 'ol/proj'
import { roundStep } from '@/model/geometry'
import { sheetLayer } from './sheetLayer'

/** A sheet of squared paper under the plan; squares of a round number of feet or metres. */
export function gridLayer(unitM: () => number) {
  return sheetLayer((context, { viewState: { center, resolution } }, width, height) => {
    const metresPerPx = getPointResolution('EPSG:3857', resolution, center)
    const stepPx = (roundStep((metresPerPx * 34) / unitM()) * unitM()) / metresPerPx
    context.strokeStyle = ink('--grid')
    context.lineWidth = 1
    context.beginPath()
    const shift = (value: number, size: number) => ((size / 2 - value / resolution) % stepPx) + stepPx
    for (let x = shift(center[0]!, width) % stepPx; x < width; x += stepPx) {
      context.moveTo(Math.round(x) + 0.5, 0)
      context.lineTo(Math.round(x) + 0.5, height)
    }
    for (let y = shift(-center[1]!, height) % stepPx; y < height; y += stepPx) {
      context.moveTo(0, Math.round(y) + 0.5)
      context.lineTo(width, Math.round(y) + 0.5)
    }
    context.stroke()
  })
}
