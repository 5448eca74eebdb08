import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { Electrics, EnergizerRating } from '@/api/types'
import EnergizerSheet from '@/features/electrics/EnergizerSheet.vue'
import PulseSheet from '@/features/electrics/PulseSheet.vue'
import { useElectrics } from '@/model/useElectrics'
import { electrics, plate, shock, stubs } from './electricsAnswer'
import { openJob } from './openJob'

/** The job asks for and saves its plan and its land by itself, sooner or later. */
const asked = <T extends { path: string }>(sent: T[]) =>
  sent.filter((s) => s.path.startsWith('/api/electrics'))

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
    expect(job.plan!.spec.supply.energizer?.name).toBe('generic 3 J')
    await wrapper.find('[data-test=no-choice]').trigger('click')
    expect(job.plan!.spec.supply.energizer).toBeNull()
  })

  it('leaves out what is too low here, unless it was chosen or is asked for', async () => {
    const { job } = openJob()
    const e = electrics()
    const { candidates } = e.energizers!
    const [first] = candidates
    const low = (name: string, likelyV: number) =>
      ({ ...first!, plate: plate(name, 0.1), likelyV, met: 'BROKEN' }) as typeof first & object
    e.energizers!.candidates = [low('tiny', 1200), low('small', 2300), ...candidates]
    const wrapper = mount(EnergizerSheet, { props: { electrics: e }, global: { stubs } })
    const seen = (name: string) => wrapper.find(`[data-test="energizer-${name}"]`).exists()
    expect([seen('tiny'), seen('small'), seen('generic 3 J')]).toEqual([false, false, true])
    expect(wrapper.text()).toContain('2 are too low here, 2.3 kV at most')
    await wrapper.find('[data-test=too-low]').trigger('click')
    expect([seen('tiny'), seen('small')]).toEqual([true, true])
    await wrapper.find('[data-test="energizer-small"]').trigger('click')
    await wrapper.find('[data-test=too-low]').trigger('click')
    expect(job.plan!.spec.supply.energizer?.name).toBe('small')
    expect([seen('tiny'), seen('small')]).toEqual([false, true])
    await wrapper.setProps({
      electrics: { ...e, energizers: { ...e.energizers!, candidates: e.energizers!.candidates.slice(0, 1) } },
    })
    expect(seen('tiny')).toBe(true)
  })

  it('takes a plate of ones own only whole', async () => {
    const { job } = openJob()
    const wrapper = mount(EnergizerSheet, { props: { electrics: electrics() }, global: { stubs } })
    await wrapper.find('[data-test=plate-stored]').setValue('4,1')
    await wrapper.find('form').trigger('submit')
    expect(wrapper.find('[role=alert]').text()).toContain('both kilovolts')
    expect(job.plan!.spec.supply.energizer).toBeNull()
    await wrapper.find('[data-test=plate-out]').setValue('3')
    await wrapper.find('[data-test=plate-open]').setValue('8.2')
    await wrapper.find('[data-test=plate-500]').setValue('5.3')
    await wrapper.find('form').trigger('submit')
    expect(job.plan!.spec.supply.energizer).toMatchObject({
      storedJ: 4.1,
      out500J: 3,
      openV: 8200,
      v500: 5300,
    })
  })
})

describe('a plate as it is', () => {
  const given: [string, Record<string, string>, Partial<EnergizerRating> | null][] = [
    [
      'output only, with 100 Ω and both draws',
      { out: '2.2', open: '8', '500': '5.2', '100': '2,01', draw: '4.5' },
      { storedJ: null, out500J: 2.2, v100: 2010, draw: { fullW: 4.5, slowW: null } },
    ],
    ['stored only', { stored: '3', open: '8', '500': '5.2' }, { storedJ: 3, out500J: null, v100: null }],
    ['no energy at all', { open: '8', '500': '5.2' }, null],
    ['a word for a number', { stored: '3', open: 'eight', '500': '5.2' }, null],
    ['a negative draw', { stored: '3', open: '8', '500': '5.2', draw: '-1' }, null],
  ]
  it.each(given)('takes or refuses %s', async (_, fields, wanted) => {
    const { job } = openJob()
    const wrapper = mount(EnergizerSheet, { props: { electrics: electrics() }, global: { stubs } })
    for (const [name, value] of Object.entries(fields))
      await wrapper.find(`[data-test=plate-${name}]`).setValue(value)
    await wrapper.find('form').trigger('submit')
    if (wanted) expect(job.plan!.spec.supply.energizer).toMatchObject({ name: 'own energizer', ...wanted })
    else {
      expect(job.plan!.spec.supply.energizer).toBeNull()
      expect(wrapper.find('[role=alert]').text()).toContain('at least one of the two energies')
    }
  })

  it('says what was reckoned and what earth each energizer asks for', () => {
    openJob()
    const e = electrics()
    e.findings = [
      {
        rule: 'E8',
        severity: 'NOTE',
        lineId: null,
        stationM: null,
        message: 'The rating plate gives one energy.',
        accepted: null,
      } as unknown as Electrics['findings'][number],
    ]
    const wrapper = mount(EnergizerSheet, { props: { electrics: e }, global: { stubs } })
    expect(wrapper.find('[data-test=plate-E8]').text()).toBe('The rating plate gives one energy.')
    expect(wrapper.text()).toContain('4 × 6 ft')
    expect(wrapper.text()).toContain('under 12 Ω')
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
    expect(asked(sent).at(-1)).toMatchObject({
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

  it('leaves out a jumper set, says which wires die, and puts it back', async () => {
    const { answers } = openJob()
    answers['/api/electrics/at'] = { at: null }
    const e = electrics()
    e.findings = [
      { rule: 'J1', severity: 'WARN', message: 'From here a wire is dead.' },
      { rule: 'G9', severity: 'WARN', message: 'said on the sheet of the earth' },
    ] as Electrics['findings']
    const wrapper = mount(PulseSheet, { props: { electrics: e }, global: { stubs } })
    await flushPromises()
    expect(wrapper.find('[data-test=to-mind]').text()).toBe('From here a wire is dead.')
    const { trial } = useElectrics()
    const select = wrapper.find('[data-test=jumpers]')
    const id = select.findAll('option')[1]!.attributes('value')!
    expect(id).toBe('jumper:line-1:a')
    await select.setValue(id)
    expect(trial.value.open).toEqual([id])
    expect(wrapper.find('[data-test=left-out]').text()).toContain('pull 1 from 0 ft')
    await wrapper.find('[data-test=left-out] button').trigger('click')
    expect(trial.value.open).toEqual([])
  })
})

it('leaves what was only tried out behind when another stage is opened', async () => {
  const { sent, answers } = openJob()
  answers['/api/electrics'] = { electrics: electrics() }
  const { follow, toggle } = useElectrics()
  const scope = effectScope()
  const leave = scope.run(follow)!
  toggle('cut-1')
  await flushPromises()
  scope.stop()
  leave()
  await flushPromises()
  expect(asked(sent).at(-1)).toMatchObject({ body: { parts: ['RANGE'], trial: { open: [], loads: [] } } })
  toggle('cut-1')
  const before = asked(sent).length
  leave()
  await flushPromises()
  expect(asked(sent)).toHaveLength(before)
})

it('knows nothing of the job before when another one is opened, even by an answer that comes late', async () => {
  const { job, sent, answers } = openJob()
  answers['/api/electrics'] = { electrics: electrics() }
  const stage = useElectrics()
  const first = effectScope()
  const leave = first.run(stage.follow)!
  await vi.waitFor(() => expect(stage.electrics.value).not.toBeNull(), 10_000)
  stage.toggle('cut-1')
  first.stop()
  leave()
  expect(asked(sent).at(-1)?.path).toBe('/api/electrics')
  job.id = 'another'
  const second = effectScope()
  second.run(stage.followLightly)
  expect(stage.electrics.value).toBeNull()
  expect(stage.trial.value).toEqual({ open: [], loads: [] })
  await flushPromises()
  expect(stage.electrics.value).toBeNull()
  second.stop()
})
