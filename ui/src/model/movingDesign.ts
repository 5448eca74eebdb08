import { ask, client } from '@/api/client'
import type {
  Brace,
  Design,
  Electrics,
  JobTerms,
  Joint,
  Land,
  MovingAnswer,
  MovingPulse,
  Plan,
  Position,
  Post,
  Observation,
} from '@/api/types'

const POST_WIDTH = 6
const BRACE_WIDTH = 3
const JOINT_WIDTH = 2
const PER_M = 1e4
const PER_DEGREE = 1e9
const TURN_PER_DEGREE = 1e3

/** What a view wants in the same picture while something moves, and what it does with the answer. */
export interface AlongsideRequest {
  pulse: MovingPulse
  onAnswer: (electrics: Electrics | null) => void
}

type Packed = MovingAnswer['rows'][number]

type Body = { plan: Plan; land: Land; readings: Observation[]; terms: JobTerms }

/** What the core makes of a plan. */
export const askDesign = (body: Body) => ask(client.POST('/api/design', { body }))

/** The same, light, while something moves; with the pulse when that is looked at. */
export async function askMoving(body: Body, pulse: MovingPulse | null) {
  const answer = await ask(client.POST('/api/design/moving', { body: { ...body, pulse } }))
  return {
    assessment: answer.assessment,
    design: unpacked(answer),
    electrics: answer.electrics,
    price: answer.price,
  }
}

/** The design of something that moves, its posts, braces and joints unpacked from rows of whole numbers. */
function unpacked(answer: MovingAnswer): Design {
  const { design, rows } = answer
  const lines = design.layout.lines.map((line) => {
    const packed = rows.find((r) => r.lineId === line.lineId)
    return packed ? { ...line, posts: postsOf(packed, line.corners[0]!), braces: bracesOf(packed) } : line
  })
  const joints = [...design.layout.joints, ...rows.flatMap(jointsOf)]
  return { ...design, layout: { ...design.layout, lines, joints } }
}

function postsOf({ likePosts, posts: rows, labels }: Packed, origin: Position): Post[] {
  const posts: Post[] = []
  for (let i = 0; i < rows.length; i += POST_WIDTH)
    posts.push({
      ...likePosts[rows[i]!]!,
      number: rows[i + 1]!,
      stationM: rows[i + 2]! / PER_M,
      lonDeg: origin[0]! + rows[i + 3]! / PER_DEGREE,
      latDeg: origin[1]! + rows[i + 4]! / PER_DEGREE,
      deflectionDeg: rows[i + 5]! / TURN_PER_DEGREE,
      label: '',
    })
  for (const { post, text } of labels) posts[post]!.label = text
  return posts
}

function bracesOf({ likeBraces, braces: rows }: Packed): Brace[] {
  const all: Brace[] = []
  for (let i = 0; i < rows.length; i += BRACE_WIDTH)
    all.push({
      ...likeBraces[rows[i]!]!,
      strongStationM: rows[i + 1]! / PER_M,
      braceStationM: rows[i + 2]! / PER_M,
    })
  return all
}

function jointsOf({ likeJoints, joints: rows }: Packed): Joint[] {
  const all: Joint[] = []
  for (let i = 0; i < rows.length; i += JOINT_WIDTH)
    all.push({ ...likeJoints[rows[i]!]!, stationM: rows[i + 1]! / PER_M })
  return all
}
