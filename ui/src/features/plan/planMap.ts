import type Feature from 'ol/Feature'
import OlMap from 'ol/Map'
import View from 'ol/View'
import { boundingExtent, containsExtent, getHeight, getWidth, isEmpty } from 'ol/extent'
import { defaults as defaultInteractions } from 'ol/interaction/defaults'
import VectorLayer from 'ol/layer/Vector'
import { getPointResolution, getTransform, toLonLat } from 'ol/proj'
import VectorSource from 'ol/source/Vector'
import { computed } from 'vue'
import type { Electrics, FenceDiagnosis, Position } from '@/api/types'
import type { useJob } from '@/model/jobStore'
import type { useParts } from '@/model/useParts'
import { lengthText, unitM } from '@/shared/units'
import { roundStep, unwrap } from '@/model/geometry'
import type { createCovers } from './covers'
import { gridLayer } from './gridLayer'
import { cursorFeatures, draftFeatures, fenceDrawing, landDrawing, litFeatures } from './planFeatures'
import { createPointer } from './planPointer'
import { heatDrawing } from './heatFeatures'
import { pulseDrawing, pulseText } from './pulseFeatures'
import { postLayer } from './postLayer'
import type { useTool } from '@/model/tool'
import { underlayLayer } from './underlayLayer'
import { wordLayer } from './wordLayer'
import { emptyDrawing, type Drawing } from './words'

type Job = ReturnType<typeof useJob>
const MERCATOR = 'EPSG:3857'
const toMercator = getTransform('EPSG:4326', MERCATOR)!

/** The scale counts as settled when it has not changed for so long. */
const STILL_MS = 160

/** The plan as an OpenLayers map without tiles: a paper grid, the fence, the cursor, and what the pointer does. */
export function createPlanMap(
  target: HTMLElement,
  job: Job,
  parts: ReturnType<typeof useParts>,
  tools: ReturnType<typeof useTool>,
  editable: () => boolean,
  onScale: (scale: { px: number; text: string }) => void,
  pulse: () => Electrics | null,
  covers: ReturnType<typeof createCovers>,
  heat: () => FenceDiagnosis | null,
) {
  const ground = new VectorSource()
  const fence = new VectorSource()
  const over = new VectorSource()
  const draft = new VectorSource()
  const shown = new VectorSource()
  /** How strong the pulse is along the lines. */
  const live = new VectorSource()
  const view = new View({
    projection: MERCATOR,
    center: [0, 0],
    zoom: 16,
    maxZoom: 24,
    minZoom: 2,
    multiWorld: true,
  })
  /** Everything is drawn near one longitude, so that a job on the date line stays in one piece. */
  const nearLon = computed(
    () =>
      job.plan?.site.lines[0]?.corners[0]?.at[0] ??
      job.plan?.site.energizer?.at[0] ??
      job.land?.features[0]?.points[0]?.[0] ??
      0,
  )
  const projectNear = (at: Position, lon: number): Position => toMercator([unwrap(at[0]!, lon), at[1]!])
  const project = (at: Position): Position => projectNear(at, nearLon.value)
  const unproject = (at: Position): Position => {
    const [lon, lat] = toLonLat(at) as [number, number]
    return [unwrap(lon, 0), lat]
  }
  const drawn: Record<'ground' | 'fence' | 'pulse', Drawing<Feature>> = {
    ground: emptyDrawing(),
    fence: emptyDrawing(),
    pulse: emptyDrawing(),
  }
  const posts = postLayer(() => job.design?.layout, project)
  const vectorLayer = (source: VectorSource) => new VectorLayer({ source, updateWhileInteracting: true })
  const map = new OlMap({
    target,
    view,
    controls: [],
    interactions: defaultInteractions({
      doubleClickZoom: false,
      altShiftDragRotate: false,
      pinchRotate: false,
      keyboard: false,
    }),
    layers: [
      gridLayer(() => unitM(job.units)),
      underlayLayer(() => job.land?.underlays ?? [], project),
      vectorLayer(ground),
      vectorLayer(fence),
      posts,
      vectorLayer(over),
      vectorLayer(draft),
      vectorLayer(shown),
      vectorLayer(live),
      wordLayer(() => [drawn.ground, drawn.fence, drawn.pulse], covers.boxes),
    ],
  })

  const pointer = createPointer(
    map,
    job,
    tools,
    editable,
    project,
    unproject,
    (path, closed) => {
      refill(draft, draftFeatures(path, closed))
    },
    (lineId, stationM) => pulseText(pulse(), lineId, stationM),
    () => redraw({ fence: true }),
  )
  map.addInteraction(pointer.interaction)

  const refill = (source: VectorSource, features: Feature[]) => {
    source.clear(true)
    source.addFeatures(features)
  }
  const stale = { ground: true, fence: true, pulse: true }
  /** Land and selection the ground was drawn for. */
  let groundOf: unknown[] = []
  let asked = false

  /** Draws what is stale. */
  function draw() {
    const resolution = view.getResolution() ?? 1
    if (stale.ground && stale.fence && stale.pulse) drawnAt = resolution
    if (stale.ground || groundOf[0] !== job.land || groundOf[1] !== job.selected) {
      drawn.ground = landDrawing(job, project, resolution)
      groundOf = [job.land, job.selected]
      refill(ground, drawn.ground.features)
    }
    if (stale.fence) {
      drawn.fence = fenceDrawing(job, project)
      refill(fence, drawn.fence.features)
      drawCursor(false)
      pointer.view.drawn()
    }
    if (stale.pulse) {
      const answer = heat()
      drawn.pulse = answer
        ? heatDrawing(answer, job.design?.layout, project)
        : pulseDrawing(pulse(), project, resolution)
      refill(live, drawn.pulse.features)
    }
    stale.ground = stale.fence = stale.pulse = false
  }

  /**
   * Has something drawn anew, once however often it is asked: as soon as all that changes with it has changed, not with the next
   * frame, so that the frame finds it done.
   */
  function redraw(what: { fence?: boolean; pulse?: boolean } | 'all' = 'all') {
    const all = what === 'all'
    stale.ground ||= all
    stale.fence ||= all || !!what.fence
    stale.pulse ||= all || !!what.pulse
    if (asked) return
    asked = true
    queueMicrotask(() => {
      asked = false
      if (!map.getTarget()) return
      draw()
      map.renderSync()
    })
  }

  /** The plan changed: while something is dragged the answer that follows is drawn. */
  function moved() {
    if (!pointer.dragging()) redraw({ fence: true })
  }

  function drawCursor(follow: boolean) {
    const { features, at } = cursorFeatures(job, project)
    refill(over, [...litFeatures(job, parts.lit, parts.stretch, project), ...features])
    if (follow && at && !pointer.hovering()) {
      const [left, low, right, high] = view.calculateExtent(map.getSize()) as [number, number, number, number]
      if (at[0]! < left || at[0]! > right || at[1]! < low || at[1]! > high) view.setCenter(at)
    }
  }

  /** Lines to look at before they are taken into the plan. */
  function preview(paths: Position[][]) {
    shown.clear(true)
    if (paths.length === 0) return
    const near = job.plan?.site.lines[0]?.corners[0]?.at[0] ?? paths[0]![0]![0]!
    for (const path of paths) {
      const drawn = path.map((at) => projectNear(at, near))
      shown.addFeatures(draftFeatures(drawn, false))
    }
    const extent = shown.getExtent()
    if (extent && !isEmpty(extent) && !wellInView(extent))
      view.fit(extent, { padding: margins(), maxZoom: 21 })
    scaleBar()
  }

  /** Whether something lies within the view and is large enough there to be seen. */
  function wellInView(extent: number[]) {
    const seen = view.calculateExtent(map.getSize())
    return containsExtent(seen, extent) && getWidth(extent) + getHeight(extent) > 0.2 * getWidth(seen)
  }

  /** Beside the tools, or all of a small picture. */
  function margins() {
    if ((map.getSize()?.[0] ?? 1000) >= 400) return [56, 60, 50, 170]
    const tools = covers.boxes().find((b) => b.left < 20 && b.top < 20)
    return [22, 26, 42, tools ? tools.right + 14 : 26]
  }

  /** All lines of the job, or what else is drawn of it. */
  function wholeJob() {
    const lines = (job.plan?.site.lines ?? []).flatMap((l) => l.corners.map((c) => project(c.at)))
    const extent = lines.length > 0 ? boundingExtent(lines) : fence.getExtent()
    return extent && !isEmpty(extent) ? extent : undefined
  }

  function fit() {
    const extent = wholeJob()
    if (!extent) return
    view.fit(extent, { padding: margins(), maxZoom: 21 })
    fitted = seen()
    if (view.getResolution() !== drawnAt) scaled()
  }

  /** What is looked at, to tell whether it is still what was fitted. */
  const seen = () => `${view.getCenter()} ${view.getResolution()}`
  let fitted = ''
  /**
   * Beside another sheet there is more room or less: the job is fitted anew unless one has gone elsewhere since, and also when all of
   * it was in view and is not any more (with the first line that is drawn the line pulled straight takes its place below).
   */
  let size = map.getSize()
  map.on('change:size', () => {
    covers.changed()
    const extent = wholeJob()
    const inView = (of: typeof size) => !!extent && !!of && containsExtent(view.calculateExtent(of), extent)
    const cutOff = inView(size) && !inView(map.getSize())
    size = map.getSize()
    if ((fitted === seen() || cutOff) && !pointer.dragging()) fit()
  })

  function scaleBar() {
    const resolution = view.getResolution()
    const center = view.getCenter()
    if (!resolution || !center) return
    const metresPerPx = getPointResolution(MERCATOR, resolution, center)
    const unit = unitM(job.units)
    const metres = roundStep((metresPerPx * 90) / unit) * unit
    onScale({ px: Math.round(metres / metresPerPx), text: lengthText(metres, job.units) })
  }
  let drawnAt = 0
  let rescaled: ReturnType<typeof setTimeout> | undefined

  /** Names appear and go with the scale. */
  function scaled() {
    clearTimeout(rescaled)
    scaleBar()
    redraw()
  }

  /** A pan alone changes nothing that is drawn, and while the scale still changes what was drawn for the last one will do. */
  map.on('moveend', () => {
    if (view.getResolution() === drawnAt) return
    scaleBar()
    clearTimeout(rescaled)
    rescaled = setTimeout(scaled, drawnAt === 0 ? 0 : STILL_MS)
  })

  /** For tests: where on the screen a place is drawn. */
  const pixelAt = (at: Position) => map.getPixelFromCoordinate(project(at))
  const hooks = target as HTMLElement & {
    pixelAt?: unknown
    still?: unknown
    zoomTo?: unknown
    plainPosts?: unknown
  }
  hooks.pixelAt = pixelAt
  /** Whether the plan is drawn for the scale it has. */
  hooks.still = () => !view.getAnimating() && view.getResolution() === drawnAt
  /** For the benchmark: shows the job from so far, and the posts as one plain feature each, to compare with. */
  hooks.zoomTo = (factor: number) => {
    fit()
    view.setResolution((view.getResolution() ?? 1) * factor)
  }
  hooks.plainPosts = async () => {
    const { plainPosts } = await import('./plainPosts')
    const layers = map.getLayers()
    layers.setAt(layers.getArray().indexOf(posts), plainPosts(job.design?.layout, project))
  }

  // Before anything is drawn there is a scale to draw by.
  scaleBar()

  return {
    draw,
    redraw,
    moved,
    drawCursor,
    fit,
    preview,
    pixelAt,
    draft: pointer.draft,
    live: pointer.live,
    band: pointer.view.band,
    dispose: () => {
      clearTimeout(rescaled)
      map.setTarget(undefined)
    },
  }
}
