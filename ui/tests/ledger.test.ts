import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { expect, it } from 'vitest'
import { useJob } from '@/model/jobStore'
import LedgerPanel from '@/features/ledger/LedgerPanel.vue'
import { design, plan } from './fixtures'

it('shows each figure with its derivation and findings that lead to their place', async () => {
  setActivePinia(createPinia())
  const job = useJob()
  job.plan = plan()
  job.design = design()
  const view = mount(LedgerPanel, {
    global: { stubs: { RuleChips: { props: ['rules'], template: '<i>{{ rules.join() }}</i>' } } },
  })
  expect(view.get('[data-test=figure-fence]').text()).toContain('1,312 ft')
  expect(view.text()).not.toContain('4 sides summed')
  await view.get('[data-test=figure-fence] button').trigger('click')
  expect(view.text()).toContain('4 sides summed')
  const findings = view.findAll('.findings li')
  expect(findings[0]!.text()).toContain('fix at 328 ft')
  await findings[0]!.get('button').trigger('click')
  expect(job.cursorM).toBe(100)
  expect(findings[1]!.get('button').attributes('disabled')).toBeDefined()
  const card = view.get('[data-test=every-job]')
  expect(card.text()).toContain('On every job')
  expect(card.text()).toContain('A certified energizer only.')
})
