import type { FenceDiagnosis } from '@/api/types'

export interface Hot {
  lineId: string
  fromM: number
  toM: number
  /** From 0 to 1. */
  heat: number
}

/** How strongly each part of the lines is coloured: one scale for all, and its root, which shows what is faint beside a sharp peak. */
export function heatOf(answer: FenceDiagnosis): Hot[] {
  const density = (d: { fromM: number; toM: number; probability: number }) =>
    d.toM > d.fromM ? d.probability / (d.toM - d.fromM) : 0
  const most = Math.max(...answer.density.map(density), 1e-12)
  return answer.density.map((d) => ({
    lineId: d.lineId,
    fromM: d.fromM,
    toM: d.toM,
    heat: Math.sqrt(density(d) / most),
  }))
}
