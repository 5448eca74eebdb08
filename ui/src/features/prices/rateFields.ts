import type { Firm } from '@/api/types'

type Rates = Firm['rates']

/** What the house works for, a field each. */
export const rateFields: {
  text: string
  get: (r: Rates) => number
  set: (r: Rates, n: number) => void
  test: string
}[] = [
  {
    text: 'People in the crew',
    get: (r) => r.crew.people,
    set: (r, n) => (r.crew.people = n),
    test: 'people',
  },
  {
    text: 'An hour of one of them costs',
    get: (r) => r.crew.hourCost,
    set: (r, n) => (r.crew.hourCost = n),
    test: 'hour',
  },
  { text: 'Hours a day', get: (r) => r.crew.hoursADay, set: (r, n) => (r.crew.hoursADay = n), test: 'day' },
  {
    text: 'Pace: 1 as the norms, 2 twice as slow',
    get: (r) => r.crew.pace,
    set: (r, n) => (r.crew.pace = n),
    test: 'pace',
  },
  {
    text: 'An hour of machines costs',
    get: (r) => r.machineHour,
    set: (r, n) => (r.machineHour = n),
    test: 'machine',
  },
  { text: 'Usual way to a job, km', get: (r) => r.travel.km, set: (r, n) => (r.travel.km = n), test: 'km' },
  {
    text: 'A kilometre costs',
    get: (r) => r.travel.perKm,
    set: (r, n) => (r.travel.perKm = n),
    test: 'per-km',
  },
  {
    text: 'km an hour',
    get: (r) => r.travel.kmPerHour,
    set: (r, n) => (r.travel.kmPerHour = n),
    test: 'speed',
  },
  {
    text: 'Overhead, % of the direct cost',
    get: (r) => r.overheadPercent,
    set: (r, n) => (r.overheadPercent = n),
    test: 'overhead',
  },
  {
    text: 'Contingency, % of the direct cost',
    get: (r) => r.contingencyPercent,
    set: (r, n) => (r.contingencyPercent = n),
    test: 'contingency',
  },
  {
    text: 'Margin, % of the price before tax',
    get: (r) => r.marginPercent,
    set: (r, n) => (r.marginPercent = n),
    test: 'margin',
  },
  {
    text: 'A lower margin than this is told, %',
    get: (r) => r.floorPercent,
    set: (r, n) => (r.floorPercent = n),
    test: 'floor',
  },
]
