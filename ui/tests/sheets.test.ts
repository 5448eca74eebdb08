import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Comparison, PointTable, TapeBook, TapeResult } from '@/api/types'
import { addFeature } from '@/model/landEdit'
import { withSpec } from '@/model/planEdit'
import { distance, planeAt } from '@/model/plane'
import { useTool } from '@/model/tool'
import ColumnMapper from '@/features/survey/ColumnMapper.vue'
import ComparisonTable from '@/features/survey/ComparisonTable.vue'
import LandSheet from '@/features/survey/LandSheet.vue'
import LinesSheet from '@/features/survey/LinesSheet.vue'
import SquareSheet from '@/features/survey/SquareSheet.vue'
import TapeOutcome from '@/features/survey/TapeOutcome.vue'
import TapeSheet from '@/features/survey/TapeSheet.vue'
import { useSheets } from '@/model/useSheets'
import { plan } from './fixtures'
import { noLand, openJob, stubs } from './openJob'

beforeEach(() => {
  localStorage.clear()
  useTool().choose('select')
})

describe('the column mapper', () => {
  const table: PointTable = {
    columns: ['nr', 'b', 'l', 'h'],
    sample: [['1', '44,1', '0,88', '210']],
    rowCount: 1,
    guess: {
      lat: -1,
      lon: -1,
      east: -1,
      north: -1,
      height: 3,
      name: 0,
      line: -1,
      asLine: true,
      origin: null,
    },
  }

  it('starts from the guess and sends what each column is', async () => {
    const wrapper = mount(ColumnMapper, { props: { table, near: null, busy: false }, global: { stubs } })
    const selects = wrapper.findAll('select')
    expect(selects.map((s) => (s.element as HTMLSelectElement).value)).toEqual(['name', '', '', 'height'])
    await selects[1]!.setValue('lat')
    await selects[2]!.setValue('lon')
    await wrapper.findAll('input[type=radio]')[1]!.setValue(true)
    await wrapper.find('[data-test=read-columns]').trigger('click')
    expect(wrapper.emitted('read')).toEqual([['1,2,-1,-1,3,0,-1', false]])
    await selects[1]!.setValue('east')
    expect(wrapper.text()).toContain('counted from a place')
  })
})

describe('two plans side by side', () => {
  it('shows what changed with its sign, and findings that came and went', () => {
    openJob().job.plan = withSpec(plan(), { preferences: { units: 'METRIC' } })
    const comparison: Comparison = {
      lines: [{ key: 'line-1', name: 'Ring', before: 400, after: 400.3, unit: 'm' }],
      items: [{ key: 'post.line', name: 'Line post', before: 90, after: 88, unit: 'pcs' }],
      come: ['new one'],
      gone: ['old one'],
      fields: [{ path: 'fence.posts.lineDepthM', before: '0.9', after: '1.1', effects: ['MATERIAL'] }],
    }
    const wrapper = mount(ComparisonTable, { props: { comparison, before: 'plan', after: 'ground' } })
    expect(wrapper.find('[data-test=changed-fields]').text()).toContain(
      'fence, posts, line depth0.91.1material',
    )
    expect(wrapper.text()).toContain('+300 mm')
    expect(wrapper.text()).toContain('−2')
    expect(wrapper.text()).toContain('new: new one')
    expect(wrapper.text()).toContain('gone: old one')
  })
})

describe('the tape sheet', () => {
  const book: TapeBook = {
    id: 't',
    name: 'Yard',
    rows: [{ from: 'A', to: 'B', length: '10', towards: '', offset: '', note: '' }],
    units: 'METRIC',
    stepM: 0.76,
    mirrored: false,
    place: null,
  }
  const result: TapeResult = {
    points: [
      { name: 'A', eastM: 0, northM: 0, sigmaM: 0, at: null },
      { name: 'B', eastM: 10, northM: 0, sigmaM: 0.015, at: null },
    ],
    rows: [{ row: 0, measuredM: 10, adjustedM: 10.02, restSaysM: 10.05, doubt: 3.4 }],
    spare: 1,
    typicalErrorM: 0.02,
    verdicts: [
      { kind: 'SUSPECT', text: 'A–B is 50 mm shorter than all the others imply; measure it again.' },
    ],
  }

  it('asks the core after each entry, keeps what was typed, and marks the doubtful row', async () => {
    const { job, sent, answers } = openJob({ ...noLand, tapes: [book] })
    answers['/api/tape'] = result
    const wrapper = mount(TapeSheet, { props: { preview: [] }, global: { stubs } })
    await flushPromises()
    expect(sent.some((s) => s.path === '/api/tape')).toBe(true)
    expect(wrapper.find('tr.doubt').exists()).toBe(true)
    expect(wrapper.text()).toContain('+20 mm')
    await wrapper.find('[data-test=tape-1-from]').setValue('B')
    await flushPromises()
    expect(job.land!.tapes[0]!.rows).toHaveLength(2)
    await wrapper.find('[data-test=tape-1-from]').setValue('')
    await flushPromises()
    expect(job.land!.tapes[0]!.rows).toHaveLength(1)
    await wrapper.find('[data-test=tape-step]').setValue('0.82 m')
    expect(job.land!.tapes[0]!.stepM).toBeCloseTo(0.82)
    await wrapper.find('[data-test=new-tape]').trigger('click')
    expect(job.land!.tapes).toHaveLength(2)
  })

  it('writes verdicts with a word, not with a colour alone', () => {
    const wrapper = mount(TapeOutcome, { props: { result, units: 'FT_IN' } })
    expect(wrapper.text()).toContain('suspect A–B is 50 mm shorter')
    expect(wrapper.text()).toContain('32.81 ft')
  })
})

describe('the squaring sheet', () => {
  it('sends lengths in metres and says what cannot be read', async () => {
    const { sent, answers } = openJob()
    answers['/api/squaring'] = { diagonal: '50 ft', move: 'Leave A and B.', marks: '3-4-5' }
    const wrapper = mount(SquareSheet, { global: { stubs } })
    await wrapper.find('[data-test=square-front]').setValue('40 ft')
    await wrapper.find('[data-test=square-side]').setValue('30 ft')
    await flushPromises()
    const order = sent.filter((s) => s.path === '/api/squaring').at(-1)!.body as {
      frontM: number
      acM: unknown
    }
    expect(order.frontM).toBeCloseTo(12.192)
    expect(order.acM).toBeNull()
    expect(wrapper.find('[data-test=square-diagonal]').text()).toContain('50 ft')
    await wrapper.find('[data-test=square-ac]').setValue('fifty')
    await flushPromises()
    expect(wrapper.find('[role=alert]').text()).toContain('Write lengths')
  })
})

describe('the sheets of the survey', () => {
  it('open by name, and stay where they are for a name nobody knows', () => {
    const { sheet, open } = useSheets()
    open('tape')
    expect(sheet.value).toBe('tape')
    open('nowhere')
    expect(sheet.value).toBe('tape')
    open('bring')
  })

  it('what is there: choosing a kind takes a shape it can have; fields refuse what is not a length', async () => {
    const made = addFeature(noLand, 'CREEK', 'LINE', [
      [1, 44],
      [1.001, 44],
    ])
    const { job } = openJob(made.land)
    const wrapper = mount(LandSheet, { global: { stubs } })
    await wrapper.find('[data-test=land-kind]').setValue('SOIL')
    await wrapper.find('form.row').trigger('submit')
    expect(useTool().drawFor.value).toEqual({ what: 'land', kind: 'SOIL', shape: 'AREA' })
    await wrapper.find('.features button').trigger('click')
    expect(job.selected).toEqual({ kind: 'land', lineId: made.id, id: '0' })
    await wrapper.find('[data-test=feature-flood]').setValue('5 ft')
    expect(job.land!.features[0]!.traits.floodRiseM).toBeCloseTo(1.524)
    await wrapper.find('[data-test=feature-flood]').setValue('a lot')
    expect(job.land!.features[0]!.traits.floodRiseM).toBeCloseTo(1.524)
    await wrapper.find('[data-test=feature-name]').setValue('brook')
    expect(job.land!.features[0]!.name).toBe('brook')
    const out = wrapper.findAll('button').find((b) => b.text() === 'Remove')!
    await out.trigger('click')
    expect(job.land!.features).toHaveLength(0)
  })

  it('lines: the side under the cursor is made longer, moved, and the line copied beside', async () => {
    const { job } = openJob()
    job.cursorM = 40
    const wrapper = mount(LinesSheet, { global: { stubs } })
    await flushPromises()
    expect((wrapper.find('[data-test=side-length]').element as HTMLInputElement).value).toBe('328 ft 1 in')
    await wrapper.find('[data-test=side-length]').setValue('400 ft')
    await wrapper.findAll('form')[0]!.trigger('submit')
    const plane = planeAt([1, 44])
    const corners = job.plan!.site.lines[0]!.corners.map((c) => plane.toPlane(c.at))
    expect(distance(corners[0]!, corners[1]!)).toBeCloseTo(121.92, 3)
    await wrapper.find('[data-test=beside]').setValue('nonsense')
    await wrapper.find('[data-test=copy-left]').trigger('click')
    expect(wrapper.find('[role=alert]').text()).toContain('is not a length')
    await wrapper.find('[data-test=beside]').setValue('30 in')
    await wrapper.find('[data-test=copy-left]').trigger('click')
    expect(job.plan!.site.lines).toHaveLength(2)
    await wrapper.find('[data-test=shape-front]').setValue('20 m')
    await wrapper.findAll('form').at(-1)!.trigger('submit')
    const wanted = useTool().drawFor.value
    if (wanted.what !== 'points') throw new Error('nothing is asked for')
    wanted.done([[1.01, 44.01]])
    const placed = job.plan!.site.lines.at(-1)!
    const there = planeAt([1.01, 44.01])
    expect(placed.closed).toBe(true)
    expect(distance(there.toPlane(placed.corners[0]!.at), there.toPlane(placed.corners[1]!.at))).toBeCloseTo(
      20,
      4,
    )
  })
})
