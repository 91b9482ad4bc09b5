import type { RouteRecordRaw } from 'vue-router'

export const signInRoutes: RouteRecordRaw[] = [
  {
    path: '/sign-in',
    name: 'signIn',
    component: () => import('./SignInPage.vue'),
    meta: { title: 'Sign in' },
  },
]
