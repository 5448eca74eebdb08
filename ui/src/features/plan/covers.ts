import type { Box } from './words'

/** What lies over the plan on the screen, tools and legend and scale; measured only when it may have changed. */
export function createCovers(map: () => HTMLElement | undefined) {
  let boxes: Box[] | null = null

  function measured(): Box[] {
    const host = map()
    const { left, top } = host?.getBoundingClientRect() ?? { left: 0, top: 0 }
    const over = [...(host?.parentElement?.children ?? [])].filter(
      (e) => e !== host && !e.hasAttribute('data-passing'),
    )
    return over.map((e) => {
      const r = e.getBoundingClientRect()
      return { left: r.left - left, top: r.top - top, right: r.right - left, bottom: r.bottom - top }
    })
  }

  return {
    boxes: () => (boxes ??= measured()),
    changed: () => (boxes = null),
  }
}
