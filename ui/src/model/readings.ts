import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { Observation } from '@/api/types'
import { announce } from '@/shared/announce'
import { outbox, type WaitingReading } from './outbox'

const RETRY_MS = 5000

/** Readings of the open job: those the server has, and those that wait here or were refused. */
export const useReadings = defineStore('readings', () => {
  const jobId = shallowRef('')
  const stored = shallowRef<Observation[]>([])
  const kept = shallowRef<WaitingReading[]>([])
  const waiting = computed(() => kept.value.filter((r) => r.refused === ''))
  const refused = computed(() => kept.value.filter((r) => r.refused !== ''))
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  async function load(id: string) {
    jobId.value = id
    stored.value = []
    kept.value = []
    const [all, unsent] = await Promise.all([
      ask(client.GET('/api/jobs/{id}/readings', { params: { path: { id } } })),
      outbox.readings(id),
    ])
    if (id !== jobId.value) return
    add(id, all)
    kept.value = unsent
    void sendAll()
  }

  /** Readings that the server has; those that are here already are left, and what came of others meanwhile stays. */
  function add(id: string, fresh: Observation[]) {
    if (id !== jobId.value) return
    const known = new Set(stored.value.map((r) => r.id))
    const more = fresh.filter((r) => !known.has(r.id))
    if (more.length)
      stored.value = [...stored.value, ...more].toSorted((a, b) =>
        a.takenAt < b.takenAt || (a.takenAt === b.takenAt && a.id < b.id) ? -1 : 1,
      )
  }

  /** Asks anew, for what may have come meanwhile. */
  async function reload(id: string) {
    try {
      const all = await ask(client.GET('/api/jobs/{id}/readings', { params: { path: { id } } }))
      add(id, all)
    } catch {
      // As it was.
    }
  }

  /** Keeps readings here; {@link send} sends them, and what else waits. */
  async function keep(readings: Observation[]) {
    const id = jobId.value
    const fresh = readings.map((reading) => ({ id: reading.id, jobId: id, reading, refused: '' }))
    await outbox.keepReadings(fresh)
    if (id === jobId.value) kept.value = [...kept.value, ...fresh]
  }

  /** Sends what waits; the good ones are stored, a refused one stays with its reason. */
  function send(): Promise<void> {
    sending ??= sent().finally(() => (sending = undefined))
    return sending
  }

  /** Those that were written down while others were on their way are sent after them. */
  async function sendAll() {
    await send()
    if (waiting.value.length > 0 && timer === undefined) await send()
  }

  async function sent() {
    clearTimeout(timer)
    timer = undefined
    const mine = waiting.value
    if (mine.length === 0 || (await sentOf(jobId.value, mine))) return
    announce('The server is away; the reading is kept here and sent when it is back.')
    timer = setTimeout(() => void sendAll(), RETRY_MS)
  }

  /** Sends readings of a job; not so while the server is away. */
  async function sentOf(id: string, mine: WaitingReading[]): Promise<boolean> {
    try {
      const answer = await ask(
        client.POST('/api/jobs/{id}/readings', {
          params: { path: { id } },
          body: mine.map((r) => r.reading),
        }),
      )
      add(id, answer.readings)
      if (answer.doubts[0]) announce(answer.doubts[0].message)
      await settle(mine, new Map(answer.refused.map((r) => [r.id, r.message])))
    } catch (e) {
      if (!(e instanceof RequestFailed) || e.away) return false
      await refusedAll(mine, e)
    }
    return true
  }

  /** Sends what waits on this device, of whatever job. */
  async function sendEverything() {
    await sendAll()
    const all = (await outbox.waiting()).readings.filter((r) => r.refused === '' && r.jobId !== jobId.value)
    for (const id of new Set(all.map((r) => r.jobId))) {
      const mine = all.filter((r) => r.jobId === id)
      if (!(await sentOf(id, mine))) return
    }
  }

  /** None was stored: of several each has its own reason, named by its place in what was sent. */
  async function refusedAll(mine: WaitingReading[], e: RequestFailed) {
    const why = new Map(
      mine.map((r, i) => [r.id, e.places.find((p) => p.path.startsWith(`[${i}]`))?.message ?? e.message]),
    )
    await settle(mine, why)
  }

  async function settle(mine: WaitingReading[], why: Map<string, string>) {
    const bad = mine.filter((r) => why.has(r.id)).map((r) => ({ ...r, refused: why.get(r.id)! }))
    await outbox.keepReadings(bad)
    await outbox.dropReadings(mine.filter((r) => !why.has(r.id)).map((r) => r.id))
    const ids = new Set(mine.map((r) => r.id))
    kept.value = [...kept.value.filter((r) => !ids.has(r.id)), ...bad.filter((r) => r.jobId === jobId.value)]
  }

  /** A refused reading is not wanted any more. */
  async function drop(id: string) {
    await outbox.dropReadings([id])
    kept.value = kept.value.filter((r) => r.id !== id)
  }

  return { stored, waiting, refused, load, add, reload, keep, send: sendAll, sendEverything, drop }
})
