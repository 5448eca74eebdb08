import { mount } from '@vue/test-utils'
import { expect, it, vi } from 'vitest'
import type { TakeoffLine } from '@/api/types'
import { useParts } from '@/model/useParts'
import CountSheet from '@/features/takeoff/CountSheet.vue'
import { design } from './fixtures'
import { openJob, stubs } from './openJob'

/** Whatever the core counts stands on the sheet, under the heading the core gives, in its order. */
it('shows every line of the takeoff, whatever it is called', () => {
  const { job } = openJob()
  const line = (group: string, item: string): TakeoffLine => ({
    group,
    item,
    use: item,
    product: `fitting.${item}`,
    name: `Name of ${item}`,
    quantity: 4,
    spare: 0,
    unit: 'pcs',
    pack: null,
    massKg: null,
    derivation: `how ${item} came about`,
    rules: ['S3'],
  })
  const lines = [
    line('Posts and braces', 'tie-down'),
    line('Wire and fittings', 'spring'),
    line('Wire and fittings', 'clamp'),
    line('Wire and fittings', 'joiner'),
    line('Wire and fittings', 'tie'),
    line('A heading of tomorrow', 'something new'),
  ]
  job.design = { ...design(), takeoff: lines }
  const view = mount(CountSheet, { global: { stubs } })
  for (const l of lines) {
    const row = view.get(`[data-test="item-${l.item}"]`)
    expect(row.text()).toContain(l.name)
    expect(row.text()).toContain(l.derivation)
  }
  expect(view.findAll('thead th:first-child').map((h) => h.text())).toEqual([
    'Posts and braces',
    'Wire and fittings',
    'A heading of tomorrow',
  ])
})

/** Pointing at a line asks once where its parts are; a stretch of the ribbon shows what lies on it. */
it('lights the parts of a line and shows the takeoff of a stretch', async () => {
  const { job } = openJob()
  const item = { ...design().takeoff[0]!, ...{ group: 'Posts', item: 'post.line', use: 'post.line' } }
  const line = {
    ...item,
    product: 'post.x',
    name: 'Line post',
    quantity: 9,
    spare: 0,
    unit: 'pcs',
    pack: null,
  }
  const full: TakeoffLine = { ...line, derivation: 'evened', rules: ['P1'] }
  job.design = { ...design(), takeoff: [full] }
  const place = { use: 'post.line', product: 'post.x', lineId: 'line-1', stationsM: [10, 20], along: null }
  const asked: string[] = []
  vi.stubGlobal('fetch', (request: Request) => {
    asked.push(new URL(request.url).pathname)
    const body = request.url.endsWith('places')
      ? [place, { ...place, use: 'sign' }]
      : [{ ...full, quantity: 2 }]
    return Promise.resolve(new Response(JSON.stringify(body), { status: 200 }))
  })
  const parts = useParts()
  const view = mount(CountSheet, { global: { stubs } })
  await view.get('[data-test="item-post.line"]').trigger('pointerenter')
  await vi.waitFor(() => expect(parts.lit).toEqual([place]))
  await view.get('[data-test="item-post.line"]').trigger('pointerenter')
  expect(asked).toEqual(['/api/takeoff/places'])
  parts.stretch = { lineId: 'line-1', fromM: 5, toM: 25 }
  await vi.waitFor(() => expect(view.get('[data-test="item-post.line"]').text()).toContain('2'))
  expect(view.get('[data-test="stretch"]').text()).toContain('from')
  await view.get('[data-test="whole-fence"]').trigger('click')
  expect(view.get('[data-test="item-post.line"]').text()).toContain('9')
  vi.unstubAllGlobals()
})
