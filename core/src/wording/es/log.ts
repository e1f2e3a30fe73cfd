import type { LOG_EN } from '../en/log.ts';

/** Lo que se dice del diario. */
export const LOG_ES: Readonly<Record<keyof typeof LOG_EN, string>> = {
  'log.outcome.clean': 'limpio',
  'log.outcome.nearly': 'casi',
  'log.outcome.not-yet': 'todavía no',
  'log.felt.easy': 'fácil',
  'log.felt.right': 'bien',
  'log.felt.hard': 'difícil',
  'log.pain.left-fingers': 'dedos de la mano izquierda',
  'log.pain.left-thumb': 'pulgar izquierdo',
  'log.pain.left-wrist': 'muñeca izquierda',
  'log.pain.right-hand': 'mano derecha',
  'log.pain.forearm': 'antebrazo',
  'log.pain.shoulder-or-back': 'hombro o espalda',
  'log.pain.numbness': 'entumecimiento u hormigueo',
  'log.warm-up': 'calentamiento',
  'log.piece': '{title}, entera',
  'log.spot': '{title}, {several, select, yes {compases} other {compás}} {bars}',
  'log.spot-drill': '{title}, {several, select, yes {compases} other {compás}} {bars}: {drill}',
  'log.gone': 'un pasaje que ya no está',
  'log.state.learning': 'en estudio',
  'log.state.polished': 'en repertorio',
  'log.state.warm-up': 'como calentamiento',
  'log.state.resting': 'en reposo',
  'log.why.pinned': 'tu profesor/a lo quiere hoy',
  'log.why.new': 'nuevo',
  'log.why.due': 'le toca',
  'log.why.goal-near': 'la fecha está cerca',
  'log.why.kept-up': 'para mantenerlo',
  'log.care.pain':
    'Algo ha dolido o se ha dormido. Deja lo que duele; lo que lo exige descansa dos días como mínimo. Si no se pasa o vuelve, consulta a un médico o fisioterapeuta de la mano. Es un consejo general, no un tratamiento.',

  'log.week.none': 'No se anotó nada.',
  'log.week.minutes':
    '{minutes, plural, one {# minuto} other {# minutos}} en {days, plural, one {# día} other {# días}}; {agreed, plural, one {se acordó # día} other {se acordaron # días}}.',
  'log.week.climbed': '{spot}: de {from, number} a {to, number}.',
  'log.week.begun': '{spot}: limpio a {to, number}.',
  'log.week.reached': '{spot} ha llegado a su tempo, {to, number}.',
  'log.week.still':
    '{spot} lleva tres encuentros parado en {at, number}: otro ejercicio, otra digitación o un tempo más bajo lo cambiaría.',
  'log.week.still-begun':
    '{spot} no salió limpio a su primer tempo en tres encuentros: otro ejercicio, otra digitación o un tempo más bajo lo cambiaría.',
  'log.week.not-met': 'Sin tocar: {spots}.',
  'log.week.hard': 'Resultó difícil: {spots}.',
  'log.week.pain': 'Dolió el {day}: {where}. Pregunta por ello antes que nada; lo que lo exige descansa.',
  'log.week.remark': 'El {day}: «{remark}»',

  'log.forecast.too-early':
    'Aún no hay pronóstico: se {days, plural, one {conoce # día limpio} other {conocen # días limpios}}, hacen falta {needed, number}.',
  'log.forecast.reached': 'A su tempo desde el {day}.',
  'log.forecast.on-its-way':
    'A su tempo hacia el {day}, si sigue así; por lo general, entre el {from} y el {until}.',
  'log.forecast.not-at-this-pace':
    'A este paso no: lo cambiaría dedicarle más minutos, un tempo más bajo u otra digitación.',
};
