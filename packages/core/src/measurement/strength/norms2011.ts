import { published } from '../../anatomy/constant.js'
import type { Norms } from './norm.js'

/** Grip of about 2600 Australian adults by decade, right and left hand, mean and SD. From memory. */
export const NORMS_2011 = published<Norms>(
  {
    male: [
      { fromAge: 20, toAge: 29, right: [47, 9.5], left: [45, 8.8] },
      { fromAge: 30, toAge: 39, right: [47, 9.7], left: [47, 9.8] },
      { fromAge: 40, toAge: 49, right: [47, 9.5], left: [45, 9.3] },
      { fromAge: 50, toAge: 59, right: [45, 8.4], left: [43, 8.3] },
      { fromAge: 60, toAge: 69, right: [40, 8.3], left: [38, 8.0] },
      { fromAge: 70, toAge: null, right: [33, 7.8], left: [32, 7.5] },
    ],
    female: [
      { fromAge: 20, toAge: 29, right: [30, 7.0], left: [28, 6.1] },
      { fromAge: 30, toAge: 39, right: [31, 6.4], left: [29, 6.0] },
      { fromAge: 40, toAge: 49, right: [29, 5.7], left: [28, 5.7] },
      { fromAge: 50, toAge: 59, right: [28, 6.3], left: [26, 5.7] },
      { fromAge: 60, toAge: 69, right: [24, 5.3], left: [23, 5.0] },
      { fromAge: 70, toAge: null, right: [20, 5.8], left: [19, 5.5] },
    ],
  },
  'kgf',
  'MASSY-WESTROPP-2011',
  'medium',
)
