import { defineStore } from 'pinia'
import { computed, ref, shallowRef, triggerRef } from 'vue'
import { ask, client, Trouble } from '@/api/client'
import type { Assessment, Catalogue, Design, Plan, PlanState, Reading, TestPoint } from '@/api/types'
import { announce } from '@/shared/announce'
import { useHistory } from '@/shared/history'
import { latestOnly } from '@/shared/latest'
import { newId } from '@/shared/uuid'
import type { ItemRef } from './planEdit'
import { useAutosave } from './useAutosave'

/** The open job: its plan, what the core makes of it, its readings, and the one cursor shared by all views. */
export const useJob = defineStore('job', () => {
  const id = ref('')
  const name = ref('')
  const clientName = ref('')
  const property = ref('')
  const plan = shallowRef<Plan | null>(null)
  const design = shallowRef<Design | null>(null)
  const assessment = shallowRef<Assessment | null>(null)
  const readings = shallowRef<Reading[]>([])
  const catalogue = shallowRef<Catalogue | null>(null)
  const failure = ref('')
  const problem = ref('')
  const lineId = ref('')
  const cursorM = ref<number | null>(null)
  const selected = ref<ItemRef | null>(null)
  const history = useHistory<Plan>()
  const autosave = useAutosave(id)
  /** The last plan the core could lay out after a whole change; a change it refuses goes back to this one. */
  let sound: Plan | null = null

  const units = computed(() => plan.value?.spec.units ?? 'FT_IN')
  const line = computed(
    () => design.value?.layout.lines.find((l) => l.lineId === lineId.value) ?? design.value?.layout.lines[0],
  )
  const testPoints = computed<TestPoint[]>(() => design.value?.layout.testPoints ?? [])

  const compute = latestOnly(
    (order: { plan: Plan; final: boolean }) =>
      ask(client.POST('/api/design', { body: { plan: order.plan, readings: readings.value } })),
    (answer, order) => {
      if (order.final) sound = order.plan
      design.value = answer.design
      assessment.value = answer.assessment
      problem.value = ''
      if (!answer.design.layout.lines.some((l) => l.lineId === lineId.value)) {
        lineId.value = answer.design.layout.lines[0]?.lineId ?? ''
        cursorM.value = null
      }
      if (order.final) autosave.offer(order.plan)
    },
    (e, order) => {
      const sentence = e instanceof Trouble ? e.message : 'The layout failed.'
      problem.value = sentence
      if (order.final && e instanceof Trouble && !e.away && sound && plan.value === order.plan) {
        plan.value = sound
        history.forget()
        compute({ plan: sound, final: false })
        announce(`${sentence} The plan was put back as it was before.`)
      } else if (order.final && e instanceof Trouble && e.away) {
        autosave.offer(order.plan)
      }
    },
  )

  async function load(jobId: string) {
    failure.value = ''
    id.value = jobId
    plan.value = null
    design.value = null
    assessment.value = null
    selected.value = null
    cursorM.value = null
    history.clear()
    try {
      const path = { params: { path: { id: jobId } } }
      const [state, jobs, taken, all] = await Promise.all([
        ask(client.GET('/api/jobs/{id}/plan', path)),
        ask(client.GET('/api/jobs')),
        ask(client.GET('/api/jobs/{id}/readings', path)),
        ask(client.GET('/api/catalogue')),
      ])
      const job = jobs.find((j) => j.id === jobId)
      name.value = job?.name ?? ''
      clientName.value = job?.client ?? ''
      property.value = job?.property ?? ''
      readings.value = taken
      catalogue.value = all
      adopt(state)
      const draft = autosave.takeDraft(state.plan)
      if (draft) {
        announce('Changes that had not reached the server were taken up again.')
        change(() => draft)
      }
    } catch (e) {
      failure.value =
        e instanceof Trouble && e.status === 404 ? 'This job is not here.' : 'This job could not be opened.'
    }
  }

  /** Takes a plan as the server holds it. */
  function adopt(state: PlanState) {
    autosave.start(state.saveNo)
    plan.value = state.plan
    sound = state.plan
    compute({ plan: state.plan, final: false })
  }

  /** Changes the plan in one step that can be undone. */
  function change(edit: (plan: Plan) => Plan) {
    if (!plan.value) return
    const before = plan.value
    const next = edit(before)
    if (next === before) return
    history.remember(before)
    plan.value = next
    compute({ plan: next, final: true })
  }

  /** Shows a plan while something is dragged; {@link drop} ends it. */
  function drag(next: Plan) {
    plan.value = next
    compute({ plan: next, final: false })
  }

  function drop(before: Plan) {
    if (!plan.value || plan.value === before) return
    history.remember(before)
    compute({ plan: plan.value, final: true })
  }

  function step(next: Plan | undefined) {
    if (!next) return
    plan.value = next
    selected.value = null
    compute({ plan: next, final: true })
  }

  async function addReadings(fresh: Reading[]) {
    const path = { params: { path: { id: id.value } }, body: fresh }
    readings.value = await ask(client.POST('/api/jobs/{id}/readings', path))
    triggerRef(plan)
    if (plan.value) compute({ plan: plan.value, final: false })
  }

  /** After a stale save: theirs, or mine on top. */
  async function settle(mine: boolean) {
    const kept = autosave.conflict.value?.keptRevision
    const path = { id: id.value }
    const state =
      mine && kept !== undefined
        ? await ask(
            client.POST('/api/jobs/{id}/revisions/{revision}/restore', {
              params: { path: { ...path, revision: kept } },
            }),
          )
        : await ask(client.GET('/api/jobs/{id}/plan', { params: { path } }))
    history.clear()
    adopt(state)
  }

  return {
    id,
    name,
    clientName,
    property,
    plan,
    design,
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
    saveState: autosave.state,
    savedAt: autosave.savedAt,
    conflict: autosave.conflict,
    saveNow: autosave.flush,
    canUndo: history.canUndo,
    canRedo: history.canRedo,
    load,
    change,
    drag,
    drop,
    addReadings,
    settle,
    newId,
    undo: () => step(plan.value ? history.undo(plan.value) : undefined),
    redo: () => step(plan.value ? history.redo(plan.value) : undefined),
  }
})
