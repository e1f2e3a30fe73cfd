import type { COMMAND_EN } from '../en/command.ts';

export const COMMAND_ES: Readonly<Record<keyof typeof COMMAND_EN, string>> = {
  'command.column.bar': 'comp.',
  'command.column.beat': 'tiempo',
  'command.column.voice': 'voz',
  'command.column.note': 'nota',
  'command.column.string': 'cuerda',
  'command.column.fret': 'tr.',
  'command.column.finger': 'dedo',
  'command.column.barre': 'cej.',
  'command.column.pluck': 'm. d.',
  'command.column.fixed': 'fijo',
  'command.yes': 'sí',
  'command.piece':
    '{title}: {bars, plural, one {# compás} other {# compases}}, {notes, plural, one {# nota} other {# notas}}, negra = {tempo, number}',
  'command.untitled': 'Sin título',
  'command.no-shifts': 'Ningún cambio de posición.',
  'command.shifts': 'Cambios de posición ({count, number}):',
  'command.shift': 'compás {bar}, tiempo {beat}: posición {from} a {to}, {mm, number} mm, {ride}',
  'command.to-look-at': 'Para revisar:',
  'command.effort': 'Esfuerzo: mano izquierda {left, number, ::.0}, mano derecha {right, number, ::.0}',
  'command.fixed-notes':
    '{title}: {fixed, number} de {notes, plural, one {# nota está digitada} other {# notas están digitadas}} en el archivo',
  'command.nothing-to-remark': 'Nada que señalar.',
  'command.right-hand': '{title}: la mano derecha a {tempo, number} negras por minuto',
  'command.strokes': 'pulsaciones',
  'command.crossings': 'cruces incómodos',
  'command.crossing-ways': '{treble, number} hacia los agudos, {bass, number} hacia los bajos',
  'command.repeats': 'dedos repetidos',
  'command.repeat-breaks': '{repeats, number}, de ellos rompen la alternancia {breaks, number}',
  'command.pivots': 'cambios de cuerda',
  'command.fastest-return': 'vuelta más rápida',
  'command.in-patterns': 'en patrones',
  'command.pattern':
    '{order}  {times, plural, one {una vez} other {# veces}} ({kind, select, tremolo {trémolo} other {arpegio}})',
  'command.frame': 'marco desde el compás {bar}: {fingers}',
  'command.bars-head.crossings': 'cruces',
  'command.bars-head.repeats': 'repet.',
  'command.bars-head.quickest': 'mín. ms',
  'command.on-page':
    '{title}: {digits, plural, one {# dígito} other {# dígitos}}, {strings, plural, one {# cuerda} other {# cuerdas}}, {letters, plural, one {# letra} other {# letras}} en {notes, plural, one {# nota} other {# notas}}',
  'command.page-reads':
    '{reads, select, yes {Con estas marcas un lector obtiene toda la digitación.} other {Estas marcas dejan dudas a un lector.}}',
  'command.signs': 'Signos:',
  'command.sign-span': 'compás {bar}, tiempo {beat}, hasta el compás {untilBar}, tiempo {untilBeat}: {sign}',
};
