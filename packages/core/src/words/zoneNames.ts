import type { Digit } from '../vocabulary/vocabulary.js'
import type { HandZone, Zone, ZoneFace, ZoneHalf, ZonePart } from '../vocabulary/zones.js'
import { said, type Said } from './names.js'

/** Patches of skin of the palm, the back of the hand and the wrist. Names: `locate.md` A1, in words of our own. */
const HAND_ZONE_WORDS: Readonly<Record<HandZone, Said>> = {
  webFront: said('web of the thumb, palm side', 'pliegue del pulgar, lado de la palma'),
  palmThumbSide: said('palm below the index finger', 'palma debajo del índice'),
  palmMiddle: said('middle of the palm', 'centro de la palma'),
  palmLittleSide: said('palm below the little finger', 'palma debajo del meñique'),
  heelThumb: said('thumb pad of the palm', 'base gruesa del pulgar'),
  heelMiddle: said('heel of the hand, middle', 'talón de la mano, centro'),
  heelLittle: said('heel of the hand, little-finger side', 'talón de la mano, lado del meñique'),
  webBack: said('web of the thumb, back', 'pliegue del pulgar, dorso'),
  backThumbSide: said('back of the hand, thumb side', 'dorso de la mano, lado del pulgar'),
  backMiddle: said('back of the hand, middle', 'dorso de la mano, centro'),
  backLittleSide: said('back of the hand, little-finger side', 'dorso de la mano, lado del meñique'),
  wristFront: said('front of the wrist', 'frente de la muñeca'),
  wristBack: said('back of the wrist', 'dorso de la muñeca'),
}
const DIGIT_WORDS: Readonly<Record<Digit, Said>> = {
  thumb: said('thumb', 'pulgar'),
  index: said('index finger', 'índice'),
  middle: said('middle finger', 'dedo medio'),
  ring: said('ring finger', 'anular'),
  little: said('little finger', 'meñique'),
}
const PART_WORDS: Readonly<Record<ZonePart, Said>> = {
  base: said('base', 'base'),
  mid: said('middle', 'medio'),
  tip: said('tip', 'punta'),
}
const FACE_WORDS: Readonly<Record<ZoneFace, Said>> = {
  front: said('palm side', 'lado de la palma'),
  back: said('back', 'dorso'),
}

function halfWords(digit: Digit, half: ZoneHalf): Said {
  if (digit === 'thumb')
    return half === 'radial' ? said('outer half', 'mitad externa') : said('index half', 'mitad del índice')
  if (digit === 'little' && half === 'ulnar') return said('outer half', 'mitad externa')
  return half === 'radial'
    ? said('thumb half', 'mitad del pulgar')
    : said('little-finger half', 'mitad del meñique')
}

/** How a zone is called: "index finger, tip, palm side, thumb half". */
export function zoneWords(zone: Zone): Said {
  if (zone in HAND_ZONE_WORDS) return HAND_ZONE_WORDS[zone as HandZone]
  const [digit, part, face, half] = zone.split('.') as [Digit, ZonePart, ZoneFace, ZoneHalf]
  const parts = [DIGIT_WORDS[digit], PART_WORDS[part], FACE_WORDS[face], halfWords(digit, half)]
  return { en: parts.map(({ en }) => en).join(', '), es: parts.map(({ es }) => es).join(', ') }
}
