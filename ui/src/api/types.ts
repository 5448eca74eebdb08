import type { components } from './generated/schema'

type Schemas = components['schemas']

export type Plan = Schemas['Plan']
export type Site = Schemas['Site']
export type Spec = Schemas['Spec']
export type FenceLine = Schemas['FenceLine']
export type Gate = Schemas['Gate']
export type CutOut = Schemas['CutOut']
export type Wire = Schemas['Wire']
export type Animal = Spec['animals'][number]
export type Design = Schemas['Design']
export type Layout = Schemas['Layout']
export type LineLayout = Schemas['LineLayout']
export type Post = Schemas['Post']
export type Section = Schemas['Section']
export type TestPoint = Schemas['TestPoint']
export type Finding = Schemas['Finding']
export type TakeoffLine = Schemas['TakeoffLine']
export type LedgerFigure = Schemas['LedgerFigure']
export type Assessment = Schemas['Assessment']
export type PointStanding = Schemas['PointStanding']
export type SectionStanding = Schemas['SectionStanding']
export type Standing = PointStanding['standing']
export type Reading = Schemas['Reading']
export type JobView = Schemas['JobView']
export type PlanState = Schemas['PlanState']
export type Survey = Schemas['Survey']
export type Land = Schemas['Land']
export type LandState = Schemas['LandState']
export type LandFeature = Schemas['LandFeature']
export type LandKind = LandFeature['kind']
export type LandShape = LandFeature['shape']
export type Traits = Schemas['Traits']
export type Underlay = Schemas['Underlay']
export type GridRef = Schemas['GridRef']
export type TapeBook = Schemas['TapeBook']
export type TapeRow = Schemas['TapeRow']
export type TapeResult = Schemas['TapeResult']
export type SetOut = Schemas['SetOut']
export type ImportAnswer = Schemas['ImportAnswer']
export type PointTable = Schemas['PointTable']
export type Comparison = Schemas['Comparison']
export type Fitted = Schemas['Fitted']
export type RevisionInfo = Schemas['RevisionInfo']
export type Catalogue = Schemas['Catalogue']
export type Rule = Schemas['Rule']
export type Preset = Schemas['Preset']
export type UnitSystem = Spec['units']

/** Longitude and latitude in degrees, height in metres when known. */
export type Position = number[]

/** Where in what was sent something is wrong. */
export interface Place {
  code: string
  path: string
  message: string
}
