import type { Bone, BoneFrame, Digit, Triple } from './bones.js'

// Made by `npm run bake:hand` from asset/hand-left.glb; a test compares. Do not edit.

/** The bones as the hand was modelled: a left hand, near its anatomical zero but not at it. */
export const BIND_POSE: Readonly<Record<Bone, BoneFrame>> = {
  elbowEnd: { at: [0, 0, 0], turn: [0, 0, 0, 1] },
  forearm: { at: [0, 0, 0], turn: [0, 0, 0, 1] },
  hand: { at: [0, 0, 0], turn: [0, 0, 0, 1] },
  thumbMetacarpal: { at: [28.0285, -19.15771, -35.95844], turn: [-0.01005, -0.37708, -0.59904, 0.7063] },
  thumbProximal: { at: [44.95571, -34.30762, -59.21868], turn: [0.07978, -0.37409, -0.53292, 0.75477] },
  thumbDistal: { at: [66.91257, -43.71179, -83.1233], turn: [0.11989, -0.4448, -0.57544, 0.67576] },
  indexMetacarpal: { at: [9.49182, -5.48805, -36.40351], turn: [-0.0182, -0.12319, 0.01721, 0.99207] },
  indexProximal: { at: [23.55067, -7.31643, -91.99624], turn: [-0.03916, 0.01706, -0.03076, 0.99861] },
  indexMiddle: { at: [22.02192, -10.55042, -133.75449], turn: [-0.04582, 0.02722, -0.00403, 0.99857] },
  indexDistal: { at: [20.69159, -12.769, -157.92006], turn: [0.02653, 0.0547, 0.00273, 0.99815] },
  middleMetacarpal: { at: [3.25914, -5.70649, -29.10635], turn: [0.0259, 0.01081, 0.05582, 0.99805] },
  middleProximal: { at: [1.72589, -2.54313, -91.64662], turn: [-0.04748, 0.04705, 0.00805, 0.99773] },
  middleMiddle: { at: [-2.64031, -7.02141, -138.11552], turn: [-0.04939, 0.05637, 0.01873, 0.99701] },
  middleDistal: { at: [-5.68596, -9.79273, -165.35565], turn: [0.04533, 0.06441, 0.04601, 0.99583] },
  ringMetacarpal: { at: [-8.26582, -5.70649, -26.99053], turn: [0.00338, 0.0792, 0.13105, 0.9882] },
  ringProximal: { at: [-17.46525, -6.52928, -84.69378], turn: [-0.04512, 0.11186, 0.0543, 0.99121] },
  ringMiddle: { at: [-26.76111, -10.88476, -126.31443], turn: [-0.05136, 0.12719, 0.08735, 0.98669] },
  ringDistal: { at: [-33.19221, -14.16857, -151.88792], turn: [-0.02329, 0.10073, 0.09262, 0.99032] },
  littleMetacarpal: { at: [-22.99858, -9.41983, -34.07356], turn: [-0.02078, 0.15336, 0.20189, 0.9671] },
  littleProximal: { at: [-35.05408, -13.69116, -73.89583], turn: [-0.05094, 0.11368, 0.12174, 0.98471] },
  littleMiddle: { at: [-42.36746, -18.11722, -107.40292], turn: [-0.0448, 0.17398, 0.15373, 0.97164] },
  littleDistal: { at: [-48.95487, -20.97186, -126.4032], turn: [-0.01381, 0.12966, 0.15134, 0.97984] },
}

/** Where each digit's last bone ends in the model, mm; the fingertip lies about as far again beyond it. */
export const BIND_TIPS: Readonly<Record<Digit, Triple>> = {
  thumb: [77.89859, -48.91209, -91.67809],
  index: [19.42505, -12.15909, -169.41749],
  middle: [-7.3024, -8.76334, -177.40772],
  ring: [-35.5227, -14.94217, -163.5721],
  little: [-51.93106, -21.76162, -137.90698],
}
