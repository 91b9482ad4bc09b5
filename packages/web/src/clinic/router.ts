import { createRouter, createWebHistory, type Router } from 'vue-router'
import { browseLibraryRoutes } from '../features/browse-library'
import { followBoutsRoutes } from '../features/follow-bouts'
import { judgePhaseRoutes } from '../features/judge-phase'
import { measureMotionRoutes } from '../features/measure-motion'
import { prescribeProgramRoutes } from '../features/prescribe-program'
import { readAuditRoutes } from '../features/read-audit'
import { readProtocolsRoutes } from '../features/read-protocols'
import { seeCaseloadRoutes } from '../features/see-caseload'
import { signInRoutes } from '../features/sign-in'
import { referralStep, takeReferralRoutes } from '../features/take-referral'
import type { useSessionStore } from '../shared/sessionStore'
import CasePage from './CasePage.vue'

/** The clinic's addresses. Nobody who is not signed in sees more than the sign-in. */
export function clinicRouter(session: ReturnType<typeof useSessionStore>): Router {
  const router = createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/caseload' },
      ...signInRoutes,
      ...seeCaseloadRoutes,
      ...takeReferralRoutes,
      ...readAuditRoutes,
      ...browseLibraryRoutes,
      ...readProtocolsRoutes,
      {
        path: '/cases/:id',
        component: CasePage,
        children: [
          { path: '', redirect: (to) => ({ name: 'phase', params: to.params }) },
          ...referralStep,
          ...measureMotionRoutes,
          ...judgePhaseRoutes,
          ...prescribeProgramRoutes,
          ...followBoutsRoutes,
        ],
      },
      { path: '/:anything(.*)*', redirect: '/caseload' },
    ],
  })
  let isLoaded = false
  router.beforeEach(async (to) => {
    if (!isLoaded) {
      await session.load().catch(() => {})
      isLoaded = true
    }
    if (!session.user && to.name !== 'signIn')
      return { name: 'signIn', query: to.fullPath === '/caseload' ? {} : { next: to.fullPath } }
    if (session.user && to.name === 'signIn') return { name: 'caseload' }
    return true
  })
  router.afterEach((to) => {
    document.title = typeof to.meta['title'] === 'string' ? `${to.meta['title']} · Pledge` : 'Pledge'
  })
  return router
}
