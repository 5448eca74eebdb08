const GAP_PX = 14
const EDGE_PX = 4

interface Size {
  offsetWidth: number
  offsetHeight: number
}

/** Where a label goes that belongs to a point: below to the right where there is room, otherwise on another side, always within the box. */
export function placeBeside(
  at: { x: number; y: number },
  label: Size | undefined,
  box: { clientWidth: number; clientHeight: number },
): { x: number; y: number } {
  const width = label?.offsetWidth ?? 0
  const height = label?.offsetHeight ?? 0
  const x = at.x + GAP_PX + width > box.clientWidth - EDGE_PX ? at.x - GAP_PX - width : at.x + GAP_PX
  const y = at.y + GAP_PX + height > box.clientHeight - EDGE_PX ? at.y - GAP_PX - height : at.y + GAP_PX
  const within = (value: number, size: number, most: number) =>
    Math.max(EDGE_PX, Math.min(value, most - size - EDGE_PX))
  return { x: within(x, width, box.clientWidth), y: within(y, height, box.clientHeight) }
}
