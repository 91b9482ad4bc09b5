import type { RouteRecordRaw } from 'vue-router'

export const readProtocolsRoutes: RouteRecordRaw[] = [
  {
    path: '/protocols/:protocolId?',
    name: 'protocols',
    component: () => import('./ProtocolsPage.vue'),
    meta: { title: 'Protocols' },
  },
  {
    path: '/house',
    name: 'house',
    component: () => import('./HousePage.vue'),
    meta: { title: 'What this clinic does otherwise' },
  },
]
