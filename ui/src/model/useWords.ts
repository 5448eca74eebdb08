import { useDocument } from './document'

/** The words of the job's units: ground rods and gauge where it is in feet, earth rods and millimetres where it is in metres. */
export function useWords() {
  const document = useDocument()
  const named = /“[^”]*”/g

  function plain(text: string): string {
    let said = text
    for (const rule of document.catalogue?.dialect ?? [])
      if (rule.units === document.units)
        said = said.replace(new RegExp(rule.pattern, 'gi'), (found: string, ...rest: unknown[]) => {
          const group = typeof rest[0] === 'string' ? rest[0] : ''
          const by = rule.replacement.replace('$1', group)
          return /^[A-Z]/.test(found) ? by[0]!.toUpperCase() + by.slice(1) : by
        })
    return said
  }

  return {
    /** A text as it is said in this job; what people named themselves, in curly quotes, is left as it is. */
    say(text: string): string {
      let said = ''
      let at = 0
      for (const name of text.matchAll(named)) {
        said += plain(text.slice(at, name.index)) + name[0]
        at = name.index + name[0].length
      }
      return said + plain(text.slice(at))
    },
  }
}

const SPOKEN = ['text', 'joining', 'seen', 'name']

/** The same choices with their words as they are said in this job. */
export function spoken<T>(choices: T, say: (text: string) => string): T {
  if (Array.isArray(choices)) return choices.map((c: unknown) => spoken(c, say)) as T
  if (typeof choices !== 'object' || choices === null) return choices
  return Object.fromEntries(
    Object.entries(choices).map(([key, value]: [string, unknown]) => [
      key,
      typeof value === 'string' && SPOKEN.includes(key) ? say(value) : spoken(value, say),
    ]),
  ) as T
}
