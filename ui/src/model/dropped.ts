import type { Survey } from '@/api/types'

/** Tracks dropped in the yard, each for the job it opened, until its survey stage has shown them. */
const waiting = new Map<string, Survey>()

export function handOver(jobId: string, survey: Survey) {
  waiting.set(jobId, survey)
}

/** The track dropped for this job; handed out once. */
export function droppedFor(jobId: string): Survey | undefined {
  const survey = waiting.get(jobId)
  waiting.delete(jobId)
  return survey
}
