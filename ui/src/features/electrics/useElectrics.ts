import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, Trouble } from '@/api/client'
import type { Electrics, Plan, Land, Spec, Trial } from '@/api/types'
import { useJob } from '@/features/job/jobStore'
import { withSpec } from '@/features/job/planEdit'
import { latestOnly } from '@/shared/latest'

const SETTLED_MS = 350
const NOTHING_TRIED: Trial = { open: [], loads: [] }

const electrics = shallowRef<Electrics | null>(null)
const trial = shallowRef<Trial>(NOTHING_TRIED)
const failed = ref('')
/** Whether comparisons are being worked out after the curve. */
const pending = ref(false)
/** Job the answer belongs to. */
let ofJob = ''

interface Order {
  jobId: string
  plan: Plan
  land: Land
  trial: Trial
  depth: 'CURVE' | 'ALL'
}

const compute = latestOnly(
  ({ plan, land, trial, depth }: Order) =>
    ask(client.POST('/api/electrics', { body: { plan, land, trial, depth } })),
  (answer, order) => {
    failed.value = ''
    const now = answer.electrics
    const before = electrics.value
    if (now && before && order.depth === 'CURVE' && ofJob === order.jobId) {
      // What only a whole answer has is kept until the next one comes.
      const { candidates, recommended, whatIfs, reserveSays, reserve, earth } = before
      electrics.value = { ...now, candidates, recommended, whatIfs, reserveSays, reserve, earth }
    } else {
      electrics.value = now
    }
    ofJob = order.jobId
    if (order.depth === 'ALL') pending.value = false
  },
  (e) => {
    pending.value = false
    failed.value = e instanceof Trouble ? e.message : 'The pulse could not be worked out.'
  },
)

/** The pulse on the open job's plan, and what is tried out on it. */
export function useElectrics() {
  const job = useJob()
  let settled: ReturnType<typeof setTimeout> | undefined

  function order(depth: Order['depth']) {
    if (job.plan && job.land && job.design)
      compute({ jobId: job.id, plan: job.plan, land: job.land, trial: trial.value, depth })
  }

  /** Keeps the answer up to date while the stage is open: the curve at once, the rest when nothing moves. */
  function follow() {
    watch(
      () => job.id,
      () => {
        electrics.value = null
        trial.value = NOTHING_TRIED
      },
    )
    watch(
      () => [job.design, trial.value],
      () => {
        if (!job.design) return
        pending.value = true
        if (electrics.value) order('CURVE')
        clearTimeout(settled)
        settled = setTimeout(() => order('ALL'), electrics.value ? SETTLED_MS : 0)
      },
      { immediate: true },
    )
    return () => clearTimeout(settled)
  }

  const power = computed(() => job.plan!.spec.power)
  const setPower = (change: Partial<Spec['power']>) =>
    job.change((p) => withSpec(p, { power: { ...p.spec.power, ...change } }))
  function toggle(id: string) {
    const open = trial.value.open.includes(id)
      ? trial.value.open.filter((o) => o !== id)
      : [...trial.value.open, id]
    trial.value = { ...trial.value, open }
  }
  const addLoad = (load: Trial['loads'][number]) =>
    (trial.value = { ...trial.value, loads: [...trial.value.loads, load] })
  const dropLoad = (i: number) =>
    (trial.value = { ...trial.value, loads: trial.value.loads.filter((_, k) => k !== i) })

  return { electrics, trial, failed, pending, power, setPower, toggle, addLoad, dropLoad, follow }
}
