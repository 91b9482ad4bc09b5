import { said, type Language, type Said } from '../words/names.js'
import type {
  AngleName,
  Demand,
  EvidenceLevel,
  Family,
  Force,
  Slot,
  STRESS_LEVELS,
  STRESS_MODES,
  StopRule,
  StructureStress,
} from './exercise.js'

/** The words people read for the catalogue's words, in both languages. */

export const FAMILY_NAMES: Readonly<Record<Family, Said>> = {
  edema: said('edema', 'edema'),
  'heat-cold': said('heat and cold', 'calor y frío'),
  'soft-tissue': said('soft tissue', 'tejidos blandos'),
  'passive-range': said('passive range', 'movilidad pasiva'),
  'prolonged-stretch': said('prolonged stretch', 'estiramiento prolongado'),
  'place-and-hold': said('place-and-hold', 'colocar y sostener'),
  'active-range': said('active range', 'movilidad activa'),
  blocking: said('blocking', 'bloqueo'),
  'tendon-glide': said('tendon glide', 'deslizamiento de tendones'),
  tenodesis: said('tenodesis', 'tenodesis'),
  'nerve-slider': said('nerve slide', 'deslizamiento nervioso'),
  'nerve-tensioner': said('nerve tension', 'tensión nerviosa'),
  isometric: said('isometric', 'isométrico'),
  isotonic: said('isotonic', 'isotónico'),
  grip: said('grip', 'agarre'),
  pinch: said('pinch', 'pellizco'),
  dexterity: said('dexterity', 'destreza'),
  proprioception: said('proprioception', 'propiocepción'),
  desensitization: said('desensitization', 'desensibilización'),
  functional: said('functional', 'funcional'),
}

export const SLOT_NAMES: Readonly<Record<Slot, Said>> = {
  warm: said('warm', 'calentar'),
  soften: said('soften', 'ablandar'),
  passive: said('passive', 'pasivo'),
  active: said('active', 'activo'),
  glide: said('glide', 'deslizar'),
  strengthen: said('strengthen', 'fuerza'),
  settle: said('settle', 'calmar'),
}

export const EVIDENCE_NAMES: Readonly<Record<EvidenceLevel, Said>> = {
  trials: said('trials in patients', 'ensayos en pacientes'),
  laboratory: said('experiments with hands or tendons', 'experimentos con manos o tendones'),
  practice: said('common practice, no trials known to us', 'práctica común, sin ensayos conocidos'),
}

export const DEMAND_NAMES: Readonly<Record<Demand, Said>> = {
  care: said('care without motion', 'cuidado sin movimiento'),
  taught: said('taught, protected motion', 'movimiento enseñado y protegido'),
  free: said('free active motion', 'movimiento activo libre'),
  block: said('one joint with its neighbors held', 'una articulación con las vecinas sujetas'),
  use: said('light use', 'uso ligero'),
  stretchGentle: said('gentle stretch', 'estiramiento suave'),
  stretchFirm: said('firm stretch', 'estiramiento firme'),
  load1: said('first load', 'primera carga'),
  load2: said('moderate load', 'carga moderada'),
  load3: said('full load', 'carga completa'),
  nerve: said('nerve, by irritability', 'nervio, según irritabilidad'),
}

export const FORCE_NAMES: Readonly<Record<Force, Said>> = {
  active: said('by the patient’s own muscles', 'por los músculos propios'),
  'active, elastic returns': said(
    'there by own muscles, back by an elastic',
    'va por músculos propios, vuelve por un elástico',
  ),
  'active-assisted': said(
    'own muscles, helped by the other hand',
    'músculos propios, con ayuda de la otra mano',
  ),
  'active with other hand on scar': said(
    'own muscles, other hand on the scar',
    'músculos propios, la otra mano en la cicatriz',
  ),
  'guided without pull': said('guided by the other hand, no pull', 'guiado por la otra mano, sin tirar'),
  'passive by other hand': said('by the other hand, hand limp', 'por la otra mano, mano floja'),
  'passive, let back': said('by the other hand, then let back', 'por la otra mano, luego se suelta'),
  'passive by wrap': said('by a wrap or strap', 'por una venda o correa'),
  gravity: said('by its own weight', 'por su propio peso'),
  'gravity + other hand': said('by its own weight and the other hand', 'por su peso y la otra mano'),
  'body weight': said('by body weight', 'por el peso del cuerpo'),
  'placed then held': said(
    'placed by the other hand, then held',
    'colocado por la otra mano, luego sostenido',
  ),
  'active wrist, passive digits': said('wrist by itself, digits follow', 'la muñeca sola, los dedos siguen'),
  'active wrist, assisted digits': said(
    'wrist by itself, digits helped',
    'la muñeca sola, los dedos con ayuda',
  ),
  isometric: said('push without moving', 'empuje sin mover'),
  resisted: said('against load', 'contra carga'),
  'lowered against load': said(
    'raised by the other hand, lowered slowly',
    'subir con la otra mano, bajar despacio',
  ),
  'support only': said('supported, no motion', 'apoyado, sin movimiento'),
  none: said('no motion', 'sin movimiento'),
}

/** An angle with what its degrees above and below 0 are called. */
export const ANGLE_LABELS: Readonly<Record<AngleName, Said>> = {
  wristFlexion: said('wrist', 'muñeca'),
  wristUlnarDeviation: said('wrist sideways', 'muñeca de lado'),
  forearmSupination: said('forearm turn', 'giro del antebrazo'),
  elbowFlexion: said('elbow', 'codo'),
  shoulderFlexion: said('shoulder forward', 'hombro al frente'),
  shoulderAbduction: said('shoulder out', 'hombro al lado'),
  shoulderInternalRotation: said('shoulder turn', 'giro del hombro'),
  neckSideBend: said('neck to the side', 'cuello al lado'),
  mcpFlexion: said('finger MCP', 'MCF de los dedos'),
  fingerSpread: said('finger spread', 'separación de dedos'),
  pipFlexion: said('finger PIP', 'IFP de los dedos'),
  dipFlexion: said('finger DIP', 'IFD de los dedos'),
  thumbMcpFlexion: said('thumb MCP', 'MCF del pulgar'),
  thumbIpFlexion: said('thumb IP', 'IF del pulgar'),
  thumbRadialAbduction: said('thumb out to the side', 'pulgar al lado'),
  thumbPalmarAbduction: said('thumb out in front', 'pulgar al frente'),
  opposition: said('thumb reach, 0 to 10', 'alcance del pulgar, 0 a 10'),
}

export const STRESS_MODE_NAMES: Readonly<Record<(typeof STRESS_MODES)[number], Said>> = {
  glide: said('gliding', 'deslizamiento'),
  active: said('own pull', 'tracción propia'),
  stretch: said('stretch', 'estiramiento'),
  resist: said('pull against load', 'tracción con carga'),
  compress: said('pressure', 'compresión'),
  gap: said('opening', 'apertura'),
  shear: said('shear', 'cizalla'),
  torsion: said('twist', 'torsión'),
  touch: said('touch', 'tacto'),
}
export const STRESS_LEVEL_NAMES: Readonly<Record<(typeof STRESS_LEVELS)[number], Said>> = {
  none: said('none', 'ninguno'),
  low: said('low', 'bajo'),
  med: said('moderate', 'moderado'),
  high: said('high', 'alto'),
}

/** What an exercise or a condition may name as stressed: tendons and muscles, ligaments and joints, nerves, bones, skin. */
export const STRUCTURE_NAMES: Readonly<Record<string, Said>> = {
  FDS: said('superficial finger flexor (FDS)', 'flexor superficial de los dedos (FDS)'),
  FDP: said('deep finger flexor (FDP)', 'flexor profundo de los dedos (FDP)'),
  FPL: said('long thumb flexor (FPL)', 'flexor largo del pulgar (FPL)'),
  FCR: said('radial wrist flexor (FCR)', 'flexor radial de la muñeca (FCR)'),
  FCU: said('ulnar wrist flexor (FCU)', 'flexor cubital de la muñeca (FCU)'),
  EDC: said('finger extensors (EDC)', 'extensor de los dedos (EDC)'),
  EIP: said('index extensor (EIP)', 'extensor del índice (EIP)'),
  EPL: said('long thumb extensor (EPL)', 'extensor largo del pulgar (EPL)'),
  EPB: said('short thumb extensor (EPB)', 'extensor corto del pulgar (EPB)'),
  APL: said('long thumb abductor (APL)', 'abductor largo del pulgar (APL)'),
  'ECRL-B': said('radial wrist extensors (ECRL, ECRB)', 'extensores radiales de la muñeca (ECRL, ECRB)'),
  ECU: said('ulnar wrist extensor (ECU)', 'extensor cubital de la muñeca (ECU)'),
  CS: said('central slip', 'bandeleta central'),
  TT: said('terminal tendon', 'tendón terminal'),
  SB: said('sagittal band', 'banda sagital'),
  LB: said('lateral bands', 'bandas laterales'),
  ORL: said('oblique retinacular ligament', 'ligamento retinacular oblicuo'),
  INT: said('interossei', 'interóseos'),
  LUMB: said('lumbricals', 'lumbricales'),
  THEN: said('thumb ball muscles', 'músculos tenares'),
  ADD: said('thumb adductor', 'aductor del pulgar'),
  FDI: said('first dorsal interosseous', 'primer interóseo dorsal'),
  SUP: said('supinator', 'supinador'),
  PRO: said('pronators', 'pronadores'),
  BIC: said('biceps', 'bíceps'),
  TRI: said('triceps', 'tríceps'),
  CEO: said('common extensor origin', 'origen común de los extensores'),
  CFO: said('common flexor origin', 'origen común de los flexores'),
  THUCL: said('thumb ulnar collateral ligament', 'ligamento colateral cubital del pulgar'),
  PIPCL: said('PIP collateral ligaments', 'ligamentos colaterales de la IFP'),
  VP: said('volar plate', 'placa volar'),
  SLL: said('scapholunate ligament', 'ligamento escafolunar'),
  TFCC: said('triangular fibrocartilage (TFCC)', 'fibrocartílago triangular (TFCC)'),
  DRUJ: said('distal radioulnar joint', 'articulación radiocubital distal'),
  CMC1: said('thumb base joint (CMC)', 'articulación de la base del pulgar (CMC)'),
  MCPCL: said('MCP collateral ligaments', 'ligamentos colaterales de la MCF'),
  RCC: said('wrist capsule', 'cápsula de la muñeca'),
  A1: said('A1 pulley', 'polea A1'),
  PUL: said('finger pulleys', 'poleas de los dedos'),
  PFASC: said('palmar fascia', 'fascia palmar'),
  MCPJ: said('MCP joint', 'articulación MCF'),
  PIPJ: said('PIP joint', 'articulación IFP'),
  DIPJ: said('DIP joint', 'articulación IFD'),
  WRJ: said('wrist joint', 'articulación de la muñeca'),
  ELJ: said('elbow joint', 'articulación del codo'),
  SHO: said('shoulder', 'hombro'),
  NMED: said('median nerve', 'nervio mediano'),
  NULN: said('ulnar nerve', 'nervio cubital'),
  NRAD: said('radial nerve', 'nervio radial'),
  NRS: said('radial skin branch', 'rama cutánea radial'),
  BRP: said('nerve roots and plexus', 'raíces y plexo'),
  BDR: said('distal radius', 'radio distal'),
  BMC: said('metacarpals', 'metacarpianos'),
  BP: said('phalanges', 'falanges'),
  BEL: said('elbow and forearm bones', 'huesos de codo y antebrazo'),
  SKIN: said('skin', 'piel'),
  SCAR: said('scar', 'cicatriz'),
  LYMPH: said('lymph flow', 'flujo linfático'),
}

/** When the patient stops, for a therapist; the patient reads longer sentences. */
export const STOP_RULE_NAMES: Readonly<Record<StopRule, Said>> = {
  S0: said(
    'sharp pain, pain above the cap, new numbness or dizziness, pain still raised 2 h later or next morning',
    'dolor agudo, dolor sobre el tope, adormecimiento nuevo o mareo, dolor aún alto a las 2 h o a la mañana',
  ),
  SF: said(
    'pain right at the fracture, a new bend, grinding',
    'dolor en la fractura, nueva desviación, crujido',
  ),
  ST: said(
    'a pop, or a finger that suddenly no longer bends or straightens',
    'un chasquido, o un dedo que de pronto no dobla o no estira',
  ),
  SL: said('a joint that feels loose, slips or clunks', 'una articulación floja, que se sale o golpea'),
  SN: said(
    'tingling that stays longer than 1 min, or more waking at night',
    'hormigueo de más de 1 min, o más despertares',
  ),
  SI: said(
    'more pain next morning, a warm or squeaking tendon',
    'más dolor a la mañana, tendón caliente o que cruje',
  ),
  SS: said(
    'a blister, a white or blue fingertip, a mark for longer than 30 min, a wet or open wound',
    'ampolla, punta blanca o azul, marca de más de 30 min, herida abierta o húmeda',
  ),
  SH: said(
    'burning, mottled or white skin from heat or cold',
    'ardor, piel moteada o blanca por calor o frío',
  ),
  SC: said(
    'color, warmth, sweat or swelling that flares for longer than 24 h',
    'color, calor, sudor o hinchazón en brote por más de 24 h',
  ),
  SX: said(
    'a hot red streak, fever, deep ache with swelling, short breath',
    'línea roja caliente, fiebre, dolor profundo con hinchazón, falta de aire',
  ),
}

/** The parts of the body the catalogue sorts by. */
export const REGION_NAMES: Readonly<Record<string, Said>> = {
  fingers: said('fingers', 'dedos'),
  thumb: said('thumb', 'pulgar'),
  hand: said('whole hand', 'mano entera'),
  wrist: said('wrist', 'muñeca'),
  forearm: said('forearm', 'antebrazo'),
  elbow: said('elbow', 'codo'),
  shoulder: said('shoulder', 'hombro'),
  nerve: said('nerve path', 'recorrido del nervio'),
}

/** "PIP joint: stretch (moderate)". */
export function stressWords({ structure, mode, level }: StructureStress, language: Language): string {
  return `${STRUCTURE_NAMES[structure]![language]}: ${STRESS_MODE_NAMES[mode][language]} (${STRESS_LEVEL_NAMES[level][language]})`
}
