import Dexie, { type EntityTable } from 'dexie'
import type { FaultNote, Observation } from '@/api/types'
import { announce } from '@/shared/announce'

/** A document that the server does not have yet, on the save it builds on. */
export interface Draft {
  key: string
  saveNo: number
  schema: number
  doc: unknown
}

/** A reading that the server does not have yet; with the reason once it refused it. */
export interface WaitingReading {
  id: string
  jobId: string
  reading: Observation
  refused: string
}

/** The same of a note of a fault. */
export interface WaitingNote {
  id: string
  jobId: string
  note: FaultNote
  refused: string
}

interface Steps {
  key: string
  steps: unknown
}

class OutboxDatabase extends Dexie {
  drafts!: EntityTable<Draft, 'key'>
  /** Drafts that nobody can read now; a later Buckle may. */
  unread!: EntityTable<Draft, 'key'>
  readings!: EntityTable<WaitingReading, 'id'>
  notes!: EntityTable<WaitingNote, 'id'>
  steps!: EntityTable<Steps, 'key'>

  constructor(name: string) {
    super(name)
    this.version(1).stores({ drafts: 'key', unread: 'key', readings: 'id, jobId', steps: 'key' })
    this.version(2).stores({ notes: 'id, jobId' })
  }
}

/** The same for a browser that keeps nothing: it lasts as long as the page. */
const fleeting = {
  drafts: new Map<string, Draft>(),
  unread: new Map<string, Draft>(),
  readings: new Map<string, WaitingReading>(),
  notes: new Map<string, WaitingNote>(),
}

const database = new OutboxDatabase('buckle')
let keepsNothing = false

/** Runs it in the database, or without one when that fails. */
async function kept<T>(work: () => Promise<T>, without: () => T): Promise<T> {
  if (!keepsNothing) {
    try {
      await brought
      return await work()
    } catch {
      if (!keepsNothing)
        announce('This browser keeps nothing: what is not stored yet is lost when this page is closed.')
      keepsNothing = true
    }
  }
  return without()
}

const DRAFT = /^buckle\.(draft|land)\.[^.]+$/
const WAITING = 'buckle.readings.waiting'

/** What an older Buckle kept in this browser's other storage comes over; it is taken out there once it is here. */
async function bringOver() {
  let keys: string[]
  try {
    keys = Object.keys(localStorage)
  } catch {
    return
  }
  for (const key of keys) {
    const text = localStorage.getItem(key) ?? ''
    try {
      if (DRAFT.test(key)) {
        const old = JSON.parse(text) as Partial<Draft> & { plan?: unknown }
        const doc = old.doc ?? old.plan
        if (doc !== undefined)
          await database.drafts.put({ key, saveNo: old.saveNo ?? 0, schema: old.schema ?? 1, doc })
        localStorage.removeItem(key)
      } else if (key === WAITING) {
        for (const [jobId, list] of Object.entries(JSON.parse(text) as Record<string, Observation[]>))
          for (const reading of list)
            await database.readings.put({ id: reading.id, jobId, reading, refused: '' })
        localStorage.removeItem(key)
      }
    } catch (e) {
      if (e instanceof SyntaxError) continue
      throw e
    }
  }
}

let brought = bringOver()

/** For tests: what an older Buckle kept since. */
export const bringOverAgain = () => (brought = bringOver())

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Everything that is not stored on the server yet, in this browser's database. */
export const outbox = {
  keepDraft: (draft: Draft) =>
    kept<unknown>(
      () => database.drafts.put(plain(draft)),
      () => fleeting.drafts.set(draft.key, draft),
    ),
  draft: (key: string) =>
    kept(
      () => database.drafts.get(key),
      () => fleeting.drafts.get(key),
    ),
  dropDraft: (key: string) =>
    kept<unknown>(
      () => database.drafts.delete(key),
      () => fleeting.drafts.delete(key),
    ),
  /** Takes a draft out of the way without losing it. */
  putAside: (draft: Draft) =>
    kept<unknown>(
      () =>
        database.transaction('rw', database.drafts, database.unread, async () => {
          await database.unread.put(draft)
          await database.drafts.delete(draft.key)
        }),
      () => (fleeting.unread.set(draft.key, draft), fleeting.drafts.delete(draft.key)),
    ),
  unread: (key: string) =>
    kept(
      () => database.unread.get(key),
      () => fleeting.unread.get(key),
    ),
  keepReadings: (readings: WaitingReading[]) =>
    kept<unknown>(
      () => database.readings.bulkPut(plain(readings)),
      () => readings.forEach((r) => fleeting.readings.set(r.id, r)),
    ),
  readings: (jobId: string) =>
    kept(
      () => database.readings.where('jobId').equals(jobId).toArray(),
      () => [...fleeting.readings.values()].filter((r) => r.jobId === jobId),
    ),
  dropReadings: (ids: string[]) =>
    kept<unknown>(
      () => database.readings.bulkDelete(ids),
      () => ids.forEach((id) => fleeting.readings.delete(id)),
    ),
  keepNote: (note: WaitingNote) =>
    kept<unknown>(
      () => database.notes.put(plain(note)),
      () => fleeting.notes.set(note.id, note),
    ),
  notes: () =>
    kept(
      () => database.notes.toArray(),
      () => [...fleeting.notes.values()],
    ),
  dropNote: (id: string) =>
    kept<unknown>(
      () => database.notes.delete(id),
      () => fleeting.notes.delete(id),
    ),
  /** Readings and notes that wait, and keys of the drafts that do. */
  waiting: () =>
    kept(
      async () => ({
        readings: await database.readings.toArray(),
        notes: await database.notes.toArray(),
        drafts: (await database.drafts.toCollection().primaryKeys()) as string[],
      }),
      () => ({
        readings: [...fleeting.readings.values()],
        notes: [...fleeting.notes.values()],
        drafts: [...fleeting.drafts.keys()],
      }),
    ),
  keepSteps: (key: string, steps: unknown) =>
    kept<unknown>(
      () => database.steps.put({ key, steps }),
      () => undefined,
    ),
  steps: (key: string) =>
    kept(
      async () => (await database.steps.get(key))?.steps,
      () => undefined,
    ),
  dropSteps: (key: string) =>
    kept<unknown>(
      () => database.steps.delete(key),
      () => undefined,
    ),
  /** For tests: as a new browser. */
  clear: async () => {
    await Promise.all(database.tables.map((table) => table.clear()))
    fleeting.drafts.clear()
    fleeting.unread.clear()
    fleeting.readings.clear()
    fleeting.notes.clear()
  },
}
