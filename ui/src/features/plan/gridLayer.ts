import Layer from 'ol/layer/Layer'
import { getPointResolution } from 'ol/proj'
import Source from 'ol/source/Source'
import { roundStep } from './geometry'

/** A sheet of squared paper under the plan; squares of a round number of feet or metres. */
export function gridLayer(unitM: () => number) {
  const canvas = document.createElement('canvas')
  canvas.style.position = 'absolute'
  return new Layer({
    source: new Source({}),
    render: (frame) => {
      const [width, height] = frame.size as [number, number]
      const ratio = frame.pixelRatio
      if (canvas.width !== width * ratio || canvas.height !== height * ratio) {
        canvas.width = width * ratio
        canvas.height = height * ratio
        canvas.style.width = `${width}px`
        canvas.style.height = `${height}px`
      }
      const context = canvas.getContext('2d')
      if (!context) return canvas
      context.setTransform(1, 0, 0, 1, 0, 0)
      context.clearRect(0, 0, canvas.width, canvas.height)
      const { center, resolution } = frame.viewState
      const metresPerPx = getPointResolution('EPSG:3857', resolution, center)
      const stepPx = (roundStep((metresPerPx * 34) / unitM()) * unitM()) / metresPerPx
      context.scale(ratio, ratio)
      context.strokeStyle = getComputedStyle(document.documentElement).getPropertyValue('--grid')
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
      return canvas
    },
  })
}
