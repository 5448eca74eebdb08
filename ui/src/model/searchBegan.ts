import type { Observation } from '@/api/types'
import { dayOf, daysBetween } from './round'

type Kind = Observation['what']['kind']
const GONE_OVER: Kind[] = ['LOOKED_OVER', 'SUPPLY_CHECKED']
const NO_READING: Kind[] = ['CHECKED', 'VOIDED', ...GONE_OVER]
/** What comes so many days later is of another search. */
export const MOST_DAYS_IDLE = 14

/** Readings that stand, in the order in which they were taken. */
export const readingsOf = (all: Observation[]) =>
  standing(all).filter((r) => !NO_READING.includes(r.what.kind))

function standing(all: Observation[]) {
  const corrected = new Set(all.map((r) => r.corrects))
  return all.filter((r) => !corrected.has(r.id)).toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
}

/**
 * The day on which a search began that is still under way; empty if none is. Where something was gone over without finding anything
 * since the last fault was mended it began with the reading before: a search goes on over days, and what was read when it began is of
 * a fence with something wrong.
 */
export function searchBegan(all: Observation[], mendedAt: string): string {
  const done = standing(all).filter(
    (r) => r.takenAt > mendedAt && r.what.kind !== 'CHECKED' && r.what.kind !== 'VOIDED',
  )
  let from = done.length
  while (
    from > 0 &&
    (from === done.length ||
      daysBetween(dayOf(done[from - 1]!.takenAt), dayOf(done[from]!.takenAt)) <= MOST_DAYS_IDLE)
  )
    from--
  const first = done.slice(from).find((r) => GONE_OVER.includes(r.what.kind))
  const before = first && readingsOf(all).findLast((r) => r.takenAt <= first.takenAt)
  return before ? dayOf(before.takenAt) : ''
}
