/** From where an exercise is looked at. */
export const PICTURE_VIEWS = [
  'palm',
  'back',
  'thumb',
  'thumb-palm',
  'thumb-back',
  'little',
  'little-palm',
  'laid-side',
  'laid-outer',
  'laid-above',
  'laid-front',
  'hanging',
  'hands-together',
  'front',
  'front-side',
  'arm-side',
] as const
export type PictureView = (typeof PICTURE_VIEWS)[number]

/** What the other hand holds or lies on in the picture. */
export const HELPER_PLACES = [
  'none',
  'tip',
  'middle-bone',
  'first-bone',
  'finger-pads',
  'finger-backs',
  'palm',
  'back',
  'thumb-tip',
  'thumb-first-bone',
  'thumb-hand-bone',
  'forearm',
  'little-edge',
  'index-edge',
  'rub-palm',
  'rub-back',
  'rub-finger',
  'rub-forearm',
  'same-palm',
  'same-back',
] as const
export type HelperPlace = (typeof HELPER_PLACES)[number]

/** Simple things that are drawn with the hand. */
export const PICTURE_PROPS = [
  'table',
  'table-edge',
  'pillow',
  'ball',
  'large-ball',
  'putty',
  'pinched-putty',
  'putty-between',
  'rod',
  'pen',
  'marker',
  'can',
  'weight',
  'hammer',
  'band',
  'finger-band',
  'towel',
  'towel-roll',
  'finger-wrap',
  'loop',
  'buddy',
  'sheet',
  'coin',
  'peg',
  'wall',
  'bag',
  'bowl',
  'plate',
  'wedge-pillow',
  'forearm-ball',
  'pack',
  'patch',
  'clip',
  'web-ball',
  'jar',
  'mouse',
  'cords',
  'net',
  'sponge',
] as const
export type PictureProp = (typeof PICTURE_PROPS)[number]

/** Where a push that nothing gives way to is aimed at. */
export const PICTURE_PUSHES = [
  'none',
  'to-back',
  'to-palm',
  'to-little',
  'to-thumb',
  'thumb-forward',
  'palm-up',
  'palm-down',
  'dart',
] as const
export type PicturePush = (typeof PICTURE_PUSHES)[number]

export const PICTURE_FINGERS = ['index', 'middle', 'ring', 'little'] as const

/** What the angles cannot tell a picture. What is left out follows from angles, force and equipment. */
export interface PictureHints {
  readonly view?: PictureView
  /** The fingers that move in the picture; the others stay as the exercise starts. */
  readonly digits?: readonly (typeof PICTURE_FINGERS)[number][]
  readonly helper?: HelperPlace
  /** An isometric push, which no angle shows. */
  readonly push?: PicturePush
  readonly props?: readonly PictureProp[]
  /** Done to and fro without a stop: the arrow has a head at both ends. */
  readonly isToAndFro?: boolean
}
