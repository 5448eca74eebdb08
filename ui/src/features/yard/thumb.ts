import { unwrap } from '@/model/geometry'

/** A small drawing of a job's lines: longitudes and latitudes in turn, fitted to a box. */
export function thumbPath(outline: number[][], width: number, height: number): string {
  const near = outline[0]?.[0] ?? 0
  const lines = outline.map((flat) => {
    const points: [number, number][] = []
    for (let i = 0; i + 1 < flat.length; i += 2) points.push([unwrap(flat[i]!, near), flat[i + 1]!])
    return points
  })
  const all = lines.flat()
  if (all.length < 2) return ''
  const lats = all.map((p) => p[1])
  const shrink = Math.cos(((Math.min(...lats) + Math.max(...lats)) / 2) * (Math.PI / 180))
  const xs = all.map((p) => p[0] * shrink)
  const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...lats), Math.max(...lats)]
  const scale = Math.min((width - 6) / (right - left || 1e-9), (height - 6) / (high - low || 1e-9))
  const x = (p: [number, number]) => (width - (right - left) * scale) / 2 + (p[0] * shrink - left) * scale
  const y = (p: [number, number]) => (height - (high - low) * scale) / 2 + (high - p[1]) * scale
  return lines
    .map((line) => 'M' + line.map((p) => `${x(p).toFixed(1)} ${y(p).toFixed(1)}`).join('L'))
    .join('')
}
