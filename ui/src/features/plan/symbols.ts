import { Fill, Icon, Stroke, Style } from 'ol/style'
import CircleStyle from 'ol/style/Circle'
import RegularShape from 'ol/style/RegularShape'
import { ink } from '@/shared/inks'

/** Buckle's own signs on the plan, in the colours of the look in use. */
export interface Palette {
  ink: string
  paper: string
  hot: string
  earth: string
  accent: string
  broken: string
  inside: string
  quiet: string
  met: string
  ground: string
  groundEdge: string
}

export function palette(): Palette {
  const value = ink
  const hot = value('--hot')
  return {
    ink: value('--ink'),
    paper: value('--paper'),
    hot,
    earth: value('--earth'),
    accent: value('--accent'),
    broken: value('--broken'),
    inside: `${hot}0d`,
    quiet: value('--quiet'),
    met: value('--met'),
    ground: value('--ground'),
    groundEdge: value('--ground-edge'),
  }
}

function drawing(svg: string, color: string, size: number, shift: [number, number] = [0, 0]): Style {
  const box = `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}" viewBox="0 0 24 24" fill="none" stroke="${color}" stroke-width="2">${svg}</svg>`
  return new Style({
    image: new Icon({
      src: `data:image/svg+xml,${encodeURIComponent(box)}`,
      displacement: shift,
    }),
  })
}

export const symbol = {
  /** Strong post: a filled square. */
  strong: (c: Palette, radius: number) =>
    new Style({
      image: new RegularShape({
        points: 4,
        angle: Math.PI / 4,
        radius: radius * 1.3,
        fill: new Fill({ color: c.ink }),
        stroke: new Stroke({ color: c.paper, width: 1 }),
      }),
    }),
  /** Cut-out: a broken ring. */
  cutOut: (c: Palette) =>
    drawing(
      `<circle cx="12" cy="12" r="8" fill="${c.paper}" stroke="none"/><path d="M5 8a8 8 0 0113-2M19 16a8 8 0 01-13 2" stroke-width="3"/>`,
      c.accent,
      24,
    ),
  /** Energizer: a ring with one pulse. */
  energizer: (c: Palette) =>
    drawing(
      `<circle cx="12" cy="12" r="10" fill="${c.paper}" stroke="${c.ink}"/><path d="M4.5 13h4l2-7 3.5 11 1.5-4h4"/>`,
      c.accent,
      28,
    ),
  /** Ground rods: an arrow down into three strokes. */
  rods: (c: Palette) =>
    drawing('<path d="M12 2v12M9 11l3 3 3-3M5 15h14M8 19h8M10.5 22.5h3"/>', c.earth, 20, [0, -26]),
  ring: (c: Palette) =>
    new Style({
      image: new CircleStyle({
        radius: 12,
        stroke: new Stroke({ color: c.accent, width: 2.5 }),
      }),
    }),
}

/** How names are written on the plan. */
export const nameFont = "13px 'Atkinson Hyperlegible', sans-serif"
