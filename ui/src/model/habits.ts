import { reactive, watch } from 'vue'
import type { Observation } from '@/api/types'
import { keepText, keptText } from '@/shared/kept'

/** What is the same from one reading to the next: kept on this device. */
export interface Habits {
  takenBy: string
  weather: Observation['weather']
  growth: Observation['growth']
  meter: string
  rangeKv: string
  resolutionKv: string
}

const KEY = 'buckle.reading.habits'
let kept: Habits | undefined

function remembered(): Habits {
  let before: Partial<Habits> = {}
  try {
    before = (JSON.parse(keptText(KEY) ?? '{}') as Partial<Habits> | null) ?? {}
  } catch {
    // As if nothing were kept.
  }
  return {
    takenBy: before.takenBy ?? '',
    weather: before.weather ?? 'DRY',
    growth: before.growth ?? 'CLEAN',
    meter: before.meter ?? '',
    rangeKv: before.rangeKv ?? '10',
    resolutionKv: before.resolutionKv ?? '0.1',
  }
}

/** One for all forms. */
export function useHabits(): Habits {
  if (!kept) {
    kept = reactive(remembered())
    watch(kept, (h) => keepText(KEY, JSON.stringify(h)))
  }
  return kept
}

/** For tests: as if the device had been opened anew. */
export function forgetHabits() {
  kept = undefined
}
