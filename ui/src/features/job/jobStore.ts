import { defineStore } from 'pinia'
import { computed, ref, shallowRef, triggerRef } from 'vue'
import { ask, client, Trouble } from '@/api/client'
import type {
  Assessment,
  Catalogue,
  Design,
  Land,
  LandState,
  Plan,
  PlanState,
  Observation,
  TestPoint,
} from '@/api/types'
import { announce } from '@/shared/announce'
import { useHistory } from '@/shared/history'
import { latestOnly } from '@/shared/latest'
import { newId } from '@/shared/uuid'
import { useKeptSteps } from './keptSteps'
import { askDesign, askMoving, type Wish } from './movingDesign'
import type { ItemRef } from './planEdit'
import { landOf, landRestored, planOf, planRestored } from './stored'
import { useSaves } from './useSaves'

/** What can be undone together: the plan of the job and the land it lies on. */
interface Held {
  plan: Plan
  land: Land
}

/** The open job: its plan, what the core makes of it, its readings, and the one cursor shared by all views. */
export const useJob = defineStore('job', () => {
  const id = ref('')
  const name = ref('')
  const clientName = ref('')
  const property = ref('')
  const propertyId = ref('')
  const propertyJobs = ref(1)
  const plan = shallowRef<Plan | null>(null)
  const land = shallowRef<Land | null>(null)
  const revision = ref(0)
  /** Revision of the rulebook the plan was last saved under. */
  const rulebook = ref(0)
  const design = shallowRef<Design | null>(null)
  /** Whether the design is a light one, of something that moves: places are right, loads of single posts and braces are not. */
  const rough = ref(false)
  const assessment = shallowRef<Assessment | null>(null)
  const readings = shallowRef<Observation[]>([])
  const catalogue = shallowRef<Catalogue | null>(null)
  const failure = ref('')
  const problem = ref('')
  const lineId = ref('')
  const cursorM = ref<number | null>(null)
  const selected = ref<ItemRef | null>(null)
  const history = useHistory<Held>(200, () => kept.keep())
  const kept = useKeptSteps<Held>(
    () => `buckle.steps.${id.value}`,
    () => (held() ? { now: held()!, ...history.steps() } : null),
  )
  const { planSave, landSave, both } = useSaves({ id, propertyId, catalogue, revision })
  /** A whole change the core has not answered yet. Whatever else is asked meanwhile, it is not forgotten. */
  const wanted = shallowRef<Held | null>(null)
  /** What the core could lay out after a whole change; a change it refuses goes back to this. */
  let sound: Held | null = null

  const held = (): Held | null => (plan.value && land.value ? { plan: plan.value, land: land.value } : null)
  const units = computed(() => plan.value?.spec.preferences.units ?? 'FT_IN')
  const line = computed(
    () => design.value?.layout.lines.find((l) => l.lineId === lineId.value) ?? design.value?.layout.lines[0],
  )
  const testPoints = computed<TestPoint[]>(() => design.value?.layout.testPoints ?? [])

  /** What goes along with the design while something moves. */
  let alongside: (() => Wish | null) | null = null
  /** Whether something is being dragged. */
  let moving = false

  const compute = latestOnly(
    async (order: { held: Held; moving?: boolean }) => {
      const body = { ...order.held, readings: readings.value }
      if (!order.moving) return { ...(await askDesign(body)), tell: null }
      const wish = alongside?.() ?? null
      const answer = await askMoving(body, wish?.pulse ?? null)
      return { ...answer, tell: () => wish?.took(answer.electrics) }
    },
    (answer, order) => {
      const before = sound
      answer.tell?.()
      const whole = isWanted(order.held)
      if (whole) sound = order.held
      design.value = answer.design
      rough.value = !!order.moving
      assessment.value = answer.assessment
      problem.value = ''
      if (!answer.design.layout.lines.some((l) => l.lineId === lineId.value)) {
        lineId.value = answer.design.layout.lines[0]?.lineId ?? ''
        cursorM.value = null
      }
      if (whole) offer(order.held, before)
    },
    (e, order) => {
      const sentence = e instanceof Trouble ? e.message : 'The layout failed.'
      problem.value = sentence
      const whole = isWanted(order.held)
      if (whole && e instanceof Trouble && !e.away && sound && same(held(), order.held)) {
        show(sound)
        history.forget()
        compute({ held: sound })
        announce(`${sentence} The plan was put back as it was before.`)
      } else if (whole && e instanceof Trouble && e.away) {
        offer(order.held, sound)
      }
    },
  )

  /** Whether the core now answers the last whole change; from here on it is saved, or put back. */
  function isWanted(answered: Held): boolean {
    const is = wanted.value !== null && same(wanted.value, answered)
    if (is) wanted.value = null
    return is
  }

  /** Has a whole change worked out, and saved when the core can lay it out. */
  function settleChange(next: Held) {
    moving = false
    wanted.value = next
    compute({ held: next })
  }

  const same = (a: Held | null, b: Held) => a?.plan === b.plan && a.land === b.land

  function show(next: Held) {
    plan.value = next.plan
    land.value = next.land
  }

  /** Saves what differs from the last sound state; both when there is none to compare with. */
  function offer(next: Held, before: Held | null) {
    if (next.plan !== before?.plan) planSave.offer(next.plan)
    if (next.land !== before?.land) landSave.offer(next.land)
  }

  async function load(jobId: string) {
    failure.value = ''
    id.value = jobId
    plan.value = null
    land.value = null
    design.value = null
    assessment.value = null
    selected.value = null
    cursorM.value = null
    history.clear()
    try {
      const path = { params: { path: { id: jobId } } }
      const [state, jobs, taken, all] = await Promise.all([
        planOf(jobId),
        ask(client.GET('/api/jobs')),
        ask(client.GET('/api/jobs/{id}/readings', path)),
        ask(client.GET('/api/catalogue')),
      ])
      const job = jobs.find((j) => j.id === jobId)
      name.value = job?.name ?? ''
      clientName.value = job?.client ?? ''
      property.value = job?.property ?? ''
      propertyId.value = job?.propertyId ?? ''
      const ground = await landOf(propertyId.value)
      readings.value = taken
      catalogue.value = all
      adopt(state, ground)
      const planDraft = await planSave.takeDraft(state.plan)
      const landDraft = await landSave.takeDraft(ground.land)
      if (planDraft || landDraft) {
        announce('Changes that had not reached the server were taken up again.')
        changeBoth((now) => ({ plan: planDraft ?? now.plan, land: landDraft ?? now.land }))
      }
      const steps = await kept.taken({ plan: planDraft ?? state.plan, land: landDraft ?? ground.land })
      if (steps && id.value === jobId) history.restore(steps)
    } catch (e) {
      failure.value =
        e instanceof Trouble && e.status === 404 ? 'This job is not here.' : 'This job could not be opened.'
    }
  }

  /** Takes plan and land as the server holds them. */
  function adopt(state: PlanState, ground: LandState) {
    moving = false
    planSave.start(state.saveNo)
    landSave.start(ground.saveNo)
    revision.value = state.revision
    rulebook.value = state.rulebook
    propertyJobs.value = ground.jobs
    wanted.value = null
    sound = { plan: state.plan, land: ground.land }
    show(sound)
    compute({ held: sound })
  }

  /** Changes plan and land in one step that can be undone. */
  function changeBoth(edit: (now: Held) => Held) {
    const before = held()
    if (!before) return
    const next = edit(before)
    if (same(before, next)) return
    show(next)
    history.remember(before)
    settleChange(next)
  }

  const change = (edit: (plan: Plan) => Plan) => changeBoth((now) => ({ ...now, plan: edit(now.plan) }))
  const changeLand = (edit: (land: Land) => Land) => changeBoth((now) => ({ ...now, land: edit(now.land) }))

  /** Shows a plan while something is dragged; {@link drop} ends it. */
  function drag(next: Plan) {
    plan.value = next
    look()
  }

  /** What the core makes of things as they stand while they move, without saving. */
  function look() {
    moving = true
    const now = held()
    if (now) compute({ held: now, moving: true })
  }

  function dragLand(next: Land) {
    land.value = next
    look()
  }

  function drop(before: Held) {
    moving = false
    const now = held()
    if (!now || same(before, now)) return
    history.remember(before)
    settleChange(now)
  }

  function step(next: Held | undefined) {
    if (!next) return
    show(next)
    selected.value = null
    settleChange(next)
  }

  async function addReadings(fresh: Observation[]) {
    const path = { params: { path: { id: id.value } }, body: fresh }
    readings.value = await ask(client.POST('/api/jobs/{id}/readings', path))
    triggerRef(plan)
    const now = held()
    if (now) compute({ held: now })
  }

  /** After a stale save: theirs, or mine on top. */
  async function settle(mine: boolean) {
    const planKept = planSave.conflict.value?.keptRevision
    const landKept = landSave.conflict.value?.keptRevision
    await Promise.all([planSave.flush(), landSave.flush()])
    const [state, lies] = await Promise.all([
      mine && planKept !== undefined ? planRestored(id.value, planKept) : planOf(id.value),
      mine && landKept !== undefined ? landRestored(propertyId.value, landKept) : landOf(propertyId.value),
    ])
    history.clear()
    adopt(state, lies)
  }

  /** Saves the plan as a revision of its own, with a name that keeps it for good. */
  async function saveNamed(next: Plan, label: string) {
    await planSave.flush()
    const before = held()
    if (!before) return
    const state = await ask(
      client.PUT('/api/jobs/{id}/plan', {
        params: { path: { id: id.value } },
        body: { baseSaveNo: planSave.saveNo(), stretch: newId(), plan: next, label },
      }),
    )
    if (next !== before.plan) history.remember(before)
    planSave.start(state.saveNo)
    revision.value = state.revision
    wanted.value = null
    sound = { plan: next, land: before.land }
    show(sound)
    compute({ held: sound })
    kept.keep()
  }

  /** Opens another revision of the plan as the current one. */
  async function restore(which: number) {
    await planSave.flush()
    const state = await planRestored(id.value, which)
    const before = held()
    if (before) history.remember(before)
    planSave.start(state.saveNo)
    revision.value = state.revision
    if (land.value) {
      wanted.value = null
      sound = { plan: state.plan, land: land.value }
      show(sound)
      compute({ held: sound })
      kept.keep()
    }
  }

  async function saveNow() {
    void kept.write()
    if (wanted.value) offer(wanted.value, sound)
    await Promise.all([planSave.flush(), landSave.flush()])
  }

  return {
    id,
    name,
    clientName,
    property,
    propertyId,
    propertyJobs,
    revision,
    rulebook,
    plan,
    land,
    design,
    rough,
    assessment,
    readings,
    catalogue,
    failure,
    problem,
    lineId,
    cursorM,
    selected,
    units,
    line,
    testPoints,
    saveState: computed(() => (both.state.value === 'saved' && wanted.value ? 'waiting' : both.state.value)),
    savedAt: both.savedAt,
    conflict: both.conflict,
    saveNow,
    saveNamed,
    restore,
    held,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    load,
    change,
    changeLand,
    changeBoth,
    drag,
    dragLand,
    drop,
    moving: () => moving,
    goAlongside: (view: () => Wish | null) => {
      alongside = view
      return () => {
        if (alongside === view) alongside = null
      }
    },
    addReadings,
    settle,
    newId,
    undo: () => step(held() ? history.undo(held()!) : undefined),
    redo: () => step(held() ? history.redo(held()!) : undefined),
  }
})
