import { useLook } from './look'

/** Colours of the look in use, read from the style once a look: drawings ask for them at every picture. */
const known = new Map<string, string>()
let ofLook = ''

export function ink(name: string): string {
  const { look } = useLook()
  const root = document.documentElement
  // The page follows a new look a moment later than the choice.
  if (root.dataset.look !== look.value) return getComputedStyle(root).getPropertyValue(name).trim()
  if (ofLook !== look.value) {
    known.clear()
    ofLook = look.value
  }
  let value = known.get(name)
  if (!value) {
    value = getComputedStyle(root).getPropertyValue(name).trim()
    known.set(name, value)
  }
  return value
}
