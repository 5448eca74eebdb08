import type { Drill, PracticeCaseId, PracticeOutcome } from '@/api/types'

/** The ten cases, the easier before, as they are told to whoever tries them. */
export const cases: { id: PracticeCaseId; title: string; told: string }[] = [
  {
    id: 'GRASS_ON_LOW_WIRE',
    title: 'Grass on the low wire',
    told: 'A paddock that read well in spring. It is midsummer, and the owner has not mown along it.',
  },
  {
    id: 'CRACKED_INSULATOR',
    title: 'One insulator',
    told: 'A clean paddock. Somebody hears it tick, and cannot say where.',
  },
  {
    id: 'BROKEN_WIRE',
    title: 'Dead at the end',
    told: 'Cattle walked through the far end of the lane last night.',
  },
  {
    id: 'DRY_RODS',
    title: 'A long drought',
    told: 'No rain for eight weeks. The whole fence is weak, and nothing touches it.',
  },
  {
    id: 'FLAT_BATTERY',
    title: 'Low everywhere',
    told: 'Low at every place alike. The panel is dusty.',
  },
  {
    id: 'LEAK_ON_A_BRANCH',
    title: 'Three ways to go',
    told: 'A fence with two branches reads low. The nearest end is not always the right one.',
  },
  {
    id: 'POOR_JOINT',
    title: 'A joint that lies',
    told: 'Fine up to somewhere, weaker behind it. Nothing is broken.',
  },
  {
    id: 'WEAK_LEAK',
    title: 'A little low',
    told: 'The lane lost a little. It is enough today, and will not be in a month.',
  },
  {
    id: 'ONLY_WHEN_WET',
    title: 'Only when it rains',
    told: 'The owner says it is dead when it rains. Today the sun shines.',
  },
  {
    id: 'TWO_FAULTS_ONE_WET',
    title: 'Two, one of them wet',
    told: 'Low in the sun, and dead in the rain. Mending one will not do.',
  },
]

export const drillWords: Record<Drill['kind'], string> = {
  LIVE: 'What is live now',
  STRAIN_INSULATOR: 'Which loops are wrong',
  NEXT_CUT_OUT: 'Where the next cut-out',
  SQUARE: 'Squaring by the diagonal',
  RODS: 'How many rods',
}

export const minutesWords = (m: number) => {
  const whole = Math.round(m)
  return whole < 60 ? `${whole} min` : `${Math.floor(whole / 60)} h ${whole % 60} min`
}

export const gradeWords: Record<PracticeOutcome['grade'], string> = {
  NOT_FOUND: 'not found',
  FOUND: 'found, the long way',
  GOOD: 'good',
  AS_BUCKLE: 'as good as Buckle',
}

export const kindText: Record<string, string> = {
  LEAK: 'a leak',
  BREAK: 'a broken wire or joint',
  GROWTH: 'growth',
  EARTH: 'poor rods',
  SUPPLY: 'a weak supply',
  METER: 'a wrong reading',
  NONE: 'nothing',
  TWO: 'two faults',
}
