import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { RequestFailed } from '@/api/client'
import type { Assessment, Design, Estimate, Land, Observation, Plan, TestPoint } from '@/api/types'
import { latestOnly } from '@/shared/latest'
import { useCursor } from './cursor'
import { tellingOf } from './telling'
import { useTerms } from './terms'
import { askDesign, askMoving, type AlongsideRequest } from './movingDesign'

/** What is to be worked out, and whom it concerns. */
export interface Order {
  plan: Plan
  land: Land
  readings: Observation[]
  /** While something is dragged; the answer is a light one. */
  moving: boolean
  answered: () => void
  refused: (e: RequestFailed | null, sentence: string) => void
}

/** What the core makes of the plan, as of the last answer. */
export const useComputation = defineStore('computation', () => {
  const cursor = useCursor()
  const design = shallowRef<Design | null>(null)
  /** Whether the design is a light one, of something that moves: places are right, loads of single posts and braces are not. */
  const rough = ref(false)
  const assessment = shallowRef<Assessment | null>(null)
  /** What it would be offered for, before tax; null while the price book is empty. */
  const price = shallowRef<Estimate | null>(null)
  const problem = ref('')
  const line = computed(
    () => design.value?.layout.lines.find((l) => l.lineId === cursor.lineId) ?? design.value?.layout.lines[0],
  )
  /** It is known that no line is laid out; not so while the design is under way. */
  const nothingLaidOut = computed(() => design.value !== null && design.value.layout.lines.length === 0)
  const testPoints = computed<TestPoint[]>(() => design.value?.layout.testPoints ?? [])
  /** What goes along with the design while something moves. */
  let alongside: (() => AlongsideRequest | null) | null = null

  const run = latestOnly(
    async ({ plan, land, readings, moving }: Order) => {
      const body = { plan, land, readings: tellingOf(plan, readings), terms: useTerms().terms }
      if (!moving) return { ...(await askDesign(body)), tell: null }
      const beside = alongside?.() ?? null
      const answer = await askMoving(body, beside?.pulse ?? null)
      return { ...answer, tell: () => beside?.onAnswer(answer.electrics) }
    },
    (answer, order) => {
      answer.tell?.()
      design.value = answer.design
      rough.value = order.moving
      assessment.value = answer.assessment
      price.value = answer.price
      problem.value = ''
      if (!answer.design.layout.lines.some((l) => l.lineId === cursor.lineId)) {
        cursor.lineId = answer.design.layout.lines[0]?.lineId ?? ''
        cursor.cursorM = null
      }
      order.answered()
    },
    (e, order) => {
      problem.value = e instanceof RequestFailed ? e.message : 'The layout failed.'
      order.refused(e instanceof RequestFailed ? e : null, problem.value)
    },
  )

  function clear() {
    run.forget()
    design.value = null
    assessment.value = null
    price.value = null
  }

  function goAlongside(view: () => AlongsideRequest | null) {
    alongside = view
    return () => {
      if (alongside === view) alongside = null
    }
  }

  return {
    design,
    rough,
    assessment,
    price,
    problem,
    line,
    nothingLaidOut,
    testPoints,
    run,
    clear,
    goAlongside,
  }
})
