import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { ask, client, RequestFailed } from '@/api/client'
import type { Catalogue, Land, LandState, Plan, PlanState } from '@/api/types'
import { announce } from '@/shared/announce'
import { useHistory } from '@/shared/history'
import { newId } from '@/shared/uuid'
import { useComputation } from './computation'
import { useCursor } from './cursor'
import { useKeptSteps } from './keptSteps'
import { useReadings } from './readings'
import { landOf, landRestored, planOf, planRestored } from './stored'
import { useSaves } from './useSaves'

/** What can be undone together: the plan of the job and the land it lies on. */
interface Held {
  plan: Plan
  land: Land
}

/** The documents of the open job: its plan and the land it lies on, changed in steps that can be undone, saved as they change. */
export const useDocument = defineStore('document', () => {
  const cursor = useCursor()
  const computation = useComputation()
  const taken = useReadings()
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
  const catalogue = shallowRef<Catalogue | null>(null)
  const failure = ref('')
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
  /** Whether something is being dragged. */
  let moving = false

  /** Has the core work out what is held; whatever it says concerns this very state. */
  function compute({ held: order, moving: light = false }: { held: Held; moving?: boolean }) {
    computation.run({
      ...order,
      readings: taken.stored,
      moving: light,
      answered: () => {
        const before = sound
        if (!isWanted(order)) return
        sound = order
        offer(order, before)
      },
      refused: (e, sentence) => {
        if (!isWanted(order) || !e) return
        if (e.away) {
          offer(order, sound)
        } else if (sound && same(held(), order)) {
          show(sound)
          history.forget()
          compute({ held: sound })
          announce(`${sentence} The plan was put back as it was before.`)
        }
      },
    })
  }

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

  /** How often a job was opened: what is answered about one before comes too late. */
  let openings = 0
  const goneOn = () => {
    const then = openings
    return () => then !== openings
  }

  async function load(jobId: string) {
    const before = { job: id.value, property: propertyId.value }
    const saved = saveNow()
    openings++
    const late = goneOn()
    failure.value = ''
    id.value = jobId
    plan.value = null
    land.value = null
    wanted.value = null
    sound = null
    computation.clear()
    cursor.leave()
    history.clear()
    try {
      // What is on its way of this very job is waited for.
      if (before.job === jobId) await saved
      const path = { params: { path: { id: jobId } } }
      const [state, head, all] = await Promise.all([
        planOf(jobId),
        ask(client.GET('/api/jobs/{id}', path)),
        ask(client.GET('/api/catalogue')),
        taken.load(jobId),
      ])
      if (late()) return
      name.value = head.name
      clientName.value = head.client
      property.value = head.property
      propertyId.value = head.propertyId
      if (before.property === head.propertyId) await saved
      const ground = await landOf(head.propertyId)
      if (late()) return
      catalogue.value = all
      adopt(state, ground)
      const planDraft = await planSave.takeDraft(state.plan)
      const landDraft = await landSave.takeDraft(ground.land)
      if (late()) return
      if (planDraft || landDraft) {
        announce('Changes that had not reached the server were taken up again.')
        changeBoth((now) => ({ plan: planDraft ?? now.plan, land: landDraft ?? now.land }))
      }
      const steps = await kept.taken({ plan: planDraft ?? state.plan, land: landDraft ?? ground.land })
      if (steps && !late()) history.restore(steps)
    } catch (e) {
      if (late()) return
      failure.value =
        e instanceof RequestFailed && e.status === 404
          ? 'This job is not here.'
          : 'This job could not be opened.'
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
    cursor.selected = null
    settleChange(next)
  }

  /** Holds the plan against the readings as they are now. */
  function reassess() {
    const now = held()
    if (now) compute({ held: now })
  }

  /** After a stale save: theirs, or mine on top. */
  async function settle(mine: boolean) {
    const planKept = planSave.conflict.value?.keptRevision
    const landKept = landSave.conflict.value?.keptRevision
    const late = goneOn()
    await Promise.all([planSave.flush(), landSave.flush()])
    if (late()) return
    const [state, lies] = await Promise.all([
      mine && planKept !== undefined ? planRestored(id.value, planKept) : planOf(id.value),
      mine && landKept !== undefined ? landRestored(propertyId.value, landKept) : landOf(propertyId.value),
    ])
    if (late()) return
    history.clear()
    adopt(state, lies)
  }

  /** Saves the plan as a revision of its own, with a name that keeps it for good. */
  async function saveNamed(next: Plan, label: string) {
    const late = goneOn()
    await planSave.flush()
    if (late()) return
    const before = held()
    if (!before) return
    const state = await ask(
      client.PUT('/api/jobs/{id}/plan', {
        params: { path: { id: id.value } },
        body: { baseSaveNo: planSave.saveNo(), stretch: newId(), plan: next, label },
      }),
    )
    if (late()) return
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
    const late = goneOn()
    await planSave.flush()
    if (late()) return
    const state = await planRestored(id.value, which)
    if (late()) return
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
    catalogue,
    failure,
    units,
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
    reassess,
    settle,
    undo: () => step(held() ? history.undo(held()!) : undefined),
    redo: () => step(held() ? history.redo(held()!) : undefined),
  }
})
