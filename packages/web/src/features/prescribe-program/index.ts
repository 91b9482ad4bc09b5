import type { RouteRecordRaw } from 'vue-router'

export const prescribeProgramRoutes: RouteRecordRaw[] = [
  {
    path: 'program',
    name: 'program',
    component: () => import('./ProgramStep.vue'),
    meta: { title: 'Program' },
  },
]
