import type { FrameState } from 'ol/Map'
import Layer from 'ol/layer/Layer'
import Source from 'ol/source/Source'

/**
 * A layer drawn by hand in CSS pixels over the whole map. It draws on the canvas of the layer below it, as vector layers do when
 * they are given a canvas: each further canvas is one more picture to hand over and to blend.
 */
export function sheetLayer(
  draw: (context: CanvasRenderingContext2D, frame: FrameState, width: number, height: number) => void,
): Layer {
  let own: HTMLCanvasElement | null = null

  /** A canvas that nothing was drawn on in this frame. */
  function blank(width: number, height: number): HTMLCanvasElement {
    own ??= document.createElement('canvas')
    own.style.position = 'absolute'
    own.style.pointerEvents = 'none'
    own.style.width = '100%'
    own.style.height = '100%'
    if (own.width !== width || own.height !== height) {
      own.width = width
      own.height = height
    } else {
      own.getContext('2d')?.clearRect(0, 0, width, height)
    }
    return own
  }

  return new Layer({
    source: new Source({}),
    render(frame, below?: HTMLElement | null) {
      const [width, height] = frame.size as [number, number]
      const ratio = frame.pixelRatio
      const across = Math.round(width * ratio)
      const down = Math.round(height * ratio)
      const shared = below instanceof HTMLCanvasElement && below.width === across && below.height === down
      const canvas = shared ? below : blank(across, down)
      const context = canvas.getContext('2d')
      if (!context) return canvas
      context.save()
      context.setTransform(ratio, 0, 0, ratio, 0, 0)
      draw(context, frame, width, height)
      context.restore()
      return canvas
    },
  })
}
