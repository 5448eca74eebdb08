import { apply, compose, create } from 'ol/transform'
import type { Position } from '@/api/types'
import { ink } from '@/shared/inks'
import { sheetLayer } from './sheetLayer'
import { placeWords, type Box, type Drawing, type Word } from './words'

const HALO_PX = 3

/** All words of the plan in one layer on top, so that each finds room beside all others. */
export function wordLayer(drawings: () => Drawing<unknown>[], covers: () => Box[]) {
  const widths = new Map<string, number>()
  document.fonts?.addEventListener?.('loadingdone', () => {
    widths.clear()
    layer.changed()
  })

  function width(context: CanvasRenderingContext2D, word: Word): number {
    const key = `${word.font}|${word.text}`
    let known = widths.get(key)
    if (known === undefined) {
      context.font = word.font
      known = context.measureText(word.text).width
      widths.set(key, known)
    }
    return known
  }

  const layer = sheetLayer((context, { viewState: { center, resolution } }, across, down) => {
    const transform = compose(
      create(),
      across / 2,
      down / 2,
      1 / resolution,
      -1 / resolution,
      0,
      -center[0]!,
      -center[1]!,
    )
    const pixel = (at: Position) => apply(transform, [at[0]!, at[1]!])
    const placed = placeWords(drawings(), pixel, (word) => width(context, word), [across, down], covers())
    context.textAlign = 'center'
    context.textBaseline = 'middle'
    context.lineJoin = 'round'
    context.lineWidth = HALO_PX
    context.strokeStyle = ink('--paper')
    for (const { word, x, y } of placed) {
      if (context.font !== word.font) context.font = word.font
      context.fillStyle = word.color
      if (word.turned) {
        context.save()
        context.translate(x, y)
        context.rotate(word.turned)
      }
      const [left, top] = word.turned ? [0, 0] : [x, y]
      context.strokeText(word.text, left, top)
      context.fillText(word.text, left, top)
      if (word.turned) context.restore()
    }
  })
  return layer
}
