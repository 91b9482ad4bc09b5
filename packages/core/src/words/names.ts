import type {
  Anchor,
  Act,
  Actor,
  Combo,
  Grip,
  Joint,
  Mode,
  Orthosis,
  ResistanceClass,
  State,
  Stress,
  Nerve,
  NerveTechnique,
  Technique,
  Test,
  Axis,
  Digit,
} from '../vocabulary/vocabulary.js'

/** The words people read for the words of the vocabulary, in both languages of the product. */
export const LANGUAGES = ['en', 'es'] as const
export type Language = (typeof LANGUAGES)[number]
/** One thing said in each language. */
export type Said = Readonly<Record<Language, string>>

/** One text in both languages. */
export const said = (en: string, es: string): Said => ({ en, es })

/** One text made in each language by the same recipe. */
export function inEach(make: (language: Language) => string): Said {
  return { en: make('en'), es: make('es') }
}

export const MODE_NAMES: Readonly<Record<Mode, Said>> = {
  P: said('gentle passive', 'pasiva suave'),
  S: said('stretch', 'estiramiento'),
  AA: said('active-assisted', 'activa con ayuda'),
  PH: said('place-and-hold', 'colocar y sostener'),
  A: said('active', 'activa'),
  I: said('isometric', 'isométrica'),
  R: said('resisted', 'con resistencia'),
}

export const JOINT_NAMES: Readonly<Record<Joint, Said>> = {
  neck: said('neck', 'del cuello'),
  scap: said('shoulder blade', 'de la escápula'),
  shoulder: said('shoulder', 'del hombro'),
  elbow: said('elbow', 'del codo'),
  forearm: said('forearm', 'del antebrazo'),
  wrist: said('wrist', 'de la muñeca'),
  cmc: said('finger base (CMC)', 'de la base del dedo (CMC)'),
  mcp: said('big knuckle (MCP)', 'del nudillo (MCF)'),
  pip: said('middle joint (PIP)', 'de la articulación media (IFP)'),
  dip: said('end joint (DIP)', 'de la punta (IFD)'),
  thumbCmc: said('thumb base (CMC)', 'de la base del pulgar (CMC)'),
  thumbMcp: said('thumb MCP', 'de la MCF del pulgar'),
  thumbIp: said('thumb tip (IP)', 'de la punta del pulgar (IF)'),
}

export const DIRECTION_NAMES: Readonly<Record<string, Said>> = {
  flex: said('flexion', 'flexión'),
  ext: said('extension', 'extensión'),
  rad: said('radial deviation', 'desviación radial'),
  uln: said('ulnar deviation', 'desviación cubital'),
  dtm: said('dart-throw motion', 'movimiento de lanzar dardo'),
  circ: said('circling', 'círculos'),
  pron: said('pronation', 'pronación'),
  sup: said('supination', 'supinación'),
  abd: said('abduction', 'abducción'),
  add: said('adduction', 'aducción'),
  ir: said('internal rotation', 'rotación interna'),
  er: said('external rotation', 'rotación externa'),
  elev: said('elevation', 'elevación'),
  depr: said('depression', 'depresión'),
  retract: said('retraction', 'retracción'),
  sidebend: said('side bend', 'inclinación lateral'),
  rot: said('rotation', 'rotación'),
  hyperext: said('hyperextension', 'hiperextensión'),
  pabd: said('palmar abduction', 'abducción palmar'),
  opp: said('opposition', 'oposición'),
  retro: said('retropulsion', 'retropulsión'),
}

export const AXIS_NAMES: Readonly<Record<Axis, Said>> = {
  elbow: said('elbow', 'codo'),
  forearm: said('forearm', 'antebrazo'),
  wrist: said('wrist', 'muñeca'),
  wrist_ru: said('wrist sideways', 'muñeca de lado'),
  mcp: said('MCP', 'MCF'),
  pip: said('PIP', 'IFP'),
  dip: said('DIP', 'IFD'),
  thumbCmc: said('thumb CMC', 'CMC del pulgar'),
  thumbMcp: said('thumb MCP', 'MCF del pulgar'),
  thumbIp: said('thumb IP', 'IF del pulgar'),
}

/** What each resistance class means at home. Source: A-RESISTANCE, common practice. */
export const RESISTANCE_MEANING: Readonly<Record<ResistanceClass, Said>> = {
  0: said('no load', 'sin carga'),
  1: said(
    'sponge or softest putty, up to 0.5 kg, up to a quarter of full effort',
    'esponja o masilla muy blanda, hasta 0,5 kg, hasta un cuarto de la fuerza',
  ),
  2: said(
    'soft putty, up to 1 kg, up to 40 % of full effort',
    'masilla blanda, hasta 1 kg, hasta 40 % de la fuerza',
  ),
  3: said(
    'medium putty, up to 2.5 kg, up to 60 % of full effort',
    'masilla media, hasta 2,5 kg, hasta 60 % de la fuerza',
  ),
  4: said(
    'firm putty, up to 5 kg, up to 80 % of full effort',
    'masilla firme, hasta 5 kg, hasta 80 % de la fuerza',
  ),
  5: said('no limit', 'sin límite'),
}

export const GRIP_NAMES: Readonly<Record<Grip, Said>> = {
  cyl: said('cylinder grip', 'agarre cilíndrico'),
  hook: said('hook grip', 'agarre en gancho'),
  sph: said('sphere grip', 'agarre esférico'),
  span: said('wide span grip', 'agarre ancho'),
  key: said('side (key) pinch', 'pellizco lateral'),
  tip: said('tip pinch', 'pellizco de puntas'),
  tripod: said('three-point pinch', 'pellizco de tres puntos'),
}

export const ACT_NAMES: Readonly<Record<Act, Said>> = {
  adl_light: said('light self-care', 'cuidado personal ligero'),
  adl_mod: said('kitchen and light cleaning', 'cocina y limpieza ligera'),
  drive: said('driving', 'conducir'),
  wb: said('weight through the extended wrist', 'peso sobre la muñeca extendida'),
  torque: said('loaded twisting', 'girar con carga'),
  work_manual: said('manual work', 'trabajo manual'),
  sport_nc: said('sport without contact', 'deporte sin contacto'),
  sport_c: said('contact or fall-risk sport', 'deporte de contacto o con riesgo de caída'),
  vibration: said('impact or vibrating tools', 'herramientas de golpe o vibración'),
  swim: said('swimming', 'nadar'),
}

export const TEST_NAMES: Readonly<Record<Test, Said>> = {
  grip_dyn: said('grip dynamometer test', 'prueba de fuerza con dinamómetro'),
  pinch_gauge: said('pinch gauge test', 'prueba de pellizco'),
  mmt: said('manual break test', 'prueba muscular manual'),
  prom_end: said('passive end range with overpressure', 'final pasivo con sobrepresión'),
  lift_test: said('graded lifting test', 'prueba de levantar peso'),
}

export const COMBO_NAMES: Readonly<Record<Combo, Said>> = {
  fist: said('whole fist', 'puño entero'),
  hook: said('hook fist', 'puño en gancho'),
  straight_fist: said('straight fist', 'puño recto'),
  tabletop: said('tabletop', 'dedos en mesa'),
  blocked: said('one joint with its neighbors held', 'una articulación con las vecinas sujetas'),
  tenodesis: said('wrist and fingers in opposite directions', 'muñeca y dedos en sentido contrario'),
  clench: said('forceful fist', 'puño con fuerza'),
  cx_ext_wf: said('wrist and fingers straightened together', 'muñeca y dedos estirados juntos'),
  cx_flex_wf: said('wrist and fingers bent together', 'muñeca y dedos doblados juntos'),
  cx_ext_th: said('wrist and thumb straightened together', 'muñeca y pulgar estirados juntos'),
  cx_flex_th: said('all thumb joints bent together', 'todo el pulgar doblado'),
  cx_flex_th_wf: said('wrist and thumb bent together', 'muñeca y pulgar doblados juntos'),
  cx_flex_th_uln: said(
    'thumb bent with the wrist toward the little finger',
    'pulgar doblado con la muñeca hacia el meñique',
  ),
  intr_stretch: said('MCP straight with the end joints bent', 'MCF recta con las puntas dobladas'),
  intrinsic_minus: said('MCP bent back with the end joints bent', 'MCF hacia atrás con las puntas dobladas'),
  orl_stretch: said('PIP straight with the DIP bent', 'IFP recta con la IFD doblada'),
  bowstring: said('finger pull with the wrist bent', 'tirar de los dedos con la muñeca doblada'),
  phalen_hold: said('wrist held fully bent', 'muñeca mantenida doblada'),
  elbow_flexion_hold: said('elbow held bent past 90°', 'codo mantenido doblado más de 90°'),
  cx_ulnar_full: said('full stretch of the ulnar nerve', 'estiramiento completo del nervio cubital'),
  cmc_adduction_pinch: said(
    'pinch with the thumb base pulled in',
    'pellizco con la base del pulgar hacia dentro',
  ),
  mp_ulnar_load: said(
    'load that pushes the fingers toward the little finger',
    'carga que empuja los dedos hacia el meñique',
  ),
}

export const STRESS_NAMES: Readonly<Record<Stress, Said>> = {
  'th_mp.radial': said('side load that opens the thumb MCP', 'carga lateral que abre la MCF del pulgar'),
  'pip.lateral': said('side load on the PIP', 'carga lateral sobre la IFP'),
}

export const NERVE_NAMES: Readonly<Record<Nerve, Said>> = {
  median: said('median nerve', 'nervio mediano'),
  ulnar: said('ulnar nerve', 'nervio cubital'),
  radial: said('radial nerve', 'nervio radial'),
  digital: said('digital nerve', 'nervio digital'),
}

export const NERVE_TECHNIQUE_NAMES: Readonly<Record<NerveTechnique, Said>> = {
  slider1: said('one-ended slide', 'deslizamiento de un extremo'),
  slider2: said('two-ended slide', 'deslizamiento de dos extremos'),
  tensioner: said('tension from both ends', 'tensión desde ambos extremos'),
  sustained_hold: said('held stretch at end range', 'estiramiento sostenido al final'),
}

export const TECHNIQUE_NAMES: Readonly<Record<Technique, Said>> = {
  forced_by_other: said('force by another person', 'fuerza de otra persona'),
  hanging_weight: said('a weight hung on the limb', 'un peso colgado del brazo'),
  to_blanching: said('pushing until the skin turns white', 'empujar hasta que la piel blanquea'),
  stress_test: said('pulling a ligament to test it', 'tirar de un ligamento para probarlo'),
  overpressure: said('an extra push at end range', 'un empuje extra al final'),
  wrist_finger_snap_stretch: said(
    'a jerked stretch of wrist and fingers',
    'un tirón brusco de muñeca y dedos',
  ),
  heat_on_insensate: said('heat on numb skin', 'calor sobre piel dormida'),
  forced_stretch: said('stretching beyond what is tolerated', 'estirar más de lo tolerado'),
  to_pain: said('pushing into pain', 'empujar hasta el dolor'),
}

/** Who moves it. */
export const ACTOR_NAMES: Readonly<Record<Actor, Said>> = {
  self: said('the patient', 'el paciente'),
  helper: said('a helper', 'un ayudante'),
  therapist: said('the therapist', 'el terapeuta'),
  elastic: said('an elastic', 'un elástico'),
  orthosis: said('an orthosis', 'una férula'),
}

export const STATE_NAMES: Readonly<Record<State, Said>> = {
  'state.flare': said('in a flare', 'en brote'),
  'state.acute_swelling': said('freshly swollen', 'hinchada de hace poco'),
  'state.quiet': said('quiet', 'tranquila'),
  'state.crps': said('there are signs of the pain syndrome', 'hay signos del síndrome de dolor'),
}

export const DIGIT_NAMES: Readonly<Record<Digit, Said>> = {
  thumb: said('thumb', 'pulgar'),
  index: said('index finger', 'dedo índice'),
  middle: said('middle finger', 'dedo medio'),
  ring: said('ring finger', 'dedo anular'),
  little: said('little finger', 'dedo meñique'),
}

export const ORTHOSIS_NAMES: Readonly<Record<Orthosis, Said>> = {
  none: said('no orthosis', 'sin férula'),
  CAST: said('the cast', 'el yeso'),
  SLING: said('the sling', 'el cabestrillo'),
  BUDDY: said('buddy straps', 'cintas al dedo vecino'),
  DBO: said('the dorsal block', 'el tope dorsal'),
  DBS: said('the short dorsal block', 'el tope dorsal corto'),
  DBE: said('the dorsal block with elastic', 'el tope dorsal con elástico'),
  DBH: said('the hand-based dorsal block', 'el tope dorsal de mano'),
  DBHF: said('the hand-based block with MCP bent', 'el tope de mano con la MCF doblada'),
  DBT: said('the thumb block', 'el tope del pulgar'),
  DIPB: said('the end joint block', 'el tope de la punta'),
  TEN: said('the hinged exercise orthosis', 'la férula con bisagra para ejercicio'),
  RMF: said('the yoke that bends the finger more', 'el yugo que dobla más el dedo'),
  RME: said('the yoke that holds the finger straighter', 'el yugo que deja el dedo más recto'),
  RME_WRO: said('yoke and wrist orthosis together', 'el yugo y la férula de muñeca juntos'),
  WRO: said('the wrist orthosis', 'la férula de muñeca'),
  WRN: said('the night wrist orthosis', 'la férula de muñeca de noche'),
  DTMO: said('the orthosis that allows the dart throw', 'la férula que deja lanzar el dardo'),
  SPO: said('the stretching orthosis', 'la férula que estira'),
  GUTTER: said('the gutter orthosis', 'la férula en canal'),
  IPLUS: said('the orthosis with bent MCP', 'la férula con la MCF doblada'),
  SAFE: said('the safe-position orthosis', 'la férula de posición segura'),
  XBLK: said('the extension block', 'el tope de extensión'),
  FRAME: said('the frame', 'el marco'),
  PIPX: said('the PIP extension orthosis', 'la férula de extensión de la IFP'),
  DIPX: said('the DIP extension orthosis', 'la férula de extensión de la IFD'),
  THX: said('the thumb tip orthosis', 'la férula de la punta del pulgar'),
  TEMPL: said('the exercise template', 'la plantilla de ejercicio'),
  EXO: said('the extension orthosis for wrist and fingers', 'la férula de extensión de muñeca y dedos'),
  DYNX: said('the elastic outrigger for the fingers', 'la férula con elástico para los dedos'),
  DYNT: said('the elastic outrigger for the thumb', 'la férula con elástico para el pulgar'),
  PALM: said('the palm block', 'el tope palmar'),
  TSX: said('the thumb extension orthosis', 'la férula de extensión del pulgar'),
  TSO: said('the long thumb orthosis', 'la férula larga del pulgar'),
  TSH: said('the short thumb orthosis', 'la férula corta del pulgar'),
  HINGE: said('the hinged thumb orthosis', 'la férula con bisagra del pulgar'),
  CMCO: said('the thumb base orthosis', 'la férula de la base del pulgar'),
  MPB: said('the MCP ring', 'el anillo de la MCF'),
  RING: said('the pulley ring', 'el anillo de polea'),
  MUN: said('the orthosis that stops rotation', 'la férula que impide girar'),
  LAC: said('the above-elbow cast or orthosis', 'el yeso o férula sobre el codo'),
  ELN: said('the night elbow orthosis', 'la férula de codo de noche'),
  ELB: said('the elbow orthosis', 'la férula de codo'),
  CFS: said('the forearm strap', 'la cinta de antebrazo'),
  EXF: said('the finger extension orthosis', 'la férula de extensión del dedo'),
  RHO: said('the resting hand orthosis', 'la férula de reposo'),
}

/** What day 0 is, for a school. */
export const ANCHOR_WORDS: Readonly<Record<Anchor, string>> = {
  surgery: 'surgery',
  injury: 'injury',
  procedure: 'procedure',
  splint_start: 'start of the orthosis',
  first_visit: 'first visit',
  flare_start: 'start of the flare',
}
