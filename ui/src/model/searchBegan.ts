import type { LoggedFault, Observation } from '@/api/types'
import { dayOf, daysBetween } from './round'

type Kind = Observation['what']['kind']
const GONE_OVER: Kind[] = ['LOOKED_OVER', 'SUPPLY_CHECKED']
const NO_READING: Kind[] = ['CHECKED', 'VOIDED', ...GONE_OVER]
/** What comes so many days later is of another search. */
export const MOST_DAYS_IDLE = 14
/** What was written down as open longer ago and never closed may have been forgotten. */
const MOST_DAYS_OPEN = 30
const HOUR_MS = 3_600_000
/** A search goes on over a night. */
const SAME_SEARCH_H = 24
/** Nobody reads for longer before it is written down that something is wrong. */
const MOST_BEFORE_H = 72

/** Readings that stand, in the order in which they were taken. */
export const readingsOf = (all: Observation[]) =>
  standing(all).filter((r) => !NO_READING.includes(r.what.kind))

/** What was observed and not corrected or voided since, in order. */
export function standing(all: Observation[]) {
  const corrected = new Set(all.map((r) => r.corrects))
  return all.filter((r) => !corrected.has(r.id)).toSorted((a, b) => a.takenAt.localeCompare(b.takenAt))
}

/** When a fault was mended; who mends reads first and writes after, so what the note says was read then was read of the mended fence. */
function mendedAt(f: LoggedFault, all: Observation[]): string | null {
  const after = all.find((r) => r.id === f.stands.after?.readingId)?.takenAt
  if (!f.mendedSince || !after || after > f.mendedSince) return f.mendedSince
  return new Date(Date.parse(after) - 1).toISOString()
}

/** When the last fault was mended, by the log; empty if none was. */
export const lastMended = (log: LoggedFault[], all: Observation[]) =>
  log
    .flatMap((f) => mendedAt(f, all) ?? [])
    .toSorted()
    .at(-1) ?? ''

/**
 * The day on which a search began that is still under way; empty if none is. It is under way where something was gone over without
 * finding anything, or written down as open, since the last fault was mended. What was gone over follows a reading that said something
 * is wrong; what is written down is followed by readings, or goes with those of its day. A search goes on over days, and what was read
 * when it began is of a fence with something wrong.
 */
export function searchBegan(all: Observation[], log: LoggedFault[]): string {
  const mended = lastMended(log, all)
  const readings = readingsOf(all)
  const last = readings.at(-1)
  if (!last) return ''
  const over = standing(all).filter((r) => GONE_OVER.includes(r.what.kind))
  const open = log.filter((f) => f.stands.state === 'OPEN')
  const signs = [
    ...over.map((r) => ({ at: r.takenAt, gone: true })),
    ...open.map((f) => ({ at: wrongSince(f, readings), gone: false })),
  ]
    .filter((s) => s.at > mended)
    .toSorted((a, b) => a.at.localeCompare(b.at))
  const begins: string[] = []
  let next = dayOf(last.takenAt)
  for (const sign of signs.toReversed()) {
    const day = dayOf(sign.at)
    if (daysBetween(day, next) > (sign.gone ? MOST_DAYS_IDLE : MOST_DAYS_OPEN)) continue
    next = day < next ? day : next
    const first = sign.gone
      ? readings.findLast((r) => r.takenAt <= sign.at && r.takenAt > mended)
      : readings.find((r) => dayOf(r.takenAt) >= day && r.takenAt > mended)
    const begin = first && dayOf(first.takenAt)
    if (begin && daysBetween(begin, day) <= MOST_DAYS_IDLE) begins.push(begin)
  }
  return begins.toSorted()[0] ?? ''
}

/** When a fault was first written down, or read: what the note says was read before may have been read earlier. */
function wrongSince(f: LoggedFault, readings: Observation[]) {
  const read = readings.find((r) => r.id === f.stands.before?.readingId)?.takenAt
  return read && read < f.since ? read : f.since
}

/** From when to when something was wrong. */
export interface WrongTime {
  from: string
  to: string
}

/** When something was wrong, by the faults that were mended: from the readings or the search on that led to each, until it was. */
export function wrongTimes(all: Observation[], log: LoggedFault[]): WrongTime[] {
  const readings = readingsOf(all)
  return log.flatMap((f) => {
    const to = mendedAt(f, all)
    if (!to) return []
    const since = wrongSince(f, readings)
    let from = since < to ? since : to
    const earliest = Date.parse(from) - MOST_BEFORE_H * HOUR_MS
    for (const r of readings.filter((r) => r.takenAt < from).toReversed()) {
      const at = Date.parse(r.takenAt)
      if (at < earliest || Date.parse(from) - at > SAME_SEARCH_H * HOUR_MS) break
      from = r.takenAt
    }
    const day = searchBegan(
      all.filter((r) => r.takenAt <= to),
      log.flatMap((g) => (g === f ? asOpen(g) : (mendedAt(g, all) ?? '') >= to ? [] : g)),
    )
    const began = day ? new Date(`${day}T00:00`).toISOString() : from
    return [{ from: began < from ? began : from, to }]
  })
}

/** As it stood before it was mended; nothing of one that was written down when it was. */
const asOpen = (f: LoggedFault): LoggedFault[] =>
  f.mendedSince && f.since < f.mendedSince
    ? [{ ...f, stands: { ...f.stands, state: 'OPEN' }, mendedSince: null }]
    : []
