import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Electrics, Plan, Plate } from '@/api/types'
import EarthSheet from '@/features/electrics/EarthSheet.vue'
import EnergizerSheet from '@/features/electrics/EnergizerSheet.vue'
import PulseSheet from '@/features/electrics/PulseSheet.vue'
import SupplySheet from '@/features/electrics/SupplySheet.vue'
import WhatIfSheet from '@/features/electrics/WhatIfSheet.vue'
import { useElectrics } from '@/features/electrics/useElectrics'
import { energyText, ohmText } from '@/features/electrics/words'
import LedgerPanel from '@/features/ledger/LedgerPanel.vue'
import { pulseFeatures } from '@/features/plan/pulseFeatures'
import { openJob, stubs as base } from './openJob'

const stubs = { ...base, PulseChart: true }
const plate = (name: string, out500J: number): Plate => ({
  name,
  storedJ: out500J * 1.4,
  out500J,
  openV: 8000,
  v500: 5000,
  v100: null,
  perMinute: 45,
  price: null,
})
const point = (stationM: number, likelyV: number, met: 'MET' | 'WARN' | 'BROKEN' = 'MET') => ({
  lineId: 'line-1',
  stationM,
  lonDeg: 1 + stationM * 1e-5,
  latDeg: 44,
  lowV: likelyV * 0.8,
  likelyV,
  highV: likelyV * 1.1,
  atS: 3e-5,
  currentA: 4.2,
  met,
})
const shock = (contact: string, bodyJ: number) => ({
  contact,
  how: 'how',
  pathOhm: 1250,
  bodyJ,
  volts: 5600,
})
const earthCase = (name: string, good: boolean) => ({
  name,
  school: null,
  rods: 3,
  rodM: 1.83,
  soilOhmM: 100,
  ohm: 19.6,
  testV: good ? 250 : 480,
  good,
})
function electrics(): Electrics {
  const candidate = (p: Plate, heavyV: number, recommended: boolean) => ({
    plate: p,
    cleanV: heavyV * 1.8,
    likelyV: heavyV * 1.5,
    heavyV,
    met: 'MET' as const,
    metHeavy: heavyV >= 4500 ? ('MET' as const) : ('BROKEN' as const),
    rodM: 2.7,
    drawW: 4.5,
    over5J: p.out500J > 5,
    recommended,
  })
  return {
    says: '',
    energizer: plate('generic 3 J', 3),
    chosen: false,
    needV: 4500,
    points: [point(0, 6200), point(200, 5100), point(400, 0, 'BROKEN')],
    sections: [
      { id: 'feed', name: 'Section 1', on: true, weakest: point(200, 5100), met: 'MET' },
      { id: 'cut-1', name: 'Section 2', on: false, weakest: point(400, 0, 'BROKEN'), met: 'BROKEN' },
    ],
    weakest: point(200, 5100),
    reserve: 3.2,
    reserveSays: 'Leakage may grow to 3.2 times.',
    earth: {
      soil: 'moist',
      soilOhmM: 100,
      rodsOhm: 19.6,
      testV: 480,
      mostV: 300,
      good: false,
      schools: [earthCase('G1', false)],
      improvements: [earthCase('one more rod', true)],
      seasons: [earthCase('frozen', false)],
      moist: 'The brook is near.',
      wires: 'Earth wires tied would.',
      shocks: [shock('wire and moist ground', 1.2), shock('wire and dry snow', 1e-5)],
    },
    supply: {
      drawW: 1.2,
      usedAhPerDay: 2.4,
      daysToHalf: 2.1,
      daysToEmpty: 4.2,
      leastAh: 71.2,
      leastPanelW: 0,
      cableDropV: 0.01,
      year: [],
      says: '1.2 W takes 2.40 Ah a day.',
    },
    candidates: [
      candidate(plate('generic 3 J', 3), 5400, true),
      candidate(plate('generic 8 J', 8), 6400, false),
    ],
    recommended: 'The generic 3 J energizer: because.',
    whatIfs: [
      { name: 'as planned', weakestV: 5100, heavyV: 4600, says: '' },
      { name: 'aluminium', weakestV: 5600, heavyV: 4500, says: 'softer' },
    ],
    assumed: [
      {
        name: 'Leakage',
        likely: 'light',
        low: 'a third',
        high: 'three times',
        lowestV: 4000,
        highestV: 6000,
      },
    ],
    dead: [],
    findings: [],
    runs: 7,
    frequencies: 256,
    windowS: 3e-4,
  }
}

beforeEach(() => {
  localStorage.clear()
  vi.useRealTimers()
})

describe('the energizer sheet', () => {
  it('chooses from the table and goes back to the recommendation', async () => {
    const { job } = openJob()
    const wrapper = mount(EnergizerSheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(wrapper.find('[data-test=recommended]').text()).toContain('because')
    expect(wrapper.text()).toContain('over 5 J')
    await wrapper.find('[data-test="energizer-generic 3 J"]').trigger('click')
    expect(job.plan!.spec.power.energizer?.name).toBe('generic 3 J')
    await wrapper.find('[data-test=no-choice]').trigger('click')
    expect(job.plan!.spec.power.energizer).toBeNull()
  })

  it('takes a plate of ones own only whole', async () => {
    const { job } = openJob()
    const wrapper = mount(EnergizerSheet, { props: { electrics: electrics() }, global: { stubs } })
    await wrapper.find('[data-test=plate-stored]').setValue('4,1')
    await wrapper.find('form').trigger('submit')
    expect(wrapper.find('[role=alert]').text()).toContain('both kilovolts')
    expect(job.plan!.spec.power.energizer).toBeNull()
    await wrapper.find('[data-test=plate-out]').setValue('3')
    await wrapper.find('[data-test=plate-open]').setValue('8.2')
    await wrapper.find('[data-test=plate-500]').setValue('5.3')
    await wrapper.find('form').trigger('submit')
    expect(job.plan!.spec.power.energizer).toMatchObject({
      storedJ: 4.1,
      out500J: 3,
      openV: 8200,
      v500: 5300,
    })
  })
})

describe('the pulse sheet', () => {
  it('asks for the place pointed at, says what is off, and tries switches and loads', async () => {
    const { job, sent, answers } = openJob()
    answers['/api/electrics/at'] = {
      at: {
        peakV: 5100,
        stepS: 1e-6,
        volts: [0, 5100, 0],
        usual: shock('wire and moist ground', 0.4),
        shocks: [],
      },
    }
    job.cursorM = 190
    const wrapper = mount(PulseSheet, { props: { electrics: electrics() }, global: { stubs } })
    await flushPromises()
    expect(sent.at(-1)).toMatchObject({
      path: '/api/electrics/at',
      body: { lineId: 'line-1', stationM: 190 },
    })
    expect(wrapper.find('[data-test=at-point]').text()).toContain('5.1 kV, met')
    expect(wrapper.find('[data-test=at-point]').text()).toContain('0.40 J a pulse: wire and moist ground')
    expect(wrapper.find('[data-test=pulse-cut-1]').text()).toContain('off')
    const { trial, toggle, dropLoad } = useElectrics()
    await wrapper.find('[data-test=load-ohm]').setValue('nothing')
    await wrapper.findAll('form')[0]!.trigger('submit')
    expect(wrapper.find('[role=alert]').text()).toContain('between')
    expect(trial.value.loads).toHaveLength(0)
    await wrapper.find('[data-test=load-ohm]').setValue('1000')
    await wrapper.findAll('form')[0]!.trigger('submit')
    expect(trial.value.loads).toEqual([{ lineId: 'line-1', stationM: 190, ohm: 1000 }])
    expect(wrapper.find('[data-test=load]').text()).toContain('1.0 kΩ')
    dropLoad(0)
    toggle('cut-1')
    expect(trial.value).toEqual({ open: ['cut-1'], loads: [] })
    toggle('cut-1')
    expect(trial.value.open).toEqual([])
  })
})

describe('earth, supply and what-ifs', () => {
  it('says what the core judged, in words beside the colour', () => {
    openJob()
    const earth = mount(EarthSheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(earth.find('[data-test=earth-verdict]').text()).toContain('too much, 300 V is the most')
    expect(earth.text()).toContain('480 V · too much')
    expect(earth.text()).toContain('250 V · good')
    expect(earth.text()).toContain('next to nothing')
    const whatIf = mount(WhatIfSheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(whatIf.findAll('[data-test=what-if]')[1]!.text()).toMatch(/5\.6 kV.*\+0\.5.*4\.5 kV.*−0\.1/s)
  })

  it('keeps a battery within its bounds', async () => {
    const { job } = openJob()
    job.plan!.spec.power.supply = 'SOLAR'
    const supply = mount(SupplySheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(supply.text()).toContain('72 Ah for 7 dark days')
    expect(supply.text()).toContain('no sun in the darkest month')
    await supply.find('[data-test=battery]').setValue('110')
    expect(job.plan!.spec.power.batteryAh).toBe(110)
    await supply.find('[data-test=battery]').setValue('99999')
    expect(job.plan!.spec.power.batteryAh).toBe(110)
    await supply.find('[data-test=dark-days]').setValue('9.6')
    expect(job.plan!.spec.power.darkDays).toBe(10)
  })

  it('writes energies and resistances as people say them', () => {
    expect([0.5, 0.02, 0.0005, 1e-6].map(energyText)).toEqual([
      '0.50 J',
      '20.0 mJ',
      '0.50 mJ',
      'next to nothing',
    ])
    expect([19.6, 1250, 126_000].map(ohmText)).toEqual(['20 Ω', '1.3 kΩ', '126 kΩ'])
  })
})

describe('the weakest point in the ledger', () => {
  it('follows lightly while another stage is open and holds to the energizer while something moves', async () => {
    const { job, sent, answers } = openJob()
    answers['/api/electrics'] = { electrics: { ...electrics(), findings: [] } }
    vi.useFakeTimers()
    const asked = () => sent.filter((s) => s.path === '/api/electrics')
    const ledger = mount(LedgerPanel, { global: { stubs } })
    await vi.advanceTimersByTimeAsync(1000)
    expect(asked().map((s) => (s.body as { depth: string }).depth)).toEqual(['CURVE'])
    const figure = ledger.find('[data-test=figure-weakest]')
    expect(figure.text()).toContain('5.1 kV')
    expect(figure.text()).toContain('met')
    await figure.find('button').trigger('click')
    expect(figure.text()).toContain('at 656 ft of Square, needed 4.5 kV')
    expect(figure.text()).toContain('generic 3 J, as recommended')

    const before = asked().length
    job.change((p) => ({ ...p, spec: { ...p.spec, power: { ...p.spec.power, growth: 'HEAVY' } } }))
    await vi.advanceTimersByTimeAsync(1000)
    const bodies = asked()
      .slice(before)
      .map((s) => (s.body as { plan: Plan }).plan.spec.power.energizer?.name ?? null)
    expect(bodies).toEqual(['generic 3 J', null])

    const stage = useElectrics()
    const end = stage.follow()
    await vi.advanceTimersByTimeAsync(1000)
    const depths = asked().slice(before + 2)
    expect(depths.map((s) => (s.body as { depth: string }).depth)).toEqual(['CURVE', 'ALL'])
    end()
    ledger.unmount()
  })
})

describe('the pulse on the plan', () => {
  it('colours each stretch, dashes what is too low and names the weakest point', () => {
    const host = document.createElement('div')
    const features = pulseFeatures(electrics(), (at) => [at[0]! * 1e5, at[1]!], host, 1)
    const lines = features.filter((f) => f.getGeometry()!.getType() === 'LineString')
    expect(lines).toHaveLength(2)
    const dash = (i: number) =>
      (lines[i]!.getStyle() as { getStroke(): { getLineDash(): number[] | null } }).getStroke().getLineDash()
    expect(dash(0)).toBeNull()
    expect(dash(1)).toEqual([1, 8])
    const texts = features
      .filter((f) => f.getGeometry()!.getType() === 'Point')
      .map((f) => (f.getStyle() as { getText(): { getText(): string } }).getText().getText())
    expect(texts).toContain('weakest 5.1 kV, met')
    expect(texts).toContain('no pulse')
    expect(pulseFeatures(null, (at) => at, host, 1)).toEqual([])
  })
})
