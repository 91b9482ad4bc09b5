import type { RouteRecordRaw } from 'vue-router'

export const seeCaseloadRoutes: RouteRecordRaw[] = [
  {
    path: '/caseload',
    name: 'caseload',
    component: () => import('./CaseloadPage.vue'),
    meta: { title: 'Caseload' },
  },
]
