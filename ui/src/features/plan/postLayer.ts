import { apply, compose, create } from 'ol/transform'
import type { Layout, Position } from '@/api/types'
import { strongKinds } from '@/model/layoutWords'
import { sheetLayer } from './sheetLayer'
import { palette } from './symbols'

const CELL_PX = 3
const LINE_POSTS_FROM_PX = 3

interface Dots {
  layout: Layout
  /** x, y and kind (0 line, 1 brace, 2 strong) in turn. */
  data: Float64Array
  /** Usual distance of line posts that follow each other, map units. */
  spacing: number
}

/**
 * All posts drawn straight onto one canvas: only what lies in view, and never two on the same few pixels. A layer of
 * features spends its time on features nobody can tell apart.
 */
export function postLayer(layout: () => Layout | undefined, project: (at: Position) => Position) {
  const transform = create()
  let dots: Dots | null = null
  let taken = new Uint8Array(0)

  function collect(now: Layout): Dots {
    const count = now.lines.reduce((sum, l) => sum + l.posts.length, 0)
    const data = new Float64Array(count * 3)
    const gaps = new Float64Array(count)
    let filled = 0
    let gapped = 0
    for (const line of now.lines) {
      let last = -1
      for (const p of line.posts) {
        if (p.kind === 'LIGHT') continue
        const at = project([p.lonDeg, p.latDeg])
        data[filled] = at[0]!
        data[filled + 1] = at[1]!
        data[filled + 2] = strongKinds.includes(p.kind) ? 2 : p.kind === 'BRACE' ? 1 : 0
        const spaced = p.kind === 'LINE' || p.kind === 'TIE_DOWN'
        if (spaced && last >= 0) gaps[gapped++] = Math.hypot(at[0]! - data[last]!, at[1]! - data[last + 1]!)
        last = spaced ? filled : -1
        filled += 3
      }
    }
    const sorted = gaps.subarray(0, gapped).sort()
    return { layout: now, data: data.subarray(0, filled), spacing: sorted[gapped >> 1] ?? Infinity }
  }

  return sheetLayer((context, frame, width, height) => {
    const now = layout()
    if (!now) return
    if (dots?.layout !== now) dots = collect(now)
    const { center, resolution } = frame.viewState
    compose(transform, width / 2, height / 2, 1 / resolution, -1 / resolution, 0, -center[0]!, -center[1]!)
    draw(context, dots, resolution, width, height)
  })

  function draw(
    context: CanvasRenderingContext2D,
    d: Dots,
    resolution: number,
    width: number,
    height: number,
  ) {
    const colors = palette()
    const columns = Math.ceil(width / CELL_PX) + 1
    const cells = columns * (Math.ceil(height / CELL_PX) + 1)
    if (taken.length < cells) taken = new Uint8Array(cells)
    else taken.fill(0)
    const spacingPx = d.spacing / resolution
    const least = spacingPx >= LINE_POSTS_FROM_PX ? 0 : 1
    const radius = [spacingPx > 9 ? 2.4 : 1.6, 3.2, 5.5]
    const pixel = [0, 0]
    for (let kind = 2; kind >= least; kind--) {
      const r = radius[kind]!
      context.fillStyle = colors.ink
      context.strokeStyle = colors.paper
      context.lineWidth = 1
      context.beginPath()
      for (let i = 0; i < d.data.length; i += 3) {
        if (d.data[i + 2] !== kind) continue
        pixel[0] = d.data[i]!
        pixel[1] = d.data[i + 1]!
        apply(transform, pixel)
        const [x, y] = pixel as [number, number]
        if (x < -r || y < -r || x > width + r || y > height + r) continue
        const cell = Math.max(0, Math.floor(y / CELL_PX)) * columns + Math.max(0, Math.floor(x / CELL_PX))
        if (taken[cell]) continue
        taken[cell] = 1
        if (kind === 2) {
          context.rect(x - r, y - r, 2 * r, 2 * r)
        } else {
          context.moveTo(x + r, y)
          context.arc(x, y, r, 0, 2 * Math.PI)
        }
      }
      context.fill()
      if (kind === 2) context.stroke()
    }
  }
}
