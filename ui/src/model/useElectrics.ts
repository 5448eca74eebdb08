import { defineStore, storeToRefs } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type {
  Circumstances,
  Electrics,
  ElectricsPart,
  Land,
  Plan,
  EnergizerRating,
  Supply,
  Trial,
} from '@/api/types'
import { useJob } from './jobStore'
import { withCircumstances, withSupply } from './planEdit'
import { latestOnly } from '@/shared/latest'
import { useElectricsSheets, type ElectricsSheetId } from './useElectricsSheets'

const SETTLED_MS = 350
const NOTHING_TRIED: Trial = { open: [], loads: [] }

interface Order {
  jobId: string
  plan: Plan
  land: Land
  trial: Trial
  /** What is asked besides the likely curve. */
  parts: ElectricsPart[]
  /** The energizer that was recommended before, while it is held to. */
  held: EnergizerRating | null
}

/** What each sheet shows besides the likely curve. */
const shownOn: Record<ElectricsSheetId, ElectricsPart[]> = {
  energizer: ['RANGE', 'ENERGIZERS'],
  pulse: ['RANGE', 'CURRENTS', 'RESERVE'],
  earth: ['RANGE', 'EARTH'],
  supply: ['RANGE', 'SUPPLY'],
  whatif: ['RANGE', 'WHAT_IFS'],
}
/** What is known of the pulse of the open job. */
const useElectricsStore = defineStore('electrics', () => {
  const job = useJob()
  const { sheet } = useElectricsSheets()
  const electrics = shallowRef<Electrics | null>(null)
  const trial = shallowRef<Trial>(NOTHING_TRIED)
  const failed = ref('')
  /** Whether comparisons are being worked out after the curve. */
  const pending = ref(false)
  /** Job the answer belongs to. */
  const ofJob = ref('')
  /** Whether the stage of the electrics is open. */
  const staged = ref(false)
  /** Parts that were answered for the plan as it is. */
  const answered = shallowRef<ElectricsPart[]>([])

  function take(now: Electrics | null, order: Pick<Order, 'jobId' | 'parts' | 'held'>) {
    failed.value = ''
    const before = electrics.value
    if (now && before && ofJob.value === order.jobId) {
      // What was not asked this time is kept until it is asked again.
      electrics.value = {
        ...now,
        reserve: now.reserve ?? before.reserve,
        energizers: now.energizers ?? before.energizers,
        earth: now.earth ?? before.earth,
        supply: now.supply ?? before.supply,
        whatIfs: now.whatIfs ?? before.whatIfs,
        assumed: order.parts.includes('RANGE') ? now.assumed : before.assumed,
        chosen: order.held ? before.chosen : now.chosen,
      }
    } else {
      electrics.value = now
    }
    ofJob.value = order.jobId
  }

  const compute = latestOnly(
    ({ plan, land, trial, parts, held }: Order) =>
      ask(client.POST('/api/electrics', { body: { plan, land, trial, parts, held } })),
    (answer, order) => {
      if (order.jobId !== job.id) return
      take(answer.electrics, order)
      if (order.held || order.plan !== job.plan || order.land !== job.land || order.trial !== trial.value)
        return
      answered.value = [...new Set([...answered.value, ...order.parts])]
      if (shownOn[sheet.value].every((p) => answered.value.includes(p))) pending.value = false
    },
    (e, order) => {
      if (order.jobId !== job.id) return
      pending.value = false
      failed.value = e instanceof RequestFailed ? e.message : 'The pulse could not be calculated.'
    },
  )

  return { electrics, trial, failed, pending, ofJob, staged, answered, take, compute }
})

/** The pulse on the open job's plan, and what is tried out on it. */
export function useElectrics() {
  const job = useJob()
  const store = useElectricsStore()
  const { electrics, trial, failed, pending, ofJob, staged, answered } = storeToRefs(store)
  const { take, compute } = store
  const { sheet } = useElectricsSheets()
  let settled: ReturnType<typeof setTimeout> | undefined

  /** While something moves, the energizer that was recommended is held to. */
  function recommended(): EnergizerRating | null {
    const known = ofJob.value === job.id ? electrics.value?.energizer : undefined
    return job.plan?.spec.supply.energizer ? null : (known ?? null)
  }

  function order(parts: ElectricsPart[], tried: Trial, moving: boolean) {
    if (!job.plan || !job.land) return
    const held = moving ? recommended() : null
    compute({ jobId: job.id, plan: job.plan, land: job.land, trial: tried, parts, held })
  }

  const askForSheet = () => order(shownOn[sheet.value], trial.value, false)

  /** What is known of another job is forgotten, now and when one is opened. */
  const forgetOtherJobs = () =>
    watch(
      () => job.id,
      (id) => {
        if (id === ofJob.value) return
        ofJob.value = id
        answered.value = []
        electrics.value = null
        trial.value = NOTHING_TRIED
      },
      { immediate: true },
    )

  /**
   * Keeps the answer up to date while the stage is open: the curve at once, with the layout while something is dragged, what the open
   * sheet shows when nothing moves, and what another shows when it is opened.
   */
  function follow() {
    staged.value = true
    forgetOtherJobs()
    const leave = job.goAlongside(() => {
      if (!electrics.value) return null
      const jobId = job.id
      const held = recommended()
      return {
        pulse: { trial: trial.value, held },
        onAnswer: (now) => jobId === job.id && take(now, { jobId, parts: [], held }),
      }
    })
    watch(
      () => [job.plan, job.land, trial.value],
      () => {
        if (!job.plan) return
        pending.value = true
        answered.value = []
        if (electrics.value && !job.moving()) order([], trial.value, true)
        clearTimeout(settled)
        settled = setTimeout(askForSheet, electrics.value ? SETTLED_MS : 0)
      },
      { immediate: true },
    )
    watch(sheet, () => {
      if (shownOn[sheet.value].every((p) => answered.value.includes(p))) return
      // What the sheet before asked for may be under way or about to be asked: the newest is what counts.
      pending.value = true
      clearTimeout(settled)
      askForSheet()
    })
    return () => {
      staged.value = false
      leave()
      clearTimeout(settled)
      // What is only tried out stays on this stage.
      if (trial.value.open.length > 0 || trial.value.loads.length > 0) order(['RANGE'], NOTHING_TRIED, false)
    }
  }

  /** Keeps the curve and its range up to date while another stage is open, as soon as nothing moves, with nothing tried out. */
  function followLightly() {
    forgetOtherJobs()
    watch(
      () => [job.plan, job.land],
      () => {
        if (!job.plan || staged.value) return
        clearTimeout(settled)
        settled = setTimeout(() => {
          if (!staged.value) order(['RANGE'], NOTHING_TRIED, false)
        }, SETTLED_MS)
      },
      { immediate: true },
    )
    return () => clearTimeout(settled)
  }

  /** Whether the fence has moved on since: on another stage the curve waits until nothing moves. */
  const behind = computed(() => job.rough && !staged.value)
  const supply = computed(() => job.plan!.spec.supply)
  const setSupply = (change: Partial<Supply>) => job.change((p) => withSupply(p, change))
  const circumstances = computed(() => job.plan!.circumstances)
  const setCircumstances = (change: Partial<Circumstances>) => job.change((p) => withCircumstances(p, change))
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

  return {
    electrics,
    trial,
    failed,
    pending,
    behind,
    supply,
    setSupply,
    circumstances,
    setCircumstances,
    toggle,
    addLoad,
    dropLoad,
    follow,
    followLightly,
  }
}
