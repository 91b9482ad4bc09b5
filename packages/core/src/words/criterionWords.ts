import { criterionOf } from '../vocabulary/criterion.js'
import type { Language, Said } from './names.js'

const FLAG_MEANING: Readonly<Record<string, Said>> = {
  'ord.therapy': { en: "surgeon's order for therapy", es: 'orden del cirujano para terapia' },
  'ord.rom': { en: "surgeon's clearance for active motion", es: 'permiso del cirujano para mover' },
  'ord.passive': { en: "surgeon's clearance for passive motion", es: 'permiso para movimiento pasivo' },
  'ord.resist': { en: "surgeon's clearance for resistance", es: 'permiso para resistencia' },
  'ord.load': { en: "surgeon's clearance for loading", es: 'permiso para cargar' },
  'ord.sport': { en: "surgeon's clearance for sport", es: 'permiso para deporte' },
  'ord.rotation': { en: "surgeon's clearance for forearm rotation", es: 'permiso para girar el antebrazo' },
  'ord.early': { en: "surgeon's order for early motion", es: 'orden de movimiento temprano' },
  'ord.augmented': {
    en: 'surgeon confirms the repair with tape augmentation',
    es: 'el cirujano confirma el refuerzo con cinta',
  },
  'ord.ipfree': {
    en: "surgeon's order that the end joints move freely",
    es: 'orden de dejar libres las puntas',
  },
  'ord.wean': { en: "surgeon's clearance to wean the orthosis", es: 'permiso para dejar la férula' },
  'dx.ok': {
    en: 'diagnosis made by a licensed clinician, red flags screened',
    es: 'diagnóstico hecho por un profesional, señales de alarma revisadas',
  },
  'clin.union': {
    en: 'clinically united: no tenderness, no motion at the fracture',
    es: 'unión clínica: sin dolor ni movimiento en la fractura',
  },
  'xr.union': {
    en: 'union on x-ray, read by the surgeon',
    es: 'unión en la radiografía, leída por el cirujano',
  },
  'ct.union': { en: 'union on CT', es: 'unión en la tomografía' },
  'xr.stable': { en: 'position kept on x-ray', es: 'posición mantenida en la radiografía' },
  'xr.congruent': { en: 'joint congruent on x-ray', es: 'articulación congruente en la radiografía' },
  'fix.stable': { en: 'surgeon calls the fixation stable', es: 'el cirujano da la fijación por estable' },
  'pins.out': { en: 'pins removed', es: 'clavos retirados' },
  'pin.notcrossing': { en: 'no pin crosses the joint that moves', es: 'ningún clavo cruza la articulación' },
  'button.out': { en: 'button removed', es: 'botón retirado' },
  'cast.thumbfree': { en: 'the cast leaves the thumb free', es: 'el yeso deja libre el pulgar' },
  'wound.ok': { en: 'wound closed or dry, no infection', es: 'herida cerrada o seca, sin infección' },
  'wound.closed': { en: 'skin closed, stitches out', es: 'piel cerrada, sin puntos' },
  'sense.protective': { en: 'protective feeling is back', es: 'ha vuelto la sensibilidad protectora' },
  'skin.ok': { en: 'skin sound under the orthosis', es: 'piel sana bajo la férula' },
  'edema.stable': {
    en: 'swelling not up since the last visit',
    es: 'hinchazón sin aumento desde la última visita',
  },
  'edema.moderate': { en: 'swelling not tense, pits little', es: 'hinchazón no tensa, casi sin hoyo' },
  'epi.yes': { en: 'suture around the tendon edge', es: 'sutura alrededor del borde del tendón' },
  'intraop.gapfree': {
    en: 'repair without a gap when moved in surgery',
    es: 'reparación que no se abre al moverla en cirugía',
  },
  'repair.sound': { en: 'surgeon calls the repair sound', es: 'el cirujano da la reparación por buena' },
  'tendon.good': { en: 'tendon of good quality in surgery', es: 'tendón de buena calidad en cirugía' },
  'lateral_bands.intact': { en: 'lateral bands intact', es: 'bandas laterales intactas' },
  'neighbour.intact': { en: 'neighboring fingers intact', es: 'dedos vecinos intactos' },
  'rel.ok': {
    en: 'reliable: understands, attends, keeps the orthosis on',
    es: 'de confianza: entiende, viene y lleva la férula',
  },
  'stable.pip': { en: 'PIP stable on examination', es: 'IFP estable al examinar' },
  'stable.mp': { en: 'MCP stable on examination', es: 'MCF estable al examinar' },
  'stable.sl': {
    en: 'scapholunate joint stable on examination',
    es: 'articulación escafolunar estable al examinar',
  },
  'stable.druj': {
    en: 'distal radioulnar joint stable on examination',
    es: 'articulación radiocubital distal estable',
  },
  'power.normal': { en: 'muscle power normal', es: 'fuerza muscular normal' },
  improved: { en: 'clearly better than at the start', es: 'claramente mejor que al inicio' },
  'trend.down': { en: 'symptoms falling as the rule asks', es: 'síntomas en descenso' },
  'recheck.done': { en: 'checked again by the clinician', es: 'revisado de nuevo' },
  'no.collapse': {
    en: 'thumb MCP does not cave in when pinching',
    es: 'la MCF del pulgar no se hunde al pellizcar',
  },
  'web.soft': { en: 'thumb web loosened', es: 'membrana del pulgar suelta' },
  'pain.norise': { en: 'no more pain than at rest', es: 'sin más dolor que en reposo' },
  'pain.tolerable': {
    en: 'pain rises by 1 at most and settles in 30 minutes',
    es: 'el dolor sube 1 como mucho y pasa en 30 minutos',
  },
  'slider.green14': {
    en: '14 days of nerve slides without a reaction',
    es: '14 días de deslizar el nervio sin reacción',
  },
  'tissue.ready': {
    en: 'every injured structure has passed its own stretch day',
    es: 'cada estructura lesionada pasó su día de estirar',
  },
  bone_or_tendon_ready: {
    en: 'bone or tendon ready to be stretched',
    es: 'hueso o tendón listo para estirar',
  },
  'state.quiet': { en: 'the hand is quiet', es: 'la mano está tranquila' },
  'state.flare': { en: 'the hand is in a flare', es: 'la mano está en brote' },
  'state.crps': { en: 'signs of the pain syndrome', es: 'signos del síndrome de dolor' },
  'no malrotation': {
    en: 'no finger turns or crosses its neighbor',
    es: 'ningún dedo gira ni cruza al vecino',
  },
  'no snuffbox tenderness': {
    en: 'no tenderness in the hollow at the thumb base',
    es: 'sin dolor en el hoyuelo de la base del pulgar',
  },
  'finger warm, hook not tender': {
    en: 'fingers warm, hook of the hamate not tender',
    es: 'dedos tibios, gancho del ganchoso sin dolor',
  },
  'fx.stable': {
    en: 'fracture stable on examination and film',
    es: 'fractura estable al examinar y en la radiografía',
  },
  'fx.closed': { en: 'closed fracture, no wound over it', es: 'fractura cerrada, sin herida' },
  'fx.excluded': {
    en: 'fracture excluded, or a repeat film planned',
    es: 'fractura descartada, o radiografía de control prevista',
  },
  'stable.arc': {
    en: 'joint stays in place through its active arc',
    es: 'la articulación no se sale en su arco activo',
  },
  'single.digit': { en: 'only one finger is repaired', es: 'un solo dedo reparado' },
  'tendons.notall': {
    en: 'not all four finger extensors are repaired',
    es: 'no están reparados los cuatro extensores',
  },
  'ucl.endpoint': { en: 'firm end point when the thumb is tested', es: 'tope firme al probar el pulgar' },
  'ucl.opening35': { en: 'thumb MCP opens less than 35°', es: 'la MCF del pulgar abre menos de 35°' },
  'ucl.nointerposition': {
    en: 'ligament not trapped above the hood',
    es: 'ligamento no atrapado sobre la aponeurosis',
  },
}
const NUMBER_MEANING: Readonly<Record<string, { readonly said: Said; readonly unit: string }>> = {
  'pain.rest': {
    said: { en: 'pain at rest, worst of 24 h', es: 'dolor en reposo, el peor de 24 h' },
    unit: '',
  },
  'pain.act': {
    said: { en: 'pain during the motion, worst of 24 h', es: 'dolor al mover, el peor de 24 h' },
    unit: '',
  },
  'lag.dip': { said: { en: 'DIP extension lag', es: 'déficit de extensión activa de la IFD' }, unit: '°' },
  'lag.pip': { said: { en: 'PIP extension lag', es: 'déficit de extensión activa de la IFP' }, unit: '°' },
  'lag.mp': { said: { en: 'MCP extension lag', es: 'déficit de extensión activa de la MCF' }, unit: '°' },
  'lag.th_ip': {
    said: { en: 'thumb IP extension lag', es: 'déficit de extensión activa de la IF del pulgar' },
    unit: '°',
  },
  'prom.pip.def': {
    said: { en: 'passive PIP short of straight', es: 'IFP pasiva, lo que falta para recta' },
    unit: '°',
  },
  strands: { said: { en: 'core strands of the repair', es: 'hilos centrales de la reparación' }, unit: '' },
  'tuck.rung': {
    said: {
      en: 'highest thumb tuck done ten times without pain (1 nail, 2 middle, 3 whole, 4 arm straight, 5 tilt)',
      es: 'pulgar adentro más alto hecho diez veces sin dolor (1 punta, 2 medio, 3 entero, 4 brazo recto, 5 con inclinación)',
    },
    unit: '',
  },
  'trigger.stage': { said: { en: 'stage of triggering', es: 'grado del gatillo' }, unit: '' },
  'arom.pct': {
    said: { en: 'active range, share of the other side', es: 'movimiento activo respecto al otro lado' },
    unit: ' %',
  },
  'grip.pct': {
    said: { en: 'grip, share of the other side', es: 'fuerza respecto al otro lado' },
    unit: ' %',
  },
}
const IRRITABILITY: Readonly<Record<string, Said>> = {
  low: { en: 'low', es: 'baja' },
  mod: { en: 'moderate', es: 'moderada' },
  high: { en: 'high', es: 'alta' },
}

/** A criterion in words: "pain at rest, worst of 24 h: 3 or less". */
export function criterionMeaning(text: string, language: Language = 'en'): string {
  const read = criterionOf(text)
  if (!read) return text
  if (read.kind === 'flag') return FLAG_MEANING[read.name]![language]
  const more = { en: read.atMost ? 'or less' : 'or more', es: read.atMost ? 'o menos' : 'o más' }[language]
  if (read.kind === 'ordinal') {
    const name = { en: 'irritability', es: 'irritabilidad' }[language]
    return `${name}: ${IRRITABILITY[read.level]![language]} ${more}`
  }
  const { said, unit } = NUMBER_MEANING[read.name]!
  return `${said[language]}: ${read.limit}${unit} ${more}`
}

/** What is asked to find out whether a criterion is met, without its limit: "core strands of the repair". */
export function criterionQuestion(text: string, language: Language = 'en'): string {
  const read = criterionOf(text)
  if (!read) return text
  if (read.kind === 'flag') return FLAG_MEANING[read.name]![language]
  if (read.kind === 'ordinal') return { en: 'irritability', es: 'irritabilidad' }[language]
  return NUMBER_MEANING[read.name]!.said[language]
}
