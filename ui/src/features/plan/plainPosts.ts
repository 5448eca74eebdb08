import Feature from 'ol/Feature'
import Point from 'ol/geom/Point'
import VectorLayer from 'ol/layer/Vector'
import VectorSource from 'ol/source/Vector'
import { Fill, Style } from 'ol/style'
import CircleStyle from 'ol/style/Circle'
import type { Layout, Position } from '@/api/types'

/** Every post a feature of its own: what the benchmark holds the post layer against. Nothing else asks for it. */
export function plainPosts(layout: Layout | undefined, project: (at: Position) => Position) {
  const style = new Style({ image: new CircleStyle({ radius: 2.4, fill: new Fill({ color: '#1b232d' }) }) })
  const features = (layout?.lines ?? []).flatMap((l) =>
    l.posts.map((p) => new Feature(new Point(project([p.lonDeg, p.latDeg])))),
  )
  return new VectorLayer({
    source: new VectorSource({ features }),
    style,
    updateWhileAnimating: true,
    updateWhileInteracting: true,
  })
}
