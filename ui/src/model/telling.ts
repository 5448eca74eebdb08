import type { Observation, Plan } from '@/api/types'

const FEW = 1000
const LATELY_DAYS = 14
const OLD_DAYS = 400
const LATELY_A_DAY = 3
const DAY_MS = 86_400_000
const NONE: readonly string[] = []
const DONE: Observation['what']['kind'][] = ['LOOKED_OVER', 'SUPPLY_CHECKED', 'SEEN', 'CHECKED', 'VOIDED']

let lastAsked: { all: Observation[]; kept: readonly string[]; told: Observation[] } | undefined

/**
 * The readings that things are worked out from. What people read is all of them. A meter that sends by itself reads one place a hundred
 * times a day: then of each place, day and weather the last says as much, or the last three of the days just past; of what is older
 * than a year only the very last.
 *
 * @param kept ids of what counts in any case
 */
function telling(all: Observation[], kept: readonly string[]): Observation[] {
  if (all.length <= FEW) return all
  if (lastAsked?.all !== all || lastAsked.kept !== kept) lastAsked = { all, kept, told: thinned(all, kept) }
  return lastAsked.told
}

function thinned(all: Observation[], kept: readonly string[]): Observation[] {
  const corrected = new Set(all.map((r) => r.corrects))
  const always = new Set(kept)
  const last = all.reduce((latest, r) => Math.max(latest, Date.parse(r.takenAt)), 0)
  const times = new Map<string, number>()
  const told = new Set<string>()
  for (const r of all.toSorted((a, b) => b.takenAt.localeCompare(a.takenAt))) {
    if (corrected.has(r.id)) continue
    const days = (last - Date.parse(r.takenAt)) / DAY_MS
    const when = days > OLD_DAYS ? '' : r.takenAt.slice(0, 10)
    const of = [r.at.lineId, r.at.testPointId ?? Math.round(r.at.stationM), r.what.kind]
    const at = [...of, 'wire' in r.what ? r.what.wire : '', r.weather, ...(r.openSwitches ?? [])].join(' ')
    const before = times.get(`${at} ${when}`) ?? 0
    const most = days > OLD_DAYS && times.has(at) ? 0 : days > LATELY_DAYS ? 1 : LATELY_A_DAY
    if (before >= most && !DONE.includes(r.what.kind) && !always.has(r.id)) continue
    times.set(`${at} ${when}`, before + 1)
    times.set(at, 1)
    told.add(r.id)
  }
  return all.filter((r) => told.has(r.id))
}

/** Those of a plan: the readings of its yardstick count in any case. */
export const tellingOf = (plan: Plan | null, all: Observation[]) =>
  telling(all, plan?.circumstances.yardstick?.readings ?? NONE)
