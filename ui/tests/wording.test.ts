/// <reference types="node" />
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

/** Turns of phrase and nouns of our own making that were put right once and shall not come back. */
const GONE_FROM_SCREENS = [
  'Reckoned',
  'reckoned with',
  'To mend',
  'to mend',
  'Leave it<',
  'Read it so',
  'What shall be built',
  'It really stands',
  'Number anew',
  'rest say',
  'upon yourself',
  'Take into the plan',
  'by the plate',
  'plate of your own',
  'Being worked out',
  'shall be',
  'How it came about',
  'trusted to about',
  'not told yet',
  'Write down a reading',
  'Everything by name',
]
const GONE_FROM_CODE = [
  'Bustle',
  'Trouble',
  'Sweep',
  'OneFault',
  'LineLayer',
  'PlateFit',
  'PlateDoubt',
  'Together',
]

function filesUnder(folder: string, ends: string[]): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    if (name === 'generated' || name === 'target') return []
    if (statSync(path).isDirectory()) return filesUnder(path, ends)
    return ends.some((e) => name.endsWith(e)) ? [path] : []
  })
}

const screens = [
  ...filesUnder('src', ['.vue', '.ts']),
  ...filesUnder('../core/src/main/java/buckle/message', ['.java']),
  ...filesUnder('../exchange/src/main/resources', ['.peb']),
]
const code = ['core', 'exchange', 'server'].flatMap((module) =>
  filesUnder(`../${module}/src/main/java`, ['.java']),
)

function found(files: string[], words: string[], whole: boolean): string[] {
  return files.flatMap((file) => {
    const text = readFileSync(file, 'utf8')
    return words
      .filter((w) => (whole ? new RegExp(`\\b${w}\\b`).test(text) : text.includes(w)))
      .map((w) => `${file}: ${w}`)
  })
}

describe('words', () => {
  it('are looked for in all there is', () => {
    expect(screens.length).toBeGreaterThan(120)
    expect(code.length).toBeGreaterThan(250)
  })

  it('that were put right on screens do not come back', () => {
    expect(found(screens, GONE_FROM_SCREENS, false)).toEqual([])
  })

  it('that were put right in code do not come back', () => {
    expect(found(code, GONE_FROM_CODE, true)).toEqual([])
  })

  it('of both sides of the Atlantic are chosen by the units, not written into a screen', () => {
    const mixed = filesUnder('src', ['.vue']).filter((file) => {
      const template = readFileSync(file, 'utf8').split('<template>')[1] ?? ''
      const texts = [...template.matchAll(/>([^<>{}]+)</g)].map((m) => m[1]!)
      return texts.some((t) => /\b(ground rods?|earth|fib(er|re)glass|aluminum)\b/i.test(t))
    })
    expect(mixed).toEqual([])
  })
})
