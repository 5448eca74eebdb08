import Feature from 'ol/Feature'
import LineString from 'ol/geom/LineString'
import MultiPoint from 'ol/geom/MultiPoint'
import Point from 'ol/geom/Point'
import Polygon from 'ol/geom/Polygon'
import { Fill, Stroke, Style } from 'ol/style'
import CircleStyle from 'ol/style/Circle'
import RegularShape from 'ol/style/RegularShape'
import type { FenceLine, LineLayout, PartPlace, Position, Section, Stretch as Along } from '@/api/types'
import type { useJob } from '@/model/jobStore'
import { lengthText, stationText } from '@/shared/units'
import { placeAt } from '@/model/geometry'
import { landShapes } from './landStyles'
import { nameFont, palette, symbol, type Palette } from './symbols'
import { beside, emptyDrawing, outside, wordRank, type Drawing, type Spot } from './words'

type Job = ReturnType<typeof useJob>
type Project = (at: Position) => Position
type Stretch = Section['stretches'][number]

function styled(geometry: Point | LineString | MultiPoint | Polygon, ...styles: Style[]): Feature {
  const feature = new Feature(geometry)
  feature.setStyle(styles)
  return feature
}

/** The land under the fence. */
export function landDrawing(job: Job, project: Project, resolution: number): Drawing<Feature> {
  const into = emptyDrawing<Feature>()
  for (const f of job.land?.features ?? []) {
    const selected = job.selected?.kind === 'land' && job.selected.lineId === f.id
    const { features, words } = landShapes(f, project, resolution, selected)
    into.features.push(...features)
    into.words.push(...words)
  }
  spots(job, project, palette(), into)
  return into
}

/** The whole fence as drawn things, line by line. */
export function fenceDrawing(job: Job, project: Project): Drawing<Feature> {
  const colors = palette()
  const into = emptyDrawing<Feature>()
  const layout = job.design?.layout
  const failing = failingStretches(job)
  for (const line of job.plan?.site.lines ?? []) {
    const laid = layout?.lines.find((l) => l.lineId === line.id)
    const path = places(line, laid).map(project)
    if (line.closed) {
      into.features.push(
        styled(new Polygon([[...path, path[0]!]]), new Style({ fill: new Fill({ color: colors.inside }) })),
      )
      path.push(path[0]!)
    }
    into.paths.push(path)
    into.features.push(...sides(line, path, laid, failing, project, colors))
    corners(job, line, laid, path, colors, into)
    items(job, line, laid, project, colors, into)
  }
  leads(job, project, colors, into)
  feed(job, project, colors, into)
  return into
}

/** Where the fence was read and does not hold. */
function failingStretches(job: Job): Stretch[] {
  const broken = new Set(
    (job.assessment?.sections ?? []).filter((x) => x.standing === 'BROKEN').map((x) => x.sectionId),
  )
  return (job.design?.layout.sections ?? []).filter((x) => broken.has(x.id)).flatMap((x) => x.stretches)
}

/** The line itself; a section that was read and does not hold is struck with a second, broken stroke. */
function sides(
  line: FenceLine,
  path: Position[],
  laid: LineLayout | undefined,
  failing: Stretch[],
  project: Project,
  colors: Palette,
) {
  const base = styled(
    new LineString(path),
    new Style({ stroke: new Stroke({ color: colors.hot, width: 2.5 }) }),
  )
  if (!laid) return [base]
  const gaps = laid.gates.map((g) => {
    const ends = [placeAt(line, laid, g.fromM).at, placeAt(line, laid, g.toM).at].map(project)
    return styled(new LineString(ends), new Style({ stroke: new Stroke({ color: colors.paper, width: 5 }) }))
  })
  const struck = failing
    .filter((s) => s.lineId === line.id)
    .map((s) => {
      const inner = laid.cornerStationsM.filter((c) => c > s.fromM && c < s.toM)
      const along = [s.fromM, ...inner, s.toM].map((station) => project(placeAt(line, laid, station).at))
      const wide = new Stroke({ color: colors.broken, width: 9, lineDash: [3, 7], lineCap: 'butt' })
      return styled(new LineString(along), new Style({ stroke: wide }))
    })
  return [base, ...struck, ...gaps]
}

/** Where the corners are: the end of a branch follows the line it is on, which the core has worked out. */
function places(line: FenceLine, laid: LineLayout | undefined): Position[] {
  return line.corners.map((c, i) => {
    const branch = (i === 0 && line.startsOn) || (i === line.corners.length - 1 && line.endsOn)
    return branch ? (laid?.corners[i] ?? c.at) : c.at
  })
}

function spots(job: Job, project: Project, colors: Palette, into: Drawing<Feature>) {
  const all = job.land?.spotHeights ?? []
  if (all.length === 0) return
  const cross = new Style({
    image: new RegularShape({
      points: 4,
      radius: 5,
      radius2: 0,
      stroke: new Stroke({ color: colors.quiet, width: 1.2 }),
    }),
  })
  into.features.push(styled(new MultiPoint(all.map(project)), cross))
  for (const s of all.slice(0, 60)) {
    const text = job.units === 'METRIC' ? `${s[2]!.toFixed(1)} m` : stationText(s[2]!, job.units)
    into.words.push({
      ...{ at: project(s), text, font: nameFont, color: colors.quiet },
      ...{ rank: wordRank.feature, spots: beside(8) },
    })
  }
}

function corners(
  job: Job,
  line: FenceLine,
  laid: LineLayout | undefined,
  path: Position[],
  colors: Palette,
  into: Drawing<Feature>,
) {
  const chosen = line.id === job.lineId || (job.plan?.site.lines.length ?? 0) === 1
  const named =
    chosen && line.corners.length <= 200
      ? (laid?.posts.filter((p) => p.label !== '' && p.kind !== 'GATE') ?? [])
      : []
  const last = line.corners.length - 1
  line.corners.forEach((corner, i) => {
    const at = path[i]!
    const selected =
      job.selected?.kind === 'corner' && job.selected.lineId === line.id && job.selected.id === corner.id
    const station = laid?.cornerStationsM[i] ?? -1
    const post = named.find((p) => Math.abs(p.stationM - station) < 0.01)
    const styles = laid ? [] : [symbol.strong(colors, 5.5)]
    if (selected) styles.push(symbol.ring(colors))
    if (styles.length > 0) into.features.push(styled(new Point(at), ...styles))
    into.signs.push({ at, y: 0, half: 6 })
    if (!post) return
    const spots = outside(at, path[i - 1] ?? (line.closed ? path[last] : undefined), path[i + 1], 17)
    into.words.push({ at, text: post.label, font: nameFont, color: colors.ink, rank: wordRank.corner, spots })
  })
}

function items(
  job: Job,
  line: FenceLine,
  laid: LineLayout | undefined,
  project: Project,
  colors: Palette,
  into: Drawing<Feature>,
) {
  const isSelected = (kind: string, id: string) => job.selected?.kind === kind && job.selected.id === id
  const name = (at: Position, text: string, spots: Spot[]) =>
    into.words.push({ at, text, font: nameFont, color: colors.ink, rank: wordRank.place, spots })
  for (const gate of laid?.gates ?? []) {
    const from = project(placeAt(line, laid!, gate.fromM).at)
    const to = project(placeAt(line, laid!, gate.toM).at)
    const angle = Math.atan2(to[1]! - from[1]!, to[0]! - from[0]!) + 0.7
    const span = Math.hypot(to[0]! - from[0]!, to[1]! - from[1]!)
    const slides = gate.kind === 'SLIDING'
    const along = [
      [from[0]! + (to[1]! - from[1]!) * 0.12, from[1]! - (to[0]! - from[0]!) * 0.12],
      [to[0]! + (to[1]! - from[1]!) * 0.12, to[1]! - (to[0]! - from[0]!) * 0.12],
    ]
    const leaf = [from, [from[0]! + Math.cos(angle) * span, from[1]! + Math.sin(angle) * span]]
    const stroke =
      gate.kind === 'SWING' || slides
        ? new Stroke({ color: colors.ink, width: 2 })
        : new Stroke({ color: colors.hot, width: 2, lineDash: [2, 4] })
    into.features.push(
      styled(
        new LineString(gate.kind === 'SWING' ? leaf : slides ? along : [from, to]),
        new Style({ stroke }),
      ),
    )
    const middle = [(from[0]! + to[0]!) / 2, (from[1]! + to[1]!) / 2]
    if (isSelected('gate', gate.id)) into.features.push(styled(new Point(middle), symbol.ring(colors)))
    into.signs.push({ at: middle, y: 0, half: 7 }, { at: from, y: 0, half: 6 }, { at: to, y: 0, half: 6 })
    name(middle, gate.name, beside(10, 'below'))
  }
  for (const cutOut of laid?.cutOuts ?? []) {
    const at = project(placeAt(line, laid!, cutOut.stationM).at)
    const styles = [symbol.cutOut(colors)]
    if (isSelected('cutOut', cutOut.id)) styles.push(symbol.ring(colors))
    into.features.push(styled(new Point(at), ...styles))
    into.signs.push({ at, y: 0, half: 10 })
    name(at, cutOut.name, beside(12))
  }
}

/** Leads from line to line, drawn like the lead-out. */
function leads(job: Job, project: Project, colors: Palette, into: Drawing<Feature>) {
  for (const lead of job.design?.layout.leads ?? []) {
    const [from, to] = [project(lead.at), project(lead.onAt)]
    into.features.push(
      styled(
        new LineString([from, to]),
        new Style({ stroke: new Stroke({ color: colors.hot, width: 1.5, lineDash: [5, 4] }) }),
      ),
    )
    if (lead.bridge) continue
    const middle = [(from[0]! + to[0]!) / 2, (from[1]! + to[1]!) / 2]
    const text = `lead, ${lengthText(lead.lengthM, job.units)}`
    into.words.push({
      at: middle,
      text,
      font: nameFont,
      color: colors.ink,
      rank: wordRank.place,
      spots: beside(8),
    })
  }
}

function feed(job: Job, project: Project, colors: Palette, into: Drawing<Feature>) {
  const layout = job.design?.layout
  const energizer = job.plan?.site.energizer
  if (!energizer) return
  const at = project(energizer.at)
  const line = job.plan?.site.lines.find((l) => l.id === layout?.feed?.lineId)
  const laid = layout?.lines.find((l) => l.lineId === layout.feed?.lineId)
  if (layout?.feed && line && laid) {
    const to = project(placeAt(line, laid, layout.feed.stationM).at)
    into.features.push(
      styled(
        new LineString([at, to]),
        new Style({ stroke: new Stroke({ color: colors.hot, width: 1.5, lineDash: [5, 4] }) }),
      ),
    )
  }
  const usual = { at, font: nameFont, rank: wordRank.feed }
  into.words.push({ ...usual, text: energizer.name, color: colors.ink, spots: beside(16) })
  into.signs.push({ at, y: 0, half: 13 })
  const styles = [symbol.energizer(colors)]
  if (layout?.feed) {
    styles.push(symbol.rods(colors))
    into.signs.push({ at, y: 26, half: 10 })
    const text = `${layout.feed.earth.length} ${layout.feed.earth.length === 1 ? 'rod' : 'rods'}`
    const spots: Spot[] = [
      { x: 13, y: 26, align: 'left' },
      { x: -13, y: 26, align: 'right' },
      { x: 0, y: 46, align: 'center' },
    ]
    into.words.push({ ...usual, text, color: colors.earth, spots })
  }
  if (job.selected?.kind === 'energizer') styles.push(symbol.ring(colors))
  into.features.push(styled(new Point(at), ...styles))
}

/** Where the parts are that are pointed at in the takeoff, and the stretch that is chosen there. */
export function litFeatures(
  job: Job,
  places: PartPlace[],
  stretch: Along | null,
  project: Project,
): Feature[] {
  const colors = palette()
  const ring = new Style({
    image: new CircleStyle({ radius: 6, stroke: new Stroke({ color: colors.accent, width: 2.5 }) }),
  })
  const wide = new Style({ stroke: new Stroke({ color: colors.accent, width: 6 }) })
  const features: Feature[] = []
  const drawn = (lineId: string) => {
    const line = job.plan?.site.lines.find((l) => l.id === lineId)
    const laid = job.design?.layout.lines.find((l) => l.lineId === lineId)
    return line && laid ? (m: number) => project(placeAt(line, laid, Math.min(m, laid.lengthM)).at) : null
  }
  const along = (lineId: string, fromM: number, toM: number) => {
    const at = drawn(lineId)
    const laid = job.design?.layout.lines.find((l) => l.lineId === lineId)
    if (!at || !laid) return
    const inner = laid.cornerStationsM.filter((c) => c > fromM && c < toM)
    features.push(styled(new LineString([fromM, ...inner, toM].map(at)), wide))
  }
  for (const p of places) {
    const at = drawn(p.lineId)
    if (p.along) along(p.lineId, p.along.fromM, p.along.toM)
    else if (at) features.push(styled(new MultiPoint(p.stationsM.map(at)), ring))
  }
  if (stretch) along(stretch.lineId, stretch.fromM, stretch.toM)
  return features
}

/** The shared cursor: where on the plan the station is that lights up everywhere. */
export function cursorFeatures(job: Job, project: Project): { features: Feature[]; at: Position | null } {
  const colors = palette()
  const line = job.plan?.site.lines.find((l) => l.id === job.line?.lineId)
  if (!line || !job.line || job.cursorM === null) return { features: [], at: null }
  const at = project(placeAt(line, job.line, Math.min(job.cursorM, job.line.lengthM)).at)
  const ring = new Style({
    image: new CircleStyle({ radius: 9, stroke: new Stroke({ color: colors.accent, width: 2 }) }),
  })
  const cross = new Style({
    image: new RegularShape({
      points: 4,
      radius: 15,
      radius2: 0,
      stroke: new Stroke({ color: colors.accent, width: 1 }),
    }),
  })
  return { features: [styled(new Point(at), ring, cross)], at }
}

/** The line or outline being drawn. */
export function draftFeatures(path: Position[], closed: boolean): Feature[] {
  if (path.length === 0) return []
  const colors = palette()
  const dash = new Style({ stroke: new Stroke({ color: colors.accent, width: 2, lineDash: [6, 5] }) })
  const whole = closed && path.length > 2 ? [...path, path[0]!] : path
  return [
    styled(new LineString(whole), dash),
    styled(new MultiPoint(path.length > 60 ? [path[0]!] : path), symbol.strong(colors, 3.6)),
  ]
}
