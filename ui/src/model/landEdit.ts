import type { Land, LandFeature, LandKind, LandShape, Position, Traits } from '@/api/types'

/** Edits of a property's land; each answers a new one and leaves the old one alone. */

export const noTraits: Traits = {
  make: null,
  postsUsable: null,
  electrified: null,
  voltageKv: null,
  lowestWireM: null,
  service: null,
  depthM: null,
  floodRiseM: null,
  soil: null,
  widthM: null,
}

const flat = (at: Position): Position => [at[0]!, at[1]!]

export function addFeature(
  land: Land,
  kind: LandKind,
  shape: LandShape,
  points: Position[],
): { land: Land; id: string } {
  const taken = new Set(land.features.map((f) => f.id))
  let n = land.features.length + 1
  while (taken.has(`land-${n}`)) n++
  const id = `land-${n}`
  const feature: LandFeature = {
    id,
    kind,
    name: '',
    shape,
    points: points.map(flat),
    traits: noTraits,
    note: '',
  }
  return { land: { ...land, features: [...land.features, feature] }, id }
}

export function changeFeature(land: Land, id: string, change: Partial<LandFeature>): Land {
  return { ...land, features: land.features.map((f) => (f.id === id ? { ...f, ...change } : f)) }
}

export function removeFeature(land: Land, id: string): Land {
  return { ...land, features: land.features.filter((f) => f.id !== id) }
}

export function movePoint(land: Land, id: string, index: number, at: Position): Land {
  return {
    ...land,
    features: land.features.map((f) =>
      f.id === id ? { ...f, points: f.points.map((p, i) => (i === index ? flat(at) : p)) } : f,
    ),
  }
}

/** Takes one point out; a feature that would have too few goes whole. */
export function removePoint(land: Land, id: string, index: number): Land {
  const least = { POINT: 1, LINE: 2, AREA: 3 }
  const feature = land.features.find((f) => f.id === id)
  if (!feature || feature.points.length <= least[feature.shape]) return removeFeature(land, id)
  return changeFeature(land, id, { points: feature.points.toSpliced(index, 1) })
}
