import type { RouteRecordRaw } from 'vue-router'

export const measureMotionRoutes: RouteRecordRaw[] = [
  {
    path: 'evaluate',
    name: 'evaluate',
    component: () => import('./EvaluateStep.vue'),
    meta: { title: 'Evaluate' },
  },
]
