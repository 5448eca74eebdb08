import '@fontsource/atkinson-hyperlegible/400.css'
import '@fontsource/atkinson-hyperlegible/700.css'
import '@fontsource/barlow-condensed/latin-500.css'
import '@fontsource/barlow-condensed/latin-600.css'
import 'vuetify/styles'
import './style.css'
import { createPinia } from 'pinia'
import { createApp, defineAsyncComponent } from 'vue'
import App from './App.vue'
import { router } from './router'
import { vuetify } from './theme'

createApp(App)
  .use(createPinia())
  .use(router)
  .use(vuetify)
  // Parts that several features show and none of them knows.
  .component(
    'PlanView',
    defineAsyncComponent(() => import('@/features/plan/PlanView.vue')),
  )
  .component(
    'RibbonUpright',
    defineAsyncComponent(() => import('@/features/ribbon/RibbonUpright.vue')),
  )
  .mount('#app')
