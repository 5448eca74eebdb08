import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { RequestFailed, ask, client, failureText } from '@/api/client'
import type { Failures, FaultNote, JobUpkeep } from '@/api/types'
import { announce } from '@/shared/announce'
import { outbox, type WaitingNote } from './outbox'

const RETRY_MS = 5000

/** What became of the open job's fence since it was handed over. */
export const useUpkeep = defineStore('upkeep', () => {
  const answer = shallowRef<JobUpkeep | null>(null)
  const failures = shallowRef<Failures | null>(null)
  const problem = ref('')
  /** Whether the log of the open job was asked for, with or without an answer. */
  const known = ref(false)
  const jobId = shallowRef('')
  /** Notes of any job that are on this device and not in the log. */
  const unsent = shallowRef<WaitingNote[]>([])
  /** Those of the open job, with the reason where one was refused. */
  const kept = computed(() => unsent.value.filter((n) => n.jobId === jobId.value))
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  async function load(id: string) {
    if (id !== jobId.value) {
      answer.value = null
      known.value = false
    }
    jobId.value = id
    await sendNotes()
    try {
      const found = await ask(client.GET('/api/jobs/{id}/upkeep', { params: { path: { id } } }))
      if (id === jobId.value) answer.value = found
      failures.value = await ask(client.GET('/api/failures'))
      problem.value = ''
    } catch (e) {
      if (id === jobId.value) problem.value = failureText(e, 'The log could not be read.')
    }
    if (id === jobId.value) known.value = true
  }

  /** Asks again for what somebody else wrote, where the log is shown already. */
  async function reload(id: string) {
    if (known.value && id === jobId.value) await load(id)
  }

  async function send({ id, jobId: of, note }: WaitingNote) {
    const found = await ask(client.POST('/api/jobs/{id}/log', { params: { path: { id: of } }, body: note }))
    await outbox.dropNote(id)
    if (of === jobId.value) answer.value = found
  }

  /**
   * Writes a note, here first. While the server is away it waits here and is sent when that is back.
   *
   * @returns false when it was refused; {@link problem} says why
   */
  async function write(note: FaultNote): Promise<boolean> {
    const mine = { id: note.id, jobId: jobId.value, note, refused: '' }
    await outbox.keepNote(mine)
    try {
      await send(mine)
      problem.value = ''
      failures.value = await ask(client.GET('/api/failures')).catch(() => failures.value)
      announce('Written in the log.')
      return true
    } catch (e) {
      if (e instanceof RequestFailed && !e.away) {
        await outbox.dropNote(mine.id)
        problem.value = e.message
        return false
      }
      announce('The server is away; the note is kept here and sent when it is back.')
      unsent.value = [...unsent.value.filter((n) => n.id !== mine.id), mine]
      timer ??= setTimeout(() => void sendNotes(), RETRY_MS)
      return true
    }
  }

  /** Sends the notes that wait on this device, of whatever job; one that is refused stays with its reason. */
  function sendNotes(): Promise<void> {
    sending ??= sent().finally(() => (sending = undefined))
    return sending
  }

  async function sent() {
    clearTimeout(timer)
    timer = undefined
    for (const waits of (await outbox.notes()).filter((n) => n.refused === '')) {
      try {
        await send(waits)
      } catch (e) {
        if (!(e instanceof RequestFailed) || e.away) {
          timer = setTimeout(() => void sendNotes(), RETRY_MS)
          break
        }
        await outbox.keepNote({ ...waits, refused: e.message })
      }
    }
    unsent.value = await outbox.notes()
  }

  /** A note that was refused is not wanted any more. */
  async function drop(id: string) {
    await outbox.dropNote(id)
    unsent.value = unsent.value.filter((n) => n.id !== id)
  }

  async function agree(days: number | null) {
    const id = jobId.value
    try {
      const found = await ask(
        client.PUT('/api/jobs/{id}/rounds', { params: { path: { id } }, body: { days } }),
      )
      if (id === jobId.value) answer.value = found
      problem.value = ''
    } catch (e) {
      problem.value = failureText(e, 'That could not be kept.')
    }
  }

  return { answer, failures, problem, known, kept, load, reload, write, sendNotes, drop, agree }
})
