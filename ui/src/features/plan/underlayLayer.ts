import { getPointResolution } from 'ol/proj'
import type { Position, Underlay } from '@/api/types'
import { sheetLayer } from './sheetLayer'

/** Photos and scans under the plan, rotated and scaled to lie where two of their points were placed, and faded. */
export function underlayLayer(underlays: () => Underlay[], project: (at: Position) => Position) {
  const images = new Map<string, HTMLImageElement>()

  function image(hash: string, loaded: () => void): HTMLImageElement {
    const known = images.get(hash)
    if (known) return known
    const fresh = new Image()
    fresh.src = `/api/attachments/${hash}`
    fresh.onload = loaded
    images.set(hash, fresh)
    return fresh
  }

  const layer = sheetLayer((context, frame, width, height) => {
    const { center, resolution } = frame.viewState
    for (const u of underlays()) {
      const picture = image(u.hash, () => layer.changed())
      if (!picture.complete || picture.naturalWidth === 0) continue
      const at = project(u.at)
      const metresPerPx = getPointResolution('EPSG:3857', resolution, at)
      const onPicture = Math.hypot(u.x2 - u.x1, u.y2 - u.y1)
      const scale = u.distanceM / onPicture / metresPerPx
      const lies = Math.atan2(u.y2 - u.y1, u.x2 - u.x1)
      const wanted = ((u.bearingDeg - 90) * Math.PI) / 180
      context.save()
      context.translate(
        width / 2 + (at[0]! - center[0]!) / resolution,
        height / 2 - (at[1]! - center[1]!) / resolution,
      )
      context.rotate(wanted - lies)
      context.scale(scale, scale)
      context.globalAlpha = u.opacity
      context.drawImage(picture, -u.x1, -u.y1)
      context.restore()
    }
  })
  return layer
}
