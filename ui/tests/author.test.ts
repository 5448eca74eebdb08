import { expect, it } from 'vitest'
import { nextTick } from 'vue'
import { author, signed } from '@/shared/author'

/** A name typed once goes along with every request, whatever letters it has, and is there again next time. */
it('says who saves', async () => {
  const request = () => new Request('http://localhost/api/jobs', { method: 'POST', body: '{}' })
  author.value = ''
  expect(signed(request()).headers.get('Buckle-Author')).toBeNull()
  author.value = ' Zoë Ñandú '
  await nextTick()
  expect(decodeURIComponent(signed(request()).headers.get('Buckle-Author')!)).toBe('Zoë Ñandú')
  expect(await signed(request()).text()).toBe('{}')
  expect(localStorage.getItem('buckle.author')).toBe('Zoë Ñandú')
})
