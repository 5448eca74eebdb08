import type PlanView from '@/features/plan/PlanView.vue'
import type RibbonUpright from '@/features/ribbon/RibbonUpright.vue'

declare module 'vue' {
  interface GlobalComponents {
    PlanView: typeof PlanView
    RibbonUpright: typeof RibbonUpright
  }
}
