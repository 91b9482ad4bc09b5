import type { RouteRecordRaw } from 'vue-router'

export const judgePhaseRoutes: RouteRecordRaw[] = [
  { path: 'phase', name: 'phase', component: () => import('./PhaseStep.vue'), meta: { title: 'Phase' } },
]
