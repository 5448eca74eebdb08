import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { EnergizerRating } from '@/api/types'
import EarthSheet from '@/features/electrics/EarthSheet.vue'
import ModelForm from '@/features/electrics/ModelForm.vue'
import SupplySheet from '@/features/electrics/SupplySheet.vue'
import WhatIfSheet from '@/features/electrics/WhatIfSheet.vue'
import { useElectrics } from '@/model/useElectrics'
import { useElectricsSheets } from '@/model/useElectricsSheets'
import { bandOf, bandWords, energyText, ohmText } from '@/model/electricsWords'
import { moveItem, withCircumstances } from '@/model/planEdit'
import LedgerPanel from '@/features/ledger/LedgerPanel.vue'
import PulseLegend from '@/features/plan/PulseLegend.vue'
import { pulseDrawing, pulseText } from '@/features/plan/pulseFeatures'
import { electrics, point, shock, stubs } from './electricsAnswer'
import { design, packed } from './fixtures'
import { openJob } from './openJob'

beforeEach(() => {
  localStorage.clear()
  vi.useRealTimers()
})

describe('earth, supply and what-ifs', () => {
  it('says what the core judged, in words beside the colour', () => {
    openJob()
    const earth = mount(EarthSheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(earth.find('[data-test=earth-verdict]').text()).toContain('too much, 300 V is the most')
    expect(earth.text()).toContain('480 V · too much')
    const early = electrics()
    early.earth = null
    const before = mount(EarthSheet, { props: { electrics: early }, global: { stubs } })
    expect(before.text()).toContain('come to 20 Ω; the rest is calculating …')
    expect(before.text()).not.toContain('good enough')
    const unsolved = { ...early, supply: null, whatIfs: null, says: 'There is no wire to carry the pulse.' }
    for (const sheet of [EarthSheet, SupplySheet, WhatIfSheet])
      expect(mount(sheet, { props: { electrics: unsolved }, global: { stubs } }).text()).not.toContain(
        'worked out …',
      )
    expect(earth.text()).toContain('250 V · good')
    expect(earth.text()).toContain('next to nothing')
    const whatIf = mount(WhatIfSheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(whatIf.findAll('[data-test=what-if]')[1]!.text()).toMatch(/5\.6 kV.*\+0\.5.*4\.5 kV.*−0\.1/s)
  })

  it('shows a contact once and each kind of animal under it', () => {
    openJob()
    const e = electrics()
    e.earth!.shocks = [
      shock("the standard's 500 Ω", 2, ''),
      shock('wire and moist ground', 1.2, 'alpacas'),
      shock('wire and moist ground', 1.9, 'wild boar'),
    ]
    const rows = mount(EarthSheet, { props: { electrics: e }, global: { stubs } }).findAll(
      '[data-test=shock]',
    )
    expect(rows[1]!.text()).toMatch(/^wire and moist ground.*alpacas/s)
    expect(rows[2]!.text()).toMatch(/^wild boar/)
  })

  it('keeps cable, dirt and sunshine within their bounds, in the units of the fields', async () => {
    const { job } = openJob()
    job.plan!.spec.supply.source = 'SOLAR'
    const supply = mount(SupplySheet, { props: { electrics: electrics() }, global: { stubs } })
    await supply.find('[data-test=dirt]').setValue('35')
    await supply.find('[data-test=cable-m]').setValue('12,5')
    await supply.find('[data-test=cable-mm2]').setValue('4')
    await supply.find('[data-test=sunshine]').setValue('55')
    expect(job.plan!.spec.supply.battery).toMatchObject({ cableM: 12.5, cableMm2: 4, dirtShare: 0.35 })
    expect(job.plan!.spec.supply.battery.sunshineShare).toBeCloseTo(0.55)
    await supply.find('[data-test=dirt]').setValue('100')
    expect(job.plan!.spec.supply.battery.dirtShare).toBe(0.35)
    expect(supply.find('[role=alert]').text()).toBe(
      'Dirt, shade, %: between 0 and 95, please; the old value was kept.',
    )
    await supply.find('[data-test=panel]').setValue('80')
    expect(supply.find('[role=alert]').exists()).toBe(false)
    expect(job.plan!.spec.supply.battery.panelW).toBe(80)
  })

  it('narrows an assumption only in order', async () => {
    const { job } = openJob()
    const form = mount(ModelForm, { global: { stubs } })
    expect(form.text()).toContain('as the rating plate asks (E9)')
    await form.find('[data-test=model-bleedOhm-own]').trigger('click')
    await form.find('[data-test=model-bleedOhm-likely]').setValue('4')
    await form.find('[data-test=model-steelMuR-low]').setValue('80')
    expect(job.plan!.circumstances.model.bleedOhm).toEqual({ low: 2500, likely: 4000, high: 12000 })
    expect(job.plan!.circumstances.model.steelMuR).toEqual({ low: 80, likely: 100, high: 200 })
    await form.find('[data-test=model-steelMuR-likely]').setValue('300')
    expect(form.find('[role=alert]').text()).toContain('in that order')
    await form.find('[data-test=model-terminalNf-own]').trigger('click')
    await form.find('[data-test=model-terminalNf-high]').setValue('')
    expect(job.plan!.circumstances.model.steelMuR.likely).toBe(100)
    expect(job.plan!.circumstances.model.terminalNf).toEqual({ low: 1, likely: 5, high: 15 })
    await form
      .findAll('button')
      .find((b) => b.text() === 'from the rating plate')!
      .trigger('click')
    expect(job.plan!.circumstances.model.bleedOhm).toBeNull()
  })

  it('keeps a battery within its bounds', async () => {
    const { job } = openJob()
    job.plan!.spec.supply.source = 'SOLAR'
    const supply = mount(SupplySheet, { props: { electrics: electrics() }, global: { stubs } })
    expect(supply.text()).toContain('72 Ah for 7 dark days')
    expect(supply.text()).toContain('no sun in the darkest month')
    await supply.find('[data-test=battery]').setValue('110')
    expect(job.plan!.spec.supply.battery.batteryAh).toBe(110)
    await supply.find('[data-test=battery]').setValue('99999')
    expect(job.plan!.spec.supply.battery.batteryAh).toBe(110)
    await supply.find('[data-test=dark-days]').setValue('9.6')
    expect(job.plan!.spec.supply.battery.darkDays).toBe(10)
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
  it('follows while another stage is open as soon as nothing moves, and holds to the energizer where it is looked at', async () => {
    const { job, sent, answers } = openJob()
    answers['/api/electrics'] = { electrics: { ...electrics(), findings: [] } }
    vi.useFakeTimers()
    const asked = () => sent.filter((s) => s.path === '/api/electrics')
    const ledger = mount(LedgerPanel, { global: { stubs } })
    await vi.advanceTimersByTimeAsync(1000)
    expect(asked().map((s) => (s.body as { parts: string[] }).parts)).toEqual([['RANGE']])
    const figure = ledger.find('[data-test=figure-weakest]')
    expect(figure.text()).toContain('5.1 kV')
    expect(figure.text()).toContain('met')
    await figure.find('button').trigger('click')
    expect(figure.text()).toContain('at 656 ft of Square, needed 4.5 kV')
    expect(figure.text()).toContain('generic 3 J, as recommended')

    const before = asked().length
    for (const growth of ['CLEAN', 'RAIN', 'HEAVY'] as const) {
      job.change((p) => withCircumstances(p, { growth }))
      await vi.advanceTimersByTimeAsync(300)
    }
    await vi.advanceTimersByTimeAsync(1000)
    const bodies = asked()
      .slice(before)
      .map((s) => (s.body as { held: EnergizerRating | null }).held?.name ?? null)
    expect(bodies).toEqual([null])

    answers['/api/design/moving'] = { ...packed(design()), assessment: job.assessment, electrics: null }
    const from = job.held()!
    job.drag(moveItem(job.plan!, { kind: 'corner', lineId: 'line-1', id: 'c2' }, [1.001, 44]))
    await vi.advanceTimersByTimeAsync(100)
    expect(figure.text()).toContain('follows when nothing moves')
    answers['/api/design'] = { design: design(), assessment: job.assessment }
    job.drop(from)
    await vi.advanceTimersByTimeAsync(1000)
    expect(figure.text()).not.toContain('follows when nothing moves')
    const settled = asked().length

    const stage = useElectrics()
    const end = stage.follow()
    await vi.advanceTimersByTimeAsync(1000)
    const parts = () =>
      asked()
        .slice(settled)
        .map((s) => (s.body as { parts: string[] }).parts)
    expect(parts()).toEqual([[], ['RANGE', 'ENERGIZERS']])
    const { sheet } = useElectricsSheets()
    for (const id of ['earth', 'energizer', 'earth', 'supply'] as const) {
      sheet.value = id
      await vi.advanceTimersByTimeAsync(100)
    }
    expect(parts().slice(2)).toEqual([
      ['RANGE', 'EARTH'],
      ['RANGE', 'SUPPLY'],
    ])
    expect(stage.pending.value).toBe(false)
    sheet.value = 'energizer'
    end()
    ledger.unmount()
  })

  it('shows the sheet that is opened while the answer for the one before is still under way', async () => {
    const { answers } = openJob()
    vi.useFakeTimers()
    answers['/api/electrics'] = { electrics: { ...electrics(), earth: null } }
    const answer = globalThis.fetch
    const waiting: (() => void)[] = []
    vi.stubGlobal('fetch', async (request: Request) => {
      await new Promise<void>((go) => waiting.push(go))
      return answer(request)
    })
    const go = async () => {
      await vi.advanceTimersByTimeAsync(100)
      waiting.shift()?.()
      await vi.advanceTimersByTimeAsync(100)
    }
    const stage = useElectrics()
    const end = stage.follow()
    await vi.advanceTimersByTimeAsync(1000)
    const { sheet } = useElectricsSheets()
    sheet.value = 'earth'
    await go()
    expect(stage.pending.value).toBe(true)
    answers['/api/electrics'] = { electrics: electrics() }
    await go()
    await go()
    expect(stage.pending.value).toBe(false)
    expect(stage.electrics.value!.earth!.testV).toBe(480)
    sheet.value = 'energizer'
    do await go()
    while (waiting.length > 0)
    end()
  })
})

describe('the pulse while something is dragged', () => {
  it('comes along with the layout, with what is tried out and the energizer held to, and is asked whole afterwards', async () => {
    const { job, sent, answers } = openJob()
    answers['/api/electrics'] = { electrics: electrics() }
    const weaker = { ...electrics(), points: [point(0, 3300, 'BROKEN')] }
    answers['/api/design/moving'] = { ...packed(design()), assessment: job.assessment, electrics: weaker }
    vi.useFakeTimers()
    const stage = useElectrics()
    const end = stage.follow()
    await vi.advanceTimersByTimeAsync(1000)
    stage.trial.value = { open: ['cut-1'], loads: [] }
    await vi.advanceTimersByTimeAsync(1000)
    const before = sent.length
    const from = job.held()!
    job.drag(moveItem(job.plan!, { kind: 'corner', lineId: 'line-1', id: 'c2' }, [1.001, 44]))
    await vi.advanceTimersByTimeAsync(100)
    expect(sent.slice(before).map((s) => s.path)).toEqual(['/api/design/moving'])
    const { pulse } = sent[before]!.body as { pulse: { trial: unknown; held: EnergizerRating } }
    expect(pulse.trial).toEqual({ open: ['cut-1'], loads: [] })
    expect(pulse.held.name).toBe('generic 3 J')
    expect(stage.electrics.value!.points).toEqual(weaker.points)
    expect(stage.electrics.value!.energizers).toEqual(electrics().energizers)
    job.drop(from)
    await vi.advanceTimersByTimeAsync(1000)
    const last = sent.filter((s) => s.path === '/api/electrics').at(-1)!.body as {
      parts: string[]
      held: null
    }
    expect([last.parts, last.held]).toEqual([['RANGE', 'ENERGIZERS'], null])
    end()
    job.drag(moveItem(job.plan!, { kind: 'corner', lineId: 'line-1', id: 'c2' }, [1.002, 44]))
    await vi.advanceTimersByTimeAsync(100)
    expect((sent.at(-1)!.body as { pulse: null }).pulse).toBeNull()
  })
})

describe('the pulse on the plan', () => {
  it('colours each stretch, dashes what is too low and names the weakest point', () => {
    const { features, words } = pulseDrawing(electrics(), (at) => [at[0]! * 1e5, at[1]!], 1)
    const lines = features.filter((f) => f.getGeometry()!.getType() === 'LineString')
    expect(lines).toHaveLength(2)
    const dash = (i: number) =>
      (lines[i]!.getStyle() as { getStroke(): { getLineDash(): number[] | null } }).getStroke().getLineDash()
    expect(dash(0)).toBeNull()
    expect(dash(1)).toEqual([1, 8])
    const texts = words.map((w) => w.text)
    expect(texts).toContain('weakest 5.1 kV, met')
    expect(texts).toContain('no pulse')
    expect(pulseDrawing(null, (at) => at, 1).features).toEqual([])
  })

  it('tells what its strokes mean, only those that are there, and what stands under the pointer', () => {
    const e = electrics()
    expect(e.points.map((p) => bandOf(p, e.bands))).toEqual(['MET', 'MET', 'off'])
    expect(bandOf(point(0, 6750), e.bands)).toBe('AMPLE')
    expect(bandOf(point(0, 6750), null)).toBe('MET')
    const legend = mount(PulseLegend, { props: { electrics: e } })
    expect(legend.findAll('li').map((l) => l.text())).toEqual(['4.5 kV and more, met', 'no pulse'])
    expect(bandWords(e.bands).map((b) => b.text)).toContain('3.8 to 4.5 kV, just under')
    expect(pulseText(e, 'line-1', 190)).toBe('5.1 kV (4.1 to 5.6), met')
    expect(pulseText(e, 'line-1', 390)).toBe('no pulse')
    expect(pulseText(e, 'other', 0)).toBe('')
    expect(pulseText(null, 'line-1', 0)).toBe('')
  })
})
