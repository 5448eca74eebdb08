/** Whether two values are the same JSON, whatever the order of their fields. */
export function sameJson(a: unknown, b: unknown): boolean {
  return JSON.stringify(a, sorted) === JSON.stringify(b, sorted)
}

function sorted(_key: string, value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value
  return Object.fromEntries(Object.entries(value).sort(([x], [y]) => (x < y ? -1 : 1)))
}
