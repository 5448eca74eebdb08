import type { LandFeature, LandKind } from '@/api/types'

export const shapeOf: Record<LandKind, LandFeature['shape'][]> = {
  EXISTING_FENCE: ['LINE'],
  BUILDING: ['AREA', 'POINT'],
  POWER_OUTLET: ['POINT'],
  OVERHEAD_LINE: ['LINE'],
  BURIED_SERVICE: ['LINE'],
  PUBLIC_WAY: ['LINE'],
  BOUNDARY: ['LINE', 'AREA'],
  TRACK: ['LINE'],
  OPENING: ['POINT'],
  CREEK: ['LINE'],
  TREES: ['AREA', 'LINE', 'POINT'],
  SOIL: ['AREA'],
  STANDING_WATER: ['AREA'],
  NO_GO: ['AREA'],
}

export const kindText: Record<LandKind, string> = {
  EXISTING_FENCE: 'existing fence',
  BUILDING: 'building',
  POWER_OUTLET: 'power outlet',
  OVERHEAD_LINE: 'overhead line',
  BURIED_SERVICE: 'buried service',
  PUBLIC_WAY: 'public path or road',
  BOUNDARY: 'boundary',
  TRACK: 'track',
  OPENING: 'gate opening',
  CREEK: 'creek',
  TREES: 'trees and brush',
  SOIL: 'soil zone',
  STANDING_WATER: 'standing water',
  NO_GO: 'no-go',
}
