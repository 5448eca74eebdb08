import type { FrameState } from 'ol/Map'
import Layer from 'ol/layer/Layer'
import Source from 'ol/source/Source'

/** A layer that is one canvas over the whole map, cleared and scaled to CSS pixels before each frame. */
export function sheetLayer(
  draw: (context: CanvasRenderingContext2D, frame: FrameState, width: number, height: number) => void,
): Layer {
  const canvas = document.createElement('canvas')
  canvas.style.position = 'absolute'
  canvas.style.pointerEvents = 'none'
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
      context.setTransform(ratio, 0, 0, ratio, 0, 0)
      context.clearRect(0, 0, width, height)
      draw(context, frame, width, height)
      return canvas
    },
  })
}
