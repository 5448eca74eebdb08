import { createRouter, createWebHistory } from 'vue-router'
import YardPage from '@/features/yard/YardPage.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'yard', component: YardPage },
    { path: '/rules', name: 'rules', component: () => import('@/features/help/RulesPage.vue') },
    { path: '/prices', name: 'prices', component: () => import('@/features/prices/PricesPage.vue') },
    { path: '/upkeep', name: 'upkeep', component: () => import('@/features/upkeep/UpkeepPage.vue') },
    {
      path: '/practice',
      name: 'practice',
      component: () => import('@/features/practice/PracticePage.vue'),
    },
    { path: '/stock', name: 'stock', component: () => import('@/features/stock/StockPage.vue') },
    {
      path: '/certificates/:number(\\d+)',
      name: 'certificate',
      component: () => import('@/features/test/CertificateView.vue'),
      props: true,
    },
    { path: '/jobs/:id', redirect: (to) => ({ name: 'job', params: { id: to.params.id, stage: 'layout' } }) },
    {
      path: '/jobs/:id/:stage(survey|layout|electrics|takeoff|test|faults)',
      name: 'job',
      component: () => import('./JobPage.vue'),
      props: true,
    },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})
