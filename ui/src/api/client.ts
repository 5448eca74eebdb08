import createClient from 'openapi-fetch'
import type { paths } from '@/api/generated/schema'
import { signed } from '@/shared/author'
import type { Place } from './types'
import { watched } from './waiting'

/** A request that came to nothing: a sentence for people, a stable code, and the places concerned. */
export class RequestFailed extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly places: Place[] = [],
    readonly more: Record<string, unknown> = {},
  ) {
    super(message)
  }

  /** Nobody answered: the server or the way to it is gone. */
  get away(): boolean {
    return this.status === 0 || this.status === 503 || this.status === 429 || this.status === 507
  }
}

/** What went wrong in one text, with what is wrong where; `otherwise` for what nobody foresaw. */
export const failureText = (e: unknown, otherwise: string): string =>
  e instanceof RequestFailed ? [e.message, ...e.places.map((p) => p.message)].join(' ') : otherwise

export const client = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? '',
  fetch: (request) => watched(signed(request), (r) => globalThis.fetch(r)),
})

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** A file made by the server, and what it is called. */
export async function download(path: string): Promise<{ name: string; blob: Blob }> {
  const url = new URL(path, globalThis.location.origin)
  let response: Response
  try {
    response = await watched(signed(new Request(url)), (r) => globalThis.fetch(r))
  } catch {
    throw new RequestFailed(0, 'away', 'Buckle does not answer; nothing was downloaded.')
  }
  if (!response.ok) throw trouble(response.status, await response.json().catch(() => null))
  const said = /filename\*=UTF-8''([^;]+)/i.exec(response.headers.get('Content-Disposition') ?? '')?.[1]
  const name = said ? decodeURIComponent(said) : url.pathname.split('/').at(-1)!
  return { name, blob: await response.blob() }
}

/** Unwraps an answer, or throws what went wrong. */
export async function ask<T>(request: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>
  try {
    answer = await request
  } catch {
    throw new RequestFailed(0, 'away', 'Buckle does not answer. What you entered is kept here.')
  }
  if (!answer.response.ok) throw trouble(answer.response.status, answer.error)
  return answer.data as T
}

function trouble(status: number, body: unknown): RequestFailed {
  const problem = (typeof body === 'object' && body !== null ? body : {}) as Record<string, unknown>
  return new RequestFailed(
    status,
    String(problem.code ?? 'request'),
    String(problem.detail ?? 'The request failed.'),
    (problem.errors as Place[]) ?? [],
    problem,
  )
}

const binary = {
  bodySerializer: (body: unknown) => body as Blob,
  headers: { 'Content-Type': 'application/octet-stream' },
}

export type ImportQuery = NonNullable<paths['/api/imports']['post']['parameters']['query']>

/** Sends a file as it is, with how it is to be read. */
export async function importFile(file: Blob, query: ImportQuery = {}) {
  return ask(
    client.POST('/api/imports', {
      params: { query },
      body: file as unknown as never,
      ...binary,
    }),
  )
}

/** Stores a terrain grid beside the property. */
export async function storeGrid(file: Blob, name: string) {
  return ask(
    client.POST('/api/grids', { params: { query: { name } }, body: file as unknown as never, ...binary }),
  )
}

/** Reads a table of readings; good rows are stored once, the others named. */
export async function importReadings(id: string, file: Blob, by: string) {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone || 'Z'
  return ask(
    client.POST('/api/jobs/{id}/readings/import', {
      params: { path: { id }, query: { by, zone } },
      body: file as unknown as never,
      ...binary,
    }),
  )
}

/** Stores a picture beside the property. */
export async function storePicture(file: Blob, name: string) {
  return ask(
    client.POST('/api/pictures', { params: { query: { name } }, body: file as unknown as never, ...binary }),
  )
}

/** How the columns of a price list are read, and what it does to the book. */
export interface ListHow {
  columns: string
  decimal: 'AUTO' | 'POINT' | 'COMMA'
  mode: 'MERGE' | 'REPLACE'
}

/** What the columns of a price list seem to be. */
export async function lookAtList(file: Blob) {
  return ask(client.POST('/api/price-book/look', { body: file as unknown as never, ...binary }))
}

/** What a price list would change. */
export async function previewList(file: Blob, query: ListHow) {
  return ask(
    client.POST('/api/price-book/preview', { params: { query }, body: file as unknown as never, ...binary }),
  )
}

/** Takes a price list over, if the book is still the one that was looked at. */
export async function takeList(file: Blob, how: ListHow, baseRevision: number) {
  return ask(
    client.POST('/api/price-book/import', {
      params: { query: { ...how, baseRevision } },
      body: file as unknown as never,
      ...binary,
    }),
  )
}
