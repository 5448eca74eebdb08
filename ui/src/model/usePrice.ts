import { onUnmounted, ref, shallowRef, watch } from 'vue'
import { ask, client, failureText } from '@/api/client'
import type { PriceView } from '@/api/types'
import { latestOnly } from '@/shared/latest'
import { useJob } from './jobStore'
import { useTerms } from './terms'

/** What the plan on screen costs, asked anew when it or the terms change. */
export function usePrice() {
  const job = useJob()
  const own = useTerms()
  const price = shallowRef<PriceView | null>(null)
  const problem = ref('')
  const run = latestOnly(
    (body: { plan: typeof job.plan; land: typeof job.land; terms: typeof own.terms }) =>
      ask(client.POST('/api/price', { body: { plan: body.plan!, land: body.land!, terms: body.terms } })),
    (answer) => {
      price.value = answer
      problem.value = ''
    },
    (e) => {
      problem.value = failureText(e, 'The price could not be worked out.')
    },
  )
  const stop = watch(
    () => [job.design, own.terms] as const,
    () => {
      if (job.plan && job.land && job.design?.layout.lines.length)
        run({ plan: job.plan, land: job.land, terms: own.terms })
      else {
        run.forget()
        price.value = null
      }
    },
    { immediate: true },
  )
  onUnmounted(stop)
  return { price, problem }
}
