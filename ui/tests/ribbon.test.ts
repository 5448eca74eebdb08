import { mount } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { foretoldText, nearestPoint } from '@/model/nearest'
import { useElectrics } from '@/model/useElectrics'
import RibbonView from '@/features/ribbon/RibbonView.vue'
import { useRoom } from '@/model/room'
import { electrics } from './electricsAnswer'
import { openJob } from './openJob'

beforeEach(() => {
  localStorage.clear()
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      disconnect() {}
    },
  )
})

const ribbon = () => mount(RibbonView, { props: { readings: true, pulse: false } })

it('starts as a strip of figures beside a sheet that is read, is drawn up, and each stage remembers', async () => {
  openJob()
  const room = useRoom()
  room.stage = 'test'
  room.reading = true
  const view = ribbon()
  const low = Number(view.find('svg').attributes('height'))
  expect(view.findAll('.wire')).toHaveLength(0)
  expect(view.findAll('.section').length).toBeGreaterThan(0)
  expect(view.find('.letter').text()).not.toBe('')
  await view.find('[data-test=ribbon-fold]').trigger('click')
  expect(view.findAll('.wire').length).toBeGreaterThan(0)
  expect(Number(view.find('svg').attributes('height'))).toBeGreaterThan(low + 100)
  room.dragRibbon(400)
  await view.vm.$nextTick()
  expect(Number(view.find('svg').attributes('height'))).toBeGreaterThan(low + 200)
  // Another stage has its own; this one comes back as it was left, after a reload too.
  room.stage = 'takeoff'
  expect(room.ribbonOpen).toBe(false)
  room.stage = 'test'
  expect([room.ribbonOpen, room.ribbonPx]).toEqual([true, 400])
  expect(JSON.parse(localStorage.getItem('buckle.room')!)['test:reading'].ribbonPx).toBe(400)
  room.dragRibbon(60)
  expect(room.ribbonOpen).toBe(false)
  room.resetRibbon()
  expect(localStorage.getItem('buckle.room')).not.toContain('60')
})

it('takes at most a quarter of the height beside a plan', () => {
  openJob()
  const room = useRoom()
  room.stage = 'layout'
  room.reading = false
  expect(room.ribbonOpen).toBe(true)
  expect(room.ribbonPx).toBeLessThanOrEqual(window.innerHeight / 4)
  expect(room.sheetPx(900)).toBeNull()
  room.dragSheet(5000)
  expect(room.sheetPx(900)).toBe(720)
  room.resetSheet()
  expect(room.sheetPx(900)).toBeNull()
})

it('draws what is read over what is predicted, on one scale', async () => {
  const { job } = openJob()
  const known = useElectrics().electrics
  known.value = null
  const place = job.testPoints[0]!
  const point = { testPointId: place.id, peakV: 5100, readingId: 'r', standing: 'MET' as const, why: '' }
  job.assessment = { needV: 4500, needWhy: '', points: [point], sections: [] } as never
  const view = ribbon()
  const dotY = () => Number(/ ([0-9.]+)\)/.exec(view.find('.dot').attributes('transform')!)![1])
  const alone = dotY()
  expect(view.find('[data-test=predicted]').exists()).toBe(false)
  // A prediction of the same 5.1 kV at its second place lies at the height of the reading.
  known.value = electrics()
  await view.vm.$nextTick()
  const [, second] = view.find('[data-test=predicted]').attributes('d')!.split('L')
  expect(dotY()).toBeGreaterThan(alone)
  expect(Number(second!.split(' ')[1])).toBeCloseTo(dotY(), 0)
  expect(view.text()).toContain('kV read, over those predicted; dashed: 4.5 kV needed')
})

it('says what a meter is expected to show, and where nothing is', () => {
  expect(foretoldText(nearestPoint(electrics(), 'line-1', 190)!)).toBe('predicted 4.1 to 5.6 kV')
  expect(foretoldText(nearestPoint(electrics(), 'line-1', 390)!)).toBe('no pulse predicted')
  expect(nearestPoint(electrics(), 'line-9', 10)).toBeNull()
})
