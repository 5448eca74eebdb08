import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import type { TakeoffLine } from '@/api/types'
import TakeoffStage from '@/features/takeoff/TakeoffStage.vue'
import { design } from './fixtures'
import { openJob, stubs } from './openJob'

/** Whatever the core counts stands on the sheet, under the heading the core gives, in its order. */
it('shows every line of the takeoff, whatever it is called', () => {
  const { job } = openJob()
  const line = (group: string, item: string): TakeoffLine => ({
    group,
    item,
    product: `fitting.${item}`,
    name: `Name of ${item}`,
    quantity: 4,
    unit: 'pcs',
    pack: null,
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
  const view = mount(TakeoffStage, { global: { stubs } })
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
