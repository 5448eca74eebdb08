import { ask, client } from '@/api/client'
import type {
  Brace,
  Design,
  Electrics,
  Land,
  MovingAnswer,
  MovingPulse,
  Plan,
  Post,
  Reading,
} from '@/api/types'

const POST_WIDTH = 5
const BRACE_WIDTH = 3

/** What a view wants in the same picture while something moves, and what it does with the answer. */
export interface Wish {
  pulse: MovingPulse
  took: (electrics: Electrics | null) => void
}

type Packed = MovingAnswer['rows'][number]

type Body = { plan: Plan; land: Land; readings: Reading[] }

/** What the core makes of a plan. */
export const askDesign = (body: Body) => ask(client.POST('/api/design', { body }))

/** The same, light, while something moves; with the pulse when that is looked at. */
export async function askMoving(body: Body, pulse: MovingPulse | null) {
  const answer = await ask(client.POST('/api/design/moving', { body: { ...body, pulse } }))
  return { assessment: answer.assessment, design: unpacked(answer), electrics: answer.electrics }
}

/** The design of something that moves, its like posts and braces unpacked from rows of numbers. */
function unpacked(answer: MovingAnswer): Design {
  const { design, rows } = answer
  const lines = design.layout.lines.map((line) => {
    const packed = rows.find((r) => r.lineId === line.lineId)
    return packed ? { ...line, posts: merged(line.posts, postsOf(packed)), braces: bracesOf(packed) } : line
  })
  return { ...design, layout: { ...design.layout, lines } }
}

function postsOf({ likePosts, posts: rows }: Packed): Post[] {
  const posts: Post[] = []
  for (let i = 0; i < rows.length; i += POST_WIDTH)
    posts.push({
      ...likePosts[rows[i]!]!,
      number: rows[i + 1]!,
      stationM: rows[i + 2]!,
      lonDeg: rows[i + 3]!,
      latDeg: rows[i + 4]!,
    })
  return posts
}

function bracesOf({ likeBraces, braces: rows }: Packed): Brace[] {
  const all: Brace[] = []
  for (let i = 0; i < rows.length; i += BRACE_WIDTH)
    all.push({ ...likeBraces[rows[i]!]!, strongStationM: rows[i + 1]!, braceStationM: rows[i + 2]! })
  return all
}

/** Both are in order of station. */
function merged(some: Post[], others: Post[]): Post[] {
  const all: Post[] = []
  let k = 0
  for (const post of some) {
    while (k < others.length && others[k]!.stationM < post.stationM) all.push(others[k++]!)
    all.push(post)
  }
  return all.concat(others.slice(k))
}
