import type { RouteRecordRaw } from 'vue-router'

export const takeReferralRoutes: RouteRecordRaw[] = [
  {
    path: '/referrals/new',
    name: 'newReferral',
    component: () => import('./NewReferralPage.vue'),
    meta: { title: 'New referral' },
  },
]
/** What the referral said, as a step of the case. */
export const referralStep: RouteRecordRaw[] = [
  {
    path: 'referral',
    name: 'referral',
    component: () => import('./ReferralStep.vue'),
    meta: { title: 'Referral' },
  },
]
