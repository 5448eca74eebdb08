import { computed, shallowRef } from 'vue'
import type { components } from './generated/schema'

type Progress = components['schemas']['Progress']

/** Heavy work that was asked for and takes its time. */
interface Wait {
  ticket: string
  beganMs: number
  progress: Progress | null
}

const TICKET = 'Buckle-Ticket'
/** Sooner nobody wonders. */
const WONDER_MS = 1500
const LOOK_MS = 1000

const waits = shallowRef<Wait[]>([])

/** The longest wait under way; null while nothing takes long. */
export const longestWait = computed(() => waits.value[0] ?? null)

/** Sends a request under a ticket, and asks after its progress while it takes long. */
export async function watched(request: Request, send: (r: Request) => Promise<Response>): Promise<Response> {
  count(1)
  try {
    return await ticketed(request, send)
  } finally {
    count(-1)
  }
}

let underWay = 0

/** Says on the page whether something is asked of the server. */
function count(by: number) {
  underWay += by
  globalThis.document?.body?.setAttribute('aria-busy', String(underWay > 0))
}

async function ticketed(request: Request, send: (r: Request) => Promise<Response>): Promise<Response> {
  const ticket = crypto.randomUUID?.()
  if (!ticket || !heavy(request)) return send(request)
  const copy = new Request(request)
  copy.headers.set(TICKET, ticket)
  let answered = false
  let timer = setTimeout(() => void look(), WONDER_MS)
  const beganMs = Date.now()

  async function progress(): Promise<Progress | null> {
    try {
      const answer = await send(new Request(new URL(`/api/work/${ticket}`, request.url)))
      return answer.status === 200 ? ((await answer.json()) as Progress) : null
    } catch {
      return null
    }
  }

  async function look() {
    const found = await progress()
    // It may have been answered meanwhile; nothing would take the note away then.
    if (answered) return
    waits.value = [
      ...waits.value.filter((w) => w.ticket !== ticket),
      { ticket, beganMs, progress: found },
    ].sort((one, other) => one.beganMs - other.beganMs)
    timer = setTimeout(() => void look(), LOOK_MS)
  }

  try {
    return await send(copy)
  } finally {
    answered = true
    clearTimeout(timer)
    waits.value = waits.value.filter((w) => w.ticket !== ticket)
  }
}

/** What is worked out, read in or put on paper. */
function heavy(request: Request): boolean {
  const path = new URL(request.url).pathname
  return (
    (request.method === 'POST' && !/\/(jobs|readings|moving)$/.test(path)) || /\.[a-z]+$|\/cuts$/.test(path)
  )
}

/** What is said of a wait. */
export function waitText(wait: Wait): string {
  const seconds = Math.round((Date.now() - wait.beganMs) / 1000)
  const p = wait.progress
  if (p && !p.running && p.ahead > 0)
    return `Waiting, ${p.ahead} ${p.ahead === 1 ? 'task' : 'tasks'} before this one · ${seconds} s`
  return p?.share != null
    ? `Calculating, ${Math.round(100 * p.share)} % · ${seconds} s`
    : `Calculating · ${seconds} s`
}
