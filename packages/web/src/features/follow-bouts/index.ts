import type { RouteRecordRaw } from 'vue-router'

export const followBoutsRoutes: RouteRecordRaw[] = [
  { path: 'home', name: 'home', component: () => import('./HomeStep.vue'), meta: { title: 'At home' } },
]
