import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import GateForm from '@/features/layout/GateForm.vue'
import LayoutStage from '@/features/layout/LayoutStage.vue'
import MaterialSheet from '@/features/layout/MaterialSheet.vue'
import StoryPole from '@/features/layout/StoryPole.vue'
import { useLayoutSheets } from '@/model/useLayoutSheets'
import { withFencePart } from '@/model/bookEdit'
import RulesPage from '@/features/help/RulesPage.vue'
import RibbonDetail from '@/features/ribbon/RibbonDetail.vue'
import { ribbonScale } from '@/features/ribbon/ribbonGeometry'
import { forceText } from '@/shared/units'
import { design, laidSquare, plan } from './fixtures'
import { openJob, stubs } from './openJob'

const materials = {
  conductors: [
    {
      id: 'HT_12_5',
      text: 'high-tensile 12.5',
      joining: 'crimps',
      seen: 'hard to see',
      diameterM: 0.0025,
      kgPerM: 0.04,
      breakingN: 5800,
      ohmPerM: 0.03,
      coilsM: [500],
    },
    {
      id: 'POLYTAPE',
      text: 'tape',
      joining: 'knotted',
      seen: 'seen from afar',
      diameterM: 0.04,
      kgPerM: 0.02,
      breakingN: 2000,
      ohmPerM: 0.15,
      coilsM: [200],
    },
  ],
  posts: [
    { id: 'TIMBER_90', text: 'timber 90', strong: true, lengthsM: [1.8] },
    { id: 'STEEL_TEE', text: 'steel tee', strong: false, lengthsM: [1.8] },
  ],
  braces: [
    { id: 'SINGLE_H', text: 'single H brace' },
    { id: 'PIPE', text: 'pipe' },
  ],
  tensions: [
    { id: 'MEDIUM', text: '250 lbf' },
    { id: 'HEAVY', text: '500 lbf' },
  ],
  gates: [],
  hazards: [],
  topics: [{ id: 'RAIL', text: 'Length of the brace rail' }],
  schools: [{ id: 'RAIL_EIGHT_FOOT', topic: 'RAIL', rule: 'B1', text: '8 ft, whatever the fence' }],
}

beforeEach(() => localStorage.clear())

describe('material and season', () => {
  it('changes one thing at a time and refuses what cannot be', async () => {
    const { job, answers } = openJob()
    answers['/api/materials'] = materials
    const wrapper = mount(MaterialSheet, { global: { stubs } })
    await flushPromises()
    await wrapper.find('[data-test=stock-line]').setValue('STEEL_TEE')
    await wrapper.find('[data-test=brace-kind]').setValue('PIPE')
    await wrapper.find('[data-test=tension]').setValue('HEAVY')
    await wrapper.find('[data-test=conductor-hot]').setValue('POLYTAPE')
    await wrapper.find('[data-test=light-per-gap]').setValue('2')
    const fence = () => job.plan!.spec.fence
    expect(fence().posts).toMatchObject({ line: 'STEEL_TEE', strong: 'TIMBER_140', lightPerGap: 2 })
    expect(fence().braces.kind).toBe('PIPE')
    expect(fence().wires).toMatchObject({ hot: 'POLYTAPE', earth: 'HT_12_5', tension: 'HEAVY' })
    expect(wrapper.text()).toContain('seen from afar')
    const frost = wrapper.find('[data-test=frost]')
    await frost.setValue('2 ft')
    expect(fence().climate.frostDepthM).toBeCloseTo(0.6096)
    await frost.setValue('20 ft')
    expect(fence().climate.frostDepthM).toBeCloseTo(0.6096)
    await wrapper.find('[data-test=ice]').setValue('1/2 in')
    expect(fence().climate.iceM).toBeCloseTo(0.0127)
    job.undo()
    expect(fence().climate.iceM).toBe(0)
  })

  it('speaks degrees of the units, and keeps cold below warm', async () => {
    const { job, answers } = openJob()
    answers['/api/materials'] = materials
    const wrapper = mount(MaterialSheet, { global: { stubs } })
    await flushPromises()
    const degrees = wrapper.findAll('.triple input')
    expect(degrees.map((d) => (d.element as HTMLInputElement).value)).toEqual(['5', '95', '59'])
    await degrees[0]!.setValue('-22')
    expect(job.plan!.spec.fence.climate.coldC).toBeCloseTo(-30)
    await degrees[0]!.setValue('120')
    expect(job.plan!.spec.fence.climate.coldC).toBeCloseTo(-30)
  })

  it('leaves the other parts of the fence alone', () => {
    const before = plan()
    const changed = withFencePart(before, 'climate', { iceM: 0.02 })
    expect(changed.spec.fence.climate).toEqual({ ...before.spec.fence.climate, iceM: 0.02 })
    expect(changed.spec.fence.posts).toBe(before.spec.fence.posts)
    expect(before.spec.fence.climate.iceM).toBe(0)
  })
})

describe('the story pole', () => {
  it('shows every wire in both units, and combines schedules by the core', async () => {
    const { job, answers } = openJob()
    answers['/api/materials'] = materials
    answers['/api/mixed-wires'] = {
      schedule: { preset: 'own', wires: [{ heightM: 0.3, role: 'HOT' }] },
      merged: ['W1 at 20 in is served by W5 at 18 in'],
    }
    job.catalogue = {
      rulebook: 3,
      rules: [],
      presets: [
        { id: 'W1', rule: 'W1', name: 'Beef', suits: [], wires: [], lineDepthM: null, stepIns: false },
        { id: 'W5', rule: 'W5', name: 'Pigs', suits: [], wires: [], lineDepthM: null, stepIns: false },
      ],
      animals: [],
      gateOpeningM: 5,
      dialect: [],
      planSchema: 3,
      usual: plan().spec,
    }
    const wrapper = mount(StoryPole, { global: { stubs } })
    await flushPromises()
    const pole = wrapper.find('svg.pole').text().replace(/\s+/g, ' ')
    expect(pole).toContain('1 hot · 7 7/8 in · 200 mm')
    expect(pole).toContain('3 hot · 2 ft 5 7/8 in · 760 mm')
    expect(wrapper.find('[data-test=mix]').attributes('disabled')).toBeDefined()
    await wrapper.find('[data-test=mix-presets]').setValue(['W1', 'W5'])
    await wrapper.find('[data-test=mix]').trigger('click')
    await flushPromises()
    expect(wrapper.text()).toContain('is served by')
    expect(job.plan!.spec.fence.schedule.wires).toHaveLength(1)
  })
})

describe('the rules', () => {
  it('stand with their schools, and the house is marked', async () => {
    const { answers } = openJob()
    answers['/api/materials'] = materials
    answers['/api/house'] = {
      revision: 2,
      house: { choices: ['RAIL_EIGHT_FOOT'] },
      rulebook: 3,
      savedAt: null,
      earlier: [],
    }
    answers['/api/catalogue'] = {
      rulebook: 3,
      rules: [
        { id: 'B1', says: 'Rail of an H brace 8 ft.', basis: 'PRACTICE', fromMemory: false },
        { id: 'S1', says: 'Steel wire at 125 lbf.', basis: 'PRACTICE', fromMemory: false },
      ],
    }
    const wrapper = mount(RulesPage, { global: { stubs: { ...stubs, RouterLink: true, VTextField: true } } })
    await flushPromises()
    await flushPromises()
    const rows = wrapper.findAll('tbody tr')
    expect(rows).toHaveLength(2)
    expect(rows[0]!.text()).toContain('Length of the brace rail: 8 ft, whatever the fence')
    expect(rows[0]!.text()).toContain('the house')
    expect(rows[1]!.text()).not.toContain('the house')
  })
})

describe('what the ribbon tells beyond posts and wires', () => {
  const line = laidSquare()
  const topM = 0.76
  const show = (fromM: number, toM: number, loads: boolean) =>
    mount(RibbonDetail, {
      props: {
        line,
        joints: design().layout.joints,
        wires: line.schedule.wires,
        scale: ribbonScale(line, topM, {
          width: 900,
          left: 26,
          right: 26,
          baseY: 168,
          wirePx: 66,
          groundPx: 34,
          fromM,
          toM,
        }),
        topM,
        loads,
        loadTop: 16,
        units: 'FT_IN' as const,
      },
    })

  it('draws insulators only where there is room, and by kind', () => {
    expect(show(0, 400, false).find('.insulator').attributes('d')).toBe('')
    const near = show(0, 60, false)
    expect(near.findAll('.insulator')[0]!.attributes('d')!.split('M')).toHaveLength(1 + 3 * 2)
    expect(near.find('.strain').attributes('d')!.split('M')).toHaveLength(1 + 2 * 2)
    const [hot, earth] = near.findAll('path.jumper').map((p) => p.attributes('d')!.split('M').length - 1)
    expect([hot, earth]).toEqual([1, 0])
  })

  it('shows the load lane when asked, with what the ground does not hold', () => {
    expect(show(0, 400, false).find('[data-test=loads-lane]').exists()).toBe(false)
    const lane = show(0, 400, true).find('[data-test=loads-lane]')
    expect(lane.text()).toContain('94 lbf')
    expect(lane.find('.up').attributes('d')!.split('M')).toHaveLength(2)
    expect(lane.find('.weak').attributes('d')!.split('M')).toHaveLength(2)
  })

  it('says forces as the trade does', () => {
    expect([forceText(1112, 'FT_IN'), forceText(480, 'METRIC'), forceText(2490, 'METRIC')]).toEqual([
      '250 lbf',
      '480 N',
      '2.49 kN',
    ])
  })
})

describe('the gate that is chosen on the plan', () => {
  it('is named, given a kind and an opening, and taken out', async () => {
    const { job, answers } = openJob()
    answers['/api/materials'] = materials
    const gate = {
      id: 'gate-1',
      name: 'gate 1',
      kind: 'SWING' as const,
      at: [1, 44],
      openingM: 5,
      fit: { acrossCorner: false, hotOnly: false, netting: false },
      hangs: null,
    }
    job.plan = {
      ...job.plan!,
      site: { ...job.plan!.site, lines: [{ ...job.plan!.site.lines[0]!, gates: [gate] }] },
    }
    job.selected = { kind: 'gate', lineId: 'line-1', id: 'gate-1' }
    const wrapper = mount(GateForm, { global: { stubs } })
    await flushPromises()
    const now = () => job.plan!.site.lines[0]!.gates[0]
    await wrapper.find('[data-test=gate-opening]').setValue('16 ft')
    expect(now()!.openingM).toBeCloseTo(4.8768)
    await wrapper.find('[data-test=gate-opening]').setValue('4000 ft')
    expect(now()!.openingM).toBeCloseTo(4.8768)
    await wrapper.find('.name').setValue('')
    expect(now()!.name).toBe('gate 1')
    await wrapper.find('.name').setValue('yard gate')
    expect(now()!.name).toBe('yard gate')
    await wrapper.find('.link').trigger('click')
    expect(now()).toBeUndefined()
  })
})

describe('the layout while something is dragged', () => {
  it('shows no loads of single posts and braces until the whole answer is there', async () => {
    const { job, answers } = openJob()
    answers['/api/materials'] = materials
    const { open } = useLayoutSheets()
    const SheetStage = { template: '<div><slot /></div>' }
    const stage = mount(LayoutStage, { global: { stubs: { ...stubs, SheetStage, PlanView: true } } })
    for (const [sheet, waits] of [
      ['posts', true],
      ['braces', true],
      ['build', false],
    ] as const) {
      open(sheet)
      job.rough = true
      await flushPromises()
      expect(stage.find('[data-test=waits]').exists()).toBe(waits)
      job.rough = false
      await flushPromises()
      expect(stage.find('[data-test=waits]').exists()).toBe(false)
    }
  })
})
