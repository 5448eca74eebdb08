import { beforeEach, describe, expect, it } from 'vitest'
import { RequestFailed } from '@/api/client'
import { outbox } from '@/model/outbox'
import { useAutosave } from '@/model/useAutosave'

/** A server that answers when it is told to, and refuses a save that does not build on the last one. */
function slowServer() {
  const waiting: (() => void)[] = []
  const seen: { doc: string; base: number }[] = []
  let saveNo = 1
  let away = false
  const autosave = useAutosave<string>(() => ({
    key: 'draft',
    schema: () => 1,
    upgrade: async (doc) => String(doc),
    put: async (doc, base) => {
      seen.push({ doc, base })
      await new Promise<void>((go) => waiting.push(go))
      if (away) throw new RequestFailed(0, 'away', 'nobody there')
      if (base !== saveNo)
        throw new RequestFailed(409, 'stale', 'stale', [], { keptRevision: 9, currentRevision: 3 })
      saveNo++
      return { saveNo, savedAt: '2026-11-01T10:00:00Z' }
    },
  }))
  autosave.start(1)
  const turn = async () => {
    for (let i = 0; i < 20; i++) await Promise.resolve()
  }
  return {
    autosave,
    seen,
    turn,
    answer: async () => {
      await turn()
      waiting.shift()?.()
      await turn()
    },
    leave: (gone: boolean) => (away = gone),
  }
}

describe('saving on a slow way to the server', () => {
  beforeEach(() => outbox.clear())

  it('never has two saves under way: what came meanwhile builds on the answer', async () => {
    const { autosave, seen, turn, answer } = slowServer()
    autosave.offer('one')
    const first = autosave.flush()
    await turn()
    autosave.offer('two')
    const second = autosave.flush()
    autosave.offer('three')
    const third = autosave.flush()
    await answer()
    await answer()
    await answer()
    await Promise.all([first, second, third])
    expect(seen).toEqual([
      { doc: 'one', base: 1 },
      { doc: 'three', base: 2 },
    ])
    expect(autosave.state.value).toBe('saved')
    expect(autosave.saveNo()).toBe(3)
    expect(await outbox.draft('draft')).toBeUndefined()
  })

  it('stops while the server is away and goes on from where it was', async () => {
    const { autosave, seen, answer, leave } = slowServer()
    leave(true)
    autosave.offer('kept')
    const tried = autosave.flush()
    await answer()
    await tried
    expect(autosave.state.value).toBe('away')
    expect((await outbox.draft('draft'))?.doc).toBe('kept')
    leave(false)
    const again = autosave.flush()
    await answer()
    await again
    expect(autosave.state.value).toBe('saved')
    expect(seen.map((s) => s.base)).toEqual([1, 1])
  })

  it('offers what was left in the browser on the number it was built on', async () => {
    const { autosave, seen, answer } = slowServer()
    await outbox.keepDraft({ key: 'draft', saveNo: 0, schema: 1, doc: 'left behind' })
    expect(await autosave.takeDraft('on the server')).toBe('left behind')
    autosave.offer('left behind')
    const sent = autosave.flush()
    await answer()
    await sent
    expect(seen[0]!.base).toBe(0)
    expect(autosave.state.value).toBe('conflict')
    expect(autosave.conflict.value?.keptRevision).toBe(9)
    autosave.offer('more')
    await autosave.flush()
    expect(seen).toHaveLength(1)
  })
})
