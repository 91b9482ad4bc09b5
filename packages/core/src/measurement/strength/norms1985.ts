import { published } from '../../anatomy/constant.js'
import type { Norms } from './norm.js'

const table = (norms: Norms, confidence: 'medium' | 'low' = 'medium') =>
  published(norms, 'lbf', 'MATHIOWETZ-1985', confidence)

/**
 * Grip and pinch of 310 men and 328 women, right and left hand, mean and SD by age. All from memory: means of grip are
 * surer than their spread; palmar pinch from 55 on was partly put together and is a table of its own.
 */
export const NORMS_1985 = {
  grip: table({
    male: [
      { fromAge: 20, toAge: 24, right: [121.0, 20.6], left: [104.5, 21.8] },
      { fromAge: 25, toAge: 29, right: [120.8, 23.0], left: [110.5, 16.2] },
      { fromAge: 30, toAge: 34, right: [121.8, 22.4], left: [110.4, 21.7] },
      { fromAge: 35, toAge: 39, right: [119.7, 24.0], left: [112.9, 21.7] },
      { fromAge: 40, toAge: 44, right: [116.8, 20.7], left: [112.8, 18.7] },
      { fromAge: 45, toAge: 49, right: [109.9, 23.0], left: [100.8, 22.8] },
      { fromAge: 50, toAge: 54, right: [113.6, 18.1], left: [101.9, 17.0] },
      { fromAge: 55, toAge: 59, right: [101.1, 26.7], left: [83.2, 23.4] },
      { fromAge: 60, toAge: 64, right: [89.7, 20.4], left: [76.8, 20.3] },
      { fromAge: 65, toAge: 69, right: [91.1, 20.6], left: [76.8, 19.8] },
      { fromAge: 70, toAge: 74, right: [75.3, 21.5], left: [64.8, 18.1] },
      { fromAge: 75, toAge: null, right: [65.7, 21.0], left: [55.0, 17.0] },
    ],
    female: [
      { fromAge: 20, toAge: 24, right: [70.4, 14.5], left: [61.0, 13.1] },
      { fromAge: 25, toAge: 29, right: [74.5, 13.9], left: [63.5, 12.2] },
      { fromAge: 30, toAge: 34, right: [78.7, 19.2], left: [68.0, 17.7] },
      { fromAge: 35, toAge: 39, right: [74.1, 10.8], left: [66.3, 11.7] },
      { fromAge: 40, toAge: 44, right: [70.4, 13.5], left: [62.3, 13.8] },
      { fromAge: 45, toAge: 49, right: [62.2, 15.1], left: [56.0, 12.7] },
      { fromAge: 50, toAge: 54, right: [65.8, 11.6], left: [57.3, 10.7] },
      { fromAge: 55, toAge: 59, right: [57.3, 12.5], left: [47.3, 11.9] },
      { fromAge: 60, toAge: 64, right: [55.1, 10.1], left: [45.7, 10.1] },
      { fromAge: 65, toAge: 69, right: [49.6, 9.7], left: [41.0, 8.2] },
      { fromAge: 70, toAge: 74, right: [49.6, 11.7], left: [41.5, 10.2] },
      { fromAge: 75, toAge: null, right: [42.6, 11.0], left: [37.6, 8.9] },
    ],
  }),
  tip: table({
    male: [
      { fromAge: 20, toAge: 24, right: [18.0, 3.0], left: [17.0, 2.3] },
      { fromAge: 25, toAge: 29, right: [18.3, 4.4], left: [17.5, 5.2] },
      { fromAge: 30, toAge: 34, right: [17.6, 6.7], left: [17.6, 4.8] },
      { fromAge: 35, toAge: 39, right: [18.0, 3.6], left: [17.7, 3.8] },
      { fromAge: 40, toAge: 44, right: [17.8, 4.0], left: [17.7, 3.5] },
      { fromAge: 45, toAge: 49, right: [18.7, 4.9], left: [17.6, 4.1] },
      { fromAge: 50, toAge: 54, right: [18.3, 4.0], left: [17.8, 3.9] },
      { fromAge: 55, toAge: 59, right: [16.6, 3.3], left: [15.0, 3.7] },
      { fromAge: 60, toAge: 64, right: [15.8, 3.9], left: [15.3, 3.7] },
      { fromAge: 65, toAge: 69, right: [17.0, 4.2], left: [15.4, 2.9] },
      { fromAge: 70, toAge: 74, right: [13.8, 2.6], left: [13.3, 2.6] },
      { fromAge: 75, toAge: null, right: [14.0, 3.4], left: [13.9, 3.7] },
    ],
    female: [
      { fromAge: 20, toAge: 24, right: [11.1, 2.1], left: [10.5, 1.7] },
      { fromAge: 25, toAge: 29, right: [11.9, 1.8], left: [11.3, 1.8] },
      { fromAge: 30, toAge: 34, right: [12.6, 3.0], left: [11.7, 2.8] },
      { fromAge: 35, toAge: 39, right: [11.6, 2.5], left: [11.9, 2.4] },
      { fromAge: 40, toAge: 44, right: [11.5, 2.7], left: [11.1, 3.0] },
      { fromAge: 45, toAge: 49, right: [13.2, 3.0], left: [12.1, 2.7] },
      { fromAge: 50, toAge: 54, right: [12.5, 2.2], left: [11.4, 2.4] },
      { fromAge: 55, toAge: 59, right: [11.7, 1.7], left: [10.4, 1.4] },
      { fromAge: 60, toAge: 64, right: [10.1, 2.1], left: [9.9, 2.0] },
      { fromAge: 65, toAge: 69, right: [10.6, 2.0], left: [10.5, 2.4] },
      { fromAge: 70, toAge: 74, right: [10.1, 2.6], left: [9.8, 2.4] },
      { fromAge: 75, toAge: null, right: [9.6, 2.8], left: [9.3, 2.4] },
    ],
  }),
  key: table({
    male: [
      { fromAge: 20, toAge: 24, right: [26.0, 3.5], left: [24.8, 3.4] },
      { fromAge: 25, toAge: 29, right: [26.7, 4.9], left: [25.0, 4.4] },
      { fromAge: 30, toAge: 34, right: [26.4, 4.8], left: [26.2, 5.1] },
      { fromAge: 35, toAge: 39, right: [26.1, 3.2], left: [25.6, 3.9] },
      { fromAge: 40, toAge: 44, right: [25.6, 2.6], left: [25.1, 4.0] },
      { fromAge: 45, toAge: 49, right: [25.8, 3.9], left: [24.8, 4.4] },
      { fromAge: 50, toAge: 54, right: [26.7, 4.4], left: [26.1, 4.2] },
      { fromAge: 55, toAge: 59, right: [24.2, 4.2], left: [23.0, 4.7] },
      { fromAge: 60, toAge: 64, right: [23.2, 5.4], left: [22.2, 4.1] },
      { fromAge: 65, toAge: 69, right: [23.4, 3.9], left: [22.0, 3.6] },
      { fromAge: 70, toAge: 74, right: [19.3, 2.4], left: [19.2, 3.0] },
      { fromAge: 75, toAge: null, right: [20.5, 4.6], left: [19.1, 3.0] },
    ],
    female: [
      { fromAge: 20, toAge: 24, right: [17.6, 2.0], left: [16.2, 2.1] },
      { fromAge: 25, toAge: 29, right: [17.7, 2.1], left: [16.6, 2.1] },
      { fromAge: 30, toAge: 34, right: [18.7, 3.0], left: [17.8, 3.6] },
      { fromAge: 35, toAge: 39, right: [16.6, 2.0], left: [16.0, 2.7] },
      { fromAge: 40, toAge: 44, right: [16.7, 3.1], left: [15.8, 3.1] },
      { fromAge: 45, toAge: 49, right: [17.6, 3.2], left: [16.6, 2.9] },
      { fromAge: 50, toAge: 54, right: [16.7, 2.5], left: [16.1, 2.7] },
      { fromAge: 55, toAge: 59, right: [15.7, 2.5], left: [14.7, 2.2] },
      { fromAge: 60, toAge: 64, right: [15.5, 2.7], left: [14.1, 2.5] },
      { fromAge: 65, toAge: 69, right: [15.0, 2.6], left: [14.3, 2.8] },
      { fromAge: 70, toAge: 74, right: [14.5, 2.9], left: [13.8, 3.0] },
      { fromAge: 75, toAge: null, right: [12.6, 2.3], left: [11.4, 2.6] },
    ],
  }),
  palmar: table({
    male: [
      { fromAge: 20, toAge: 24, right: [26.6, 5.3], left: [25.7, 5.8] },
      { fromAge: 25, toAge: 29, right: [26.0, 4.3], left: [25.1, 4.2] },
      { fromAge: 30, toAge: 34, right: [24.7, 4.7], left: [25.4, 5.7] },
      { fromAge: 35, toAge: 39, right: [26.2, 4.1], left: [25.9, 5.4] },
      { fromAge: 40, toAge: 44, right: [24.5, 4.3], left: [24.8, 4.9] },
      { fromAge: 45, toAge: 49, right: [24.0, 3.3], left: [23.7, 3.8] },
      { fromAge: 50, toAge: 54, right: [23.8, 5.4], left: [24.0, 5.8] },
    ],
    female: [
      { fromAge: 20, toAge: 24, right: [17.2, 2.3], left: [16.3, 2.8] },
      { fromAge: 25, toAge: 29, right: [17.7, 3.2], left: [17.0, 3.0] },
      { fromAge: 30, toAge: 34, right: [19.3, 5.0], left: [18.1, 4.8] },
      { fromAge: 35, toAge: 39, right: [17.5, 4.2], left: [17.1, 3.4] },
      { fromAge: 40, toAge: 44, right: [17.0, 3.1], left: [16.6, 3.5] },
      { fromAge: 45, toAge: 49, right: [17.9, 3.0], left: [17.5, 2.8] },
      { fromAge: 50, toAge: 54, right: [17.3, 3.1], left: [16.6, 2.9] },
    ],
  }),
  palmarFrom55: table(
    {
      male: [
        { fromAge: 55, toAge: 59, right: [23.7, 4.8], left: [21.3, 4.5] },
        { fromAge: 60, toAge: 64, right: [21.8, 3.3], left: [21.2, 3.2] },
        { fromAge: 65, toAge: 69, right: [21.4, 3.0], left: [21.2, 4.1] },
        { fromAge: 70, toAge: 74, right: [18.1, 3.4], left: [18.8, 3.3] },
        { fromAge: 75, toAge: null, right: [18.7, 4.2], left: [18.3, 3.8] },
      ],
      female: [
        { fromAge: 55, toAge: 59, right: [16.0, 3.1], left: [15.4, 3.0] },
        { fromAge: 60, toAge: 64, right: [14.8, 3.1], left: [14.0, 3.1] },
        { fromAge: 65, toAge: 69, right: [14.2, 3.1], left: [13.7, 3.1] },
        { fromAge: 70, toAge: 74, right: [14.4, 2.6], left: [14.0, 1.9] },
        { fromAge: 75, toAge: null, right: [12.0, 2.6], left: [11.5, 2.6] },
      ],
    },
    'low',
  ),
} as const
