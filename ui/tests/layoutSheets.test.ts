import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Materials, SchoolEffect } from '@/api/types'
import BraceSheet from '@/features/layout/BraceSheet.vue'
import { addOverride, changeBook, setLineSpec, setStanding } from '@/model/bookEdit'
import FindingSheet from '@/features/layout/FindingSheet.vue'
import JointSheet from '@/features/layout/JointSheet.vue'
import PostElevation from '@/features/layout/PostElevation.vue'
import PostSheet from '@/features/layout/PostSheet.vue'
import SchoolSheet from '@/features/layout/SchoolSheet.vue'
import { useRibbonWindow } from '@/features/ribbon/useRibbonWindow'
import { computed, defineComponent, ref } from 'vue'
import { laidSquare, plan, ringClosed, wire } from './fixtures'
import { openJob, stubs } from './openJob'

const materials: Materials = {
  conductors: [],
  posts: [{ id: 'STEEL_TEE', text: 'steel tee post, 1.75 in (45 mm)', strong: false, lengthsM: [1.8] }],
  braces: [],
  tensions: [],
  gates: [{ id: 'SWING', text: 'swing gate' }],
  hazards: [],
  topics: [{ id: 'BRACE', text: 'Kind of brace' }],
  schools: [
    { id: 'BRACE_SINGLE', topic: 'BRACE', rule: 'B3', text: 'single' },
    { id: 'BRACE_DOUBLE', topic: 'BRACE', rule: 'B3', text: 'double' },
  ],
}

function opened() {
  const all = openJob()
  all.answers['/api/materials'] = materials
  return all
}

beforeEach(() => localStorage.clear())

describe('what is kept along a line', () => {
  it('gives each choice an id of its own and leaves the old plan alone', () => {
    const before = plan()
    const want = {
      from: [1, 44],
      to: [1.001, 44],
      spacingM: 2,
      stock: null,
      lightPerGap: null,
      use: null,
      reason: 'x',
      found: null,
    }
    const once = addOverride(before, 'line-1', want)
    const twice = addOverride(once, 'line-1', want)
    expect(twice.site.lines[0]!.book.overrides.map((o) => o.id)).toEqual(['own-1', 'own-2'])
    expect(before.site.lines[0]!.book.overrides).toEqual([])
    expect(changeBook(before, 'elsewhere', { turned: true })).toEqual(before)
  })

  it('takes the newer word on how a post stands', () => {
    const once = setStanding(plan(), 'line-1', [1, 44], 0.4, 'stone')
    const again = setStanding(once, 'line-1', [1.0000001, 44], 0.6, 'drilled')
    const other = setStanding(again, 'line-1', [1.001, 44], 0.5, 'stone')
    expect(other.site.lines[0]!.book.standing.map((s) => s.depthM)).toEqual([0.6, 0.5])
  })

  it('keeps nothing for a line that has nothing of its own', () => {
    const own = setLineSpec(plan(), 'line-1', { hot: 'POLYTAPE' })
    expect(own.spec.lines).toEqual([
      { lineId: 'line-1', schedule: null, brace: null, hot: 'POLYTAPE', stringing: null },
    ])
    expect(setLineSpec(own, 'line-1', { brace: 'PIPE' }).spec.lines[0]!.hot).toBe('POLYTAPE')
    expect(setLineSpec(own, 'line-1', { hot: null }).spec.lines).toEqual([])
  })
})

describe('the sheets of the layout', () => {
  it('shows one post with its loads, and keeps a choice for a stretch', async () => {
    const { job } = opened()
    job.cursorM = 200
    const wrapper = mount(PostSheet, { global: { stubs } })
    await flushPromises()
    expect(wrapper.find('[data-test=post-title]').text()).toBe('Corner post 11 · C')
    expect(wrapper.text()).toContain('94 lbf')
    expect(wrapper.text()).toContain('will move')
    await wrapper.find('[data-test=from-here]').trigger('click')
    await wrapper.find('[data-test=override]').trigger('click')
    expect(wrapper.find('[role=alert]').text()).toContain('from which post to which')
    job.cursorM = 260
    await flushPromises()
    await wrapper.find('[data-test=to-here]').trigger('click')
    await wrapper.find('[data-test=override-spacing]').setValue('900 ft')
    await wrapper.find('[data-test=override]').trigger('click')
    expect(wrapper.find('[role=alert]').text()).toContain('spacing lies between')
    await wrapper.find('[data-test=override-spacing]').setValue('5 ft')
    await wrapper.find('[data-test=override]').trigger('click')
    const kept = job.plan!.site.lines[0]!.book.overrides
    expect(kept).toHaveLength(1)
    expect(kept[0]!.spacingM).toBeCloseTo(1.524)
    expect(kept[0]!.reason).toBe('exception')
    await wrapper.find('[data-test=stands-deep]').setValue('deep')
    await wrapper.find('form').trigger('submit')
    expect(wrapper.find('[role=alert]').text()).toContain('how deep')
    await wrapper.find('[data-test=issue-numbers]').trigger('click')
    expect(job.plan!.site.lines[0]!.book.issued).toHaveLength(20)
  })

  it('says which school of rail lifts more where the fence is low', async () => {
    const { job } = opened()
    job.cursorM = 0
    const wrapper = mount(BraceSheet, { global: { stubs } })
    await flushPromises()
    const schools = wrapper.find('[data-test=both-schools]').text()
    expect(schools).toContain('148 lbf')
    expect(schools).toContain('171 lbf')
    expect(wrapper.text()).toContain('the rail by height (B2) is the shorter one')
    expect(wrapper.find('[data-test=pulls]').text()).toContain('250 lbf')
  })

  it('draws each sort of joint once, with the places it stands at', async () => {
    const { job } = opened()
    const layout = job.design!.layout
    const jumper = layout.joints[0]!
    job.design = {
      ...job.design!,
      layout: { ...layout, joints: [jumper, { ...jumper, stationM: 158 }, layout.joints[1]!] },
    }
    const wrapper = mount(JointSheet, { global: { stubs } })
    await flushPromises()
    const sorts = wrapper.findAll('[data-test=joint]')
    expect(sorts).toHaveLength(2)
    expect(sorts[0]!.findAll('button').map((b) => b.text())).toEqual(['10 ft', '518 ft'])
    expect(sorts[0]!.findAll('circle.HOT')).toHaveLength(2)
    await sorts[0]!.findAll('button')[1]!.trigger('click')
    expect(job.cursorM).toBe(158)
  })

  it('takes a finding only with a reason, and keeps its place', async () => {
    const { job } = opened()
    const wrapper = mount(FindingSheet, { global: { stubs } })
    await wrapper.find('[data-test=accept]').trigger('click')
    await wrapper.find('form').trigger('submit')
    expect(job.plan!.decisions.accepted).toHaveLength(0)
    await wrapper.find('[data-test=accept-reason]').setValue('the oak holds it')
    await wrapper.find('form').trigger('submit')
    expect(job.plan!.decisions.accepted).toEqual([
      {
        rule: 'B1',
        key: 'no-brace-fits',
        values: {},
        lineId: 'line-1',
        at: [1, 44],
        message: 'No brace fits.',
        reason: 'the oak holds it',
      },
    ])
  })

  it('shows what a school would do against the job as it is', async () => {
    const { answers, sent, job } = opened()
    const effect = (school: SchoolEffect['school'], chosen: boolean, strongPosts: number): SchoolEffect => ({
      school,
      chosen,
      strongPosts,
      linePosts: 90,
      upliftN: 700,
      safety: 1.3,
      pullN: 2224,
      wireM: 1200,
      insulators: 200,
      rods: 3,
      toMend: 1,
      items: [],
    })
    answers['/api/schools'] = [effect('BRACE_SINGLE', true, 12), effect('BRACE_DOUBLE', false, 20)]
    answers['/api/house'] = {
      revision: 1,
      house: { choices: ['BRACE_DOUBLE'] },
      rulebook: 3,
      savedAt: null,
      earlier: [],
    }
    answers['/api/school'] = ringClosed(job.plan!).spec
    const wrapper = mount(SchoolSheet, { global: { stubs } })
    await vi.waitFor(() => expect(wrapper.find('[data-test=topic-BRACE]').text()).toContain('+8'))
    expect(wrapper.find('[data-test=house-BRACE_DOUBLE]').text()).toContain('ours')
    const because = wrapper.find('[data-test=because-BRACE]')
    await because.setValue('it is light')
    await because.trigger('change')
    expect(job.plan!.decisions.departures).toEqual([{ topic: 'BRACE', reason: 'it is light' }])
    await wrapper.find('[data-test=school-BRACE_DOUBLE]').trigger('click')
    await vi.waitFor(() => expect(job.plan!.spec.fence.wires.ringClosed).toBe(true))
    expect(sent.find((s) => s.path === '/api/school')?.body).toMatchObject({ school: 'BRACE_DOUBLE' })
  })

  it('draws a post so that labels of close wires do not run together', () => {
    const post = { ...laidSquare().posts[0]!, ends: true }
    const wires = [0.1, 0.15, 0.2].map((heightM) => wire(heightM, 'HOT'))
    const wrapper = mount(PostElevation, { props: { post, wires, braces: [], units: 'METRIC' } })
    const ys = wrapper
      .findAll('g text')
      .map((t) => Number(t.attributes('y')))
      .sort((a, b) => a - b)
    expect(ys[1]! - ys[0]!).toBeGreaterThanOrEqual(13)
    expect(ys[2]! - ys[1]!).toBeGreaterThanOrEqual(13)
    expect(wrapper.text()).toContain('strain insulator')
  })
})

describe('the part of the line the ribbon shows', () => {
  function windowOf(lengthM: number) {
    const cursor = ref<number | null>(null)
    let part!: ReturnType<typeof useRibbonWindow>
    mount(
      defineComponent({
        setup() {
          part = useRibbonWindow(
            computed(() => lengthM),
            cursor,
            computed(() => 'l'),
          )
          return () => null
        },
      }),
    )
    return { part, cursor }
  }

  it('comes closer about a place down to one span, follows the cursor, and goes back', async () => {
    const { part, cursor } = windowOf(1000)
    expect([part.fromM.value, part.toM.value]).toEqual([0, 1000])
    part.closer(300)
    expect(part.fromM.value).toBeLessThan(300)
    expect(part.toM.value - part.fromM.value).toBeCloseTo(625)
    expect((300 - part.fromM.value) / 625).toBeCloseTo(0.3)
    for (let i = 0; i < 30; i++) part.closer(300)
    expect(part.toM.value - part.fromM.value).toBeCloseTo(6)
    cursor.value = 900
    await flushPromises()
    expect(part.fromM.value).toBeLessThanOrEqual(900)
    expect(part.toM.value).toBeGreaterThanOrEqual(900)
    part.whole()
    expect([part.fromM.value, part.toM.value]).toEqual([0, 1000])
  })
})
