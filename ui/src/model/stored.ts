import { ask, client } from '@/api/client'

/** Plan and land as the server holds them, and older revisions of both opened again. */

export const planOf = (id: string) => ask(client.GET('/api/jobs/{id}/plan', { params: { path: { id } } }))

export const landOf = (id: string) =>
  ask(client.GET('/api/properties/{id}/land', { params: { path: { id } } }))

export const planRestored = (id: string, revision: number) =>
  ask(client.POST('/api/jobs/{id}/revisions/{revision}/restore', { params: { path: { id, revision } } }))

export const landRestored = (id: string, revision: number) =>
  ask(
    client.POST('/api/properties/{id}/land/revisions/{revision}/restore', {
      params: { path: { id, revision } },
    }),
  )
