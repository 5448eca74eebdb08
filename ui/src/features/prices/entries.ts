import { parseAmount } from '@/shared/money'

/** What was typed into a field. */
export const typed = (e: Event) => (e.target as HTMLInputElement | HTMLTextAreaElement).value

/** A list as it is typed: a line each, empty ones left out. */
export const listed = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)

export const asLines = (list: string[]) => list.join('\n')

/** Hands over the number that was typed, or says that it is none; an empty text says that all is well. */
export function enterNumber(e: Event, then: (n: number) => void, say: (problem: string) => void) {
  const value = parseAmount(typed(e))
  say(value === null ? `“${typed(e)}” is no number.` : '')
  if (value !== null) then(value)
}
