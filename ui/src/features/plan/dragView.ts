import { shallowRef, type Ref } from 'vue'
import type { Position } from '@/api/types'
import type { Live } from './planPointer'

/** Later than so, a hand feels that what it drags does not follow. */
const LATE_MS = 120

/** What is dragged, held by a band to what it hangs between; pixels. */
export interface Band {
  at: Position
  ends: Position[]
}

/**
 * What is shown of a drag beside the fence itself. The fence follows with the core's answer, and what is said with it, in one
 * picture. Only while the answers are late a band goes ahead of it: a picture of its own for each move would hold them up.
 */
export function createDragView(
  live: Ref<Live | null>,
  pixelOf: (at: Position) => Position,
  now: () => number = () => performance.now(),
) {
  const band = shallowRef<Band | null>(null)
  let coming: { says: Live | null; band: Band } | null = null
  /** Since when the hand has been ahead of the picture. */
  let ahead: number | null = null

  /** A point of a path was moved. */
  function moved(at: Position, says: Live | null, path: Position[] = [], closed = false, i = 0) {
    const last = path.length - 1
    const ends = [i > 0 ? i - 1 : closed ? last : -1, i < last ? i + 1 : closed ? 0 : -1]
    const held = ends.flatMap((k) => (path[k] ? [pixelOf(path[k])] : []))
    coming = { says, band: { at: pixelOf(at), ends: held } }
    ahead ??= now()
    if (now() - ahead <= LATE_MS) return
    live.value = says
    band.value = coming.band
  }

  /** The fence was drawn where it was dragged to. */
  function drawn() {
    ahead = null
    band.value = null
    if (coming) live.value = coming.says
  }

  /** It was let go. */
  function end() {
    coming = null
    ahead = null
    band.value = null
    live.value = null
  }

  return { band, moved, drawn, end }
}
