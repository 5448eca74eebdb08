import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { longestWait, watched } from '@/api/waiting'

beforeEach(() => vi.useFakeTimers())
afterEach(() => vi.useRealTimers())

it('says that something takes long until it is answered, and not a moment after', async () => {
  let answer: (r: Response) => void = () => undefined
  let progress: (r: Response) => void = () => undefined
  let asked = 0
  const send = (r: Request) => {
    if (!r.url.includes('/api/work/')) return new Promise<Response>((go) => (answer = go))
    asked++
    return new Promise<Response>((go) => (progress = go))
  }
  const told = (share: number) =>
    new Response(JSON.stringify({ running: true, ahead: 0, waitedMs: 0, runningMs: 0, share }))
  const done = watched(new Request('http://localhost/api/electrics', { method: 'POST' }), send)
  await vi.advanceTimersByTimeAsync(1500)
  progress(told(0.4))
  await vi.advanceTimersByTimeAsync(0)
  expect(longestWait.value?.progress?.share).toBe(0.4)
  // The answer comes while its progress is still being asked after.
  await vi.advanceTimersByTimeAsync(1000)
  expect(asked).toBe(2)
  answer(new Response('{}'))
  await done
  expect(longestWait.value).toBeNull()
  progress(told(0.9))
  await vi.advanceTimersByTimeAsync(10_000)
  expect(longestWait.value).toBeNull()
  expect(asked).toBe(2)
})
