import type { RouteRecordRaw } from 'vue-router'

export const browseLibraryRoutes: RouteRecordRaw[] = [
  {
    path: '/library/:exerciseId?',
    name: 'library',
    component: () => import('./LibraryPage.vue'),
    meta: { title: 'Library' },
  },
  {
    path: '/figure-sheet',
    name: 'figureSheet',
    component: () => import('./FigureSheetPage.vue'),
    meta: { title: 'Figure sheet' },
  },
]
