import { inEach, type Language, type Said } from '../words/names.js'
import type { Exercise, Pose } from './exercise.js'

/**
 * A position in plain words, made from its joint angles: "fingers: big knuckles straight, middle and end joints fully bent;
 * wrist a little back". What a picture's text alternative and spoken cues say. Only joints the pose states are told, so an
 * unstated joint is never described as if it were known. Limits of the words are ours and coarse: they name a position, they
 * measure nothing. Source: PLEDGE-DECISION (low).
 *
 * @returns empty texts for a pose that states no joint
 * @example
 * poseWords({ mcpFlexion: 0, pipFlexion: 95, dipFlexion: 60 }).en
 * // => 'fingers: big knuckles straight, middle joints and end joints fully bent'
 */
export function poseWords(pose: Pose): Said {
  return inEach((language) =>
    [
      fingerWords(pose, language),
      spreadWords(pose, language),
      thumbWords(pose, language),
      wristWords(pose, language),
      forearmWords(pose, language),
      elbowWords(pose, language),
      shoulderWords(pose, language),
      neckWords(pose, language),
    ]
      .filter((part) => part !== '')
      .join('; '),
  )
}

/** The position an exercise starts in and those it goes through, in words; shapes that sound alike are said once. */
export function positionWords(exercise: Pick<Exercise, 'start' | 'shapes'>): Said[] {
  const told = [exercise.start, ...exercise.shapes].map(poseWords)
  return told.filter((one, place) => one.en !== '' && one.en !== told[place - 1]?.en)
}

const pick = (language: Language, en: string, es: string) => (language === 'en' ? en : es)

/** How far a hinge is bent, in words; each joint has its own full bend. */
function bendOf(degrees: number, full: number): 'back' | 'straight' | 'little' | 'half' | 'full' {
  if (degrees < -9) return 'back'
  if (degrees <= 12) return 'straight'
  if (degrees < full * 0.45) return 'little'
  return degrees < full * 0.8 ? 'half' : 'full'
}
const BENDS: Readonly<Record<ReturnType<typeof bendOf>, Said>> = {
  back: { en: 'bent back', es: 'hacia atrás' },
  straight: { en: 'straight', es: 'rectos' },
  little: { en: 'a little bent', es: 'un poco doblados' },
  half: { en: 'half bent', es: 'doblados a medias' },
  full: { en: 'fully bent', es: 'del todo doblados' },
}
const BEND_ONE: Readonly<Record<ReturnType<typeof bendOf>, Said>> = {
  back: { en: 'bent back', es: 'hacia atrás' },
  straight: { en: 'straight', es: 'recta' },
  little: { en: 'a little bent', es: 'un poco doblada' },
  half: { en: 'half bent', es: 'doblada a medias' },
  full: { en: 'fully bent', es: 'del todo doblada' },
}

/** Full bends of the finger joints in degrees, for the words only. */
const FULL_BEND = { mcpFlexion: 90, pipFlexion: 100, dipFlexion: 65 } as const
const FINGER_JOINTS = [
  ['mcpFlexion', { en: 'big knuckles', es: 'nudillos grandes' }],
  ['pipFlexion', { en: 'middle joints', es: 'nudillos del medio' }],
  ['dipFlexion', { en: 'end joints', es: 'nudillos de la punta' }],
] as const

function fingerWords(pose: Pose, language: Language): string {
  const stated = FINGER_JOINTS.flatMap(([joint, name]) => {
    const degrees = pose[joint]
    return degrees === undefined ? [] : [{ name: name[language], bend: bendOf(degrees, FULL_BEND[joint]) }]
  })
  if (stated.length === 0) return ''
  const bends = [...new Set(stated.map(({ bend }) => bend))]
  const [only] = bends
  const fingers = pick(language, 'fingers', 'dedos')
  if (stated.length === 3 && bends.length === 1)
    return only === 'full'
      ? pick(language, 'a full fist', 'puño cerrado')
      : `${fingers} ${BENDS[only!][language]}`
  const parts = bends.map((bend) => {
    const names = stated.filter((one) => one.bend === bend).map(({ name }) => name)
    return `${together(names, language)} ${BENDS[bend][language]}`
  })
  return `${fingers}: ${parts.join(', ')}`
}

/** "nudillos grandes y del medio": in Spanish the word they share stands once. */
function together(names: readonly string[], language: Language): string {
  if (language === 'en') return names.join(' and ')
  return names.map((name, place) => (place === 0 ? name : name.replace(/^nudillos /, ''))).join(' y ')
}

function spreadWords({ fingerSpread }: Pose, language: Language): string {
  if (fingerSpread === undefined) return ''
  if (fingerSpread >= 10) return pick(language, 'fingers spread apart', 'dedos separados')
  return pick(language, 'fingers side by side', 'dedos juntos')
}

/** Where the thumb reaches, by the scale of opposition 0–10. */
const REACH: readonly (Said | null)[] = [
  null,
  { en: 'thumb at the side of the index finger', es: 'pulgar al lado del índice' },
  { en: 'thumb at the middle of the index finger', es: 'pulgar en medio del índice' },
  { en: 'thumb on the tip of the index finger', es: 'pulgar en la punta del índice' },
  { en: 'thumb on the tip of the middle finger', es: 'pulgar en la punta del dedo medio' },
  { en: 'thumb on the tip of the ring finger', es: 'pulgar en la punta del anular' },
  { en: 'thumb on the tip of the little finger', es: 'pulgar en la punta del meñique' },
  { en: 'thumb at the end joint of the little finger', es: 'pulgar en el último nudillo del meñique' },
  { en: 'thumb at the middle of the little finger', es: 'pulgar en medio del meñique' },
  { en: 'thumb at the base of the little finger', es: 'pulgar en la base del meñique' },
  { en: 'thumb across the palm', es: 'pulgar cruzado en la palma' },
]
/** From here on the thumb is away from the hand, in degrees. */
const THUMB_OUT_DEG = 35

function thumbWords(pose: Pose, language: Language): string {
  const { opposition, thumbRadialAbduction, thumbPalmarAbduction, thumbMcpFlexion, thumbIpFlexion } = pose
  const parts: string[] = []
  const reach = opposition === undefined ? null : (REACH[Math.round(opposition)] ?? null)
  if (reach) parts.push(reach[language])
  else if ((thumbPalmarAbduction ?? 0) >= THUMB_OUT_DEG)
    parts.push(pick(language, 'thumb out in front of the palm', 'pulgar al frente de la palma'))
  else if ((thumbRadialAbduction ?? 0) >= THUMB_OUT_DEG)
    parts.push(pick(language, 'thumb out to the side', 'pulgar abierto al lado'))
  else if (thumbRadialAbduction !== undefined || thumbPalmarAbduction !== undefined)
    parts.push(pick(language, 'thumb beside the hand', 'pulgar junto a la mano'))
  const joint = (degrees: number | undefined, full: number, name: Said) =>
    degrees === undefined ? [] : [`${name[language]} ${BEND_ONE[bendOf(degrees, full)][language]}`]
  parts.push(
    ...joint(thumbMcpFlexion, 55, { en: 'thumb knuckle', es: 'articulación grande del pulgar' }),
    ...joint(thumbIpFlexion, 75, { en: 'thumb tip', es: 'punta del pulgar' }),
  )
  return parts.join(', ')
}

function wristWords({ wristFlexion, wristUlnarDeviation }: Pose, language: Language): string {
  const parts: string[] = []
  if (wristFlexion !== undefined) {
    const far = Math.abs(wristFlexion) >= 45
    const little = Math.abs(wristFlexion) < 25
    const how = far ? pick(language, 'far ', 'muy ') : little ? pick(language, 'a little ', 'un poco ') : ''
    if (Math.abs(wristFlexion) <= 10) parts.push(pick(language, 'wrist straight', 'muñeca recta'))
    else if (wristFlexion < 0) parts.push(pick(language, `wrist ${how}back`, `muñeca ${how}hacia atrás`))
    else parts.push(pick(language, `wrist ${how}bent`, `muñeca ${how}doblada`))
  }
  if (wristUlnarDeviation !== undefined && wristUlnarDeviation >= 12)
    parts.push(pick(language, 'wrist toward the little finger', 'muñeca hacia el meñique'))
  if (wristUlnarDeviation !== undefined && wristUlnarDeviation <= -8)
    parts.push(pick(language, 'wrist toward the thumb', 'muñeca hacia el pulgar'))
  return parts.join(', ')
}

function forearmWords({ forearmSupination }: Pose, language: Language): string {
  if (forearmSupination === undefined) return ''
  if (forearmSupination >= 40) return pick(language, 'palm up', 'palma arriba')
  if (forearmSupination <= -40) return pick(language, 'palm down', 'palma abajo')
  return pick(language, 'thumb up', 'pulgar arriba')
}

function elbowWords({ elbowFlexion }: Pose, language: Language): string {
  if (elbowFlexion === undefined) return ''
  return pick(
    language,
    `elbow ${BEND_ONE[bendOf(elbowFlexion, 140)].en}`,
    `codo ${ELBOW_ES[bendOf(elbowFlexion, 140)]}`,
  )
}
const ELBOW_ES = {
  back: 'hacia atrás',
  straight: 'recto',
  little: 'un poco doblado',
  half: 'doblado a medias',
  full: 'del todo doblado',
} as const

function shoulderWords(pose: Pose, language: Language): string {
  const { shoulderFlexion, shoulderAbduction, shoulderInternalRotation } = pose
  const parts: string[] = []
  if (shoulderFlexion !== undefined && shoulderFlexion >= 150)
    parts.push(pick(language, 'arm overhead', 'brazo sobre la cabeza'))
  else if (shoulderFlexion !== undefined && shoulderFlexion >= 60)
    parts.push(pick(language, 'arm forward', 'brazo al frente'))
  else if (shoulderFlexion !== undefined && shoulderFlexion <= -15)
    parts.push(pick(language, 'arm behind you', 'brazo atrás'))
  if (shoulderAbduction !== undefined && shoulderAbduction >= 45)
    parts.push(pick(language, 'arm out to the side', 'brazo al lado'))
  if (shoulderInternalRotation !== undefined && shoulderInternalRotation >= 40)
    parts.push(pick(language, 'arm turned in', 'brazo girado hacia dentro'))
  if (shoulderInternalRotation !== undefined && shoulderInternalRotation <= -40)
    parts.push(pick(language, 'arm turned out', 'brazo girado hacia fuera'))
  const isStated = shoulderFlexion !== undefined || shoulderAbduction !== undefined
  if (parts.length === 0 && isStated) parts.push(pick(language, 'arm at your side', 'brazo junto al cuerpo'))
  return parts.join(', ')
}

function neckWords({ neckSideBend }: Pose, language: Language): string {
  if (neckSideBend === undefined) return ''
  if (neckSideBend >= 10) return pick(language, 'head toward that arm', 'cabeza hacia ese brazo')
  if (neckSideBend <= -10) return pick(language, 'head away from that arm', 'cabeza hacia el otro lado')
  return pick(language, 'head upright', 'cabeza derecha')
}
