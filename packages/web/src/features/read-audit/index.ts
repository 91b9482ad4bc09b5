import type { RouteRecordRaw } from 'vue-router'

export const readAuditRoutes: RouteRecordRaw[] = [
  {
    path: '/audit',
    name: 'audit',
    component: () => import('./AuditPage.vue'),
    meta: { title: 'Who did what' },
  },
]
