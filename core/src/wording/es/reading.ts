import type { READING_EN } from '../en/reading.ts';

export const READING_ES: Readonly<Record<keyof typeof READING_EN, string>> = {
  'problem.empty': 'El archivo está vacío. Exporte la pieza de nuevo desde su programa de notación.',
  'problem.too-large':
    '{what, select, archive {El archivo comprimido} unpacked {Lo que contiene este archivo comprimido} other {El archivo}} pasa de {most, number} MB, más de lo que necesita una pieza de guitarra. Exporte solo la parte de guitarra.',
  'problem.too-much-work':
    'Leer el archivo lleva más de {seconds, number} segundos, o más memoria de la que necesita una pieza de guitarra. Exporte solo la parte de guitarra.',
  'problem.busy':
    'Ahora mismo se están leyendo muchas partituras. No se importó nada; inténtelo de nuevo dentro de un minuto.',
  'problem.undecodable':
    '{known, select, yes {El texto del archivo no es {encoding}, como debería{line, plural, =0 {} other { (línea {line, number, ::group-off})}}. Exporte la pieza de nuevo como MusicXML en UTF-8, o corrija lo que su primera línea dice de la codificación.} other {El archivo dice que su texto está escrito como «{encoding}», que aquí no se conoce. Exporte la pieza de nuevo como MusicXML en UTF-8.}}',
  'problem.damaged-archive':
    'El archivo comprimido está dañado. Guárdelo de nuevo como MusicXML en su programa de notación.',
  'problem.no-score-in-archive':
    'Este archivo comprimido no contiene ninguna partitura. Elija un archivo .musicxml, .xml o .mxl exportado por su programa de notación.',
  'problem.not-xml':
    'El archivo no es XML bien formado (línea {line, number, ::group-off}: {detail}).{xml, select, yes {} other { No parece XML en absoluto.}} Exporte la pieza de nuevo como MusicXML desde su programa de notación.',
  'problem.not-musicxml':
    'Este archivo XML no es una partitura: empieza por {root}. Elija una partitura que su programa de notación haya exportado como MusicXML (.musicxml, .xml o .mxl).',
  'problem.no-notes':
    '{named, select, yes {La parte «{part}» no tiene notas. Elija otra parte u otro archivo.} other {No hay notas en esta partitura. Elija una partitura que su programa de notación haya exportado como MusicXML (.musicxml, .xml o .mxl).}}',
  'problem.choose-part':
    '{asked, select, yes {No hay ninguna parte «{wanted}»} other {Esta partitura tiene varias partes}}. Elija la guitarra: {parts}.',
  'problem.bad-note':
    'Compás {bar}, voz {voice}: una nota no tiene altura legible (línea {line, number, ::group-off} del archivo). Corríjala en su programa de notación.',
  'problem.below-range':
    'Compás {bar}, voz {voice}: {pitch} (como suena) {seventh, select, yes {necesita la séptima cuerda, y Oculon trabaja con seis. Suba la nota una octava, o arregle la pieza para seis cuerdas, e impórtela de nuevo} other {queda por debajo de la cuerda más grave. Suba la nota una octava o, si el archivo está escrito como suena, ponga a su pentagrama una clave de sol con un 8 debajo, e impórtelo de nuevo}}.',
  'problem.above-range':
    'Compás {bar}, voz {voice}: {pitch} (como suena) queda por encima del diapasón. Baje la nota una octava e importe la pieza de nuevo.',
  'repair.bar-too-full':
    'El compás {bar}, voz {voice}, contiene {holds} negras donde en {meter} caben {room}. Se lee como un compás más largo; corríjalo en su programa de notación e importe la pieza de nuevo.',
  'repair.bar-not-full':
    'El compás {bar} contiene {holds} negras donde {meter} necesita {room}. El resto del compás se lee como silencio.',
  'repair.missing-duration':
    'Compás {bar}, voz {voice}: {printed, select, yes {una nota sin duración se leyó con su figura impresa ({type}).} other {una nota sin duración ni figura se leyó como negra. Corríjala en su programa de notación.}}',
  'repair.missing-divisions': 'Compás {bar}: el archivo no dice cuánto dura una negra; se leyó como 1.',
  'repair.unknown-string':
    'Compás {bar}, voz {voice}, tiempo {beat}: la cuerda {string} no existe en una guitarra de seis cuerdas y se omitió.',
  'repair.unreachable-string':
    'Compás {bar}, voz {voice}, tiempo {beat}: esta altura no existe en la cuerda {string}, que al aire suena {open}; la cuerda se omitió.',
  'repair.wrong-fret':
    'Compás {bar}, voz {voice}, tiempo {beat}: el traste {fret} de la cuerda {string} no es la altura escrita; se conservó la cuerda y el traste se deduce de la altura.',
  'repair.tuning-lowered':
    'El compás {bar} pide {pitch}, por debajo de la ⑥ al aire: la pieza se lee con la ⑥ bajada hasta ahí.',
  'repair.unpitched-left-out':
    '{bars}: los sonidos sin altura quedaron fuera de la digitación; el archivo los conserva.',
  'repair.tie-without-start':
    'Compás {bar}, voz {voice}: una ligadura de prolongación no empieza en ninguna nota; la nota se pulsa.',
  'repair.rounded-time':
    'Compás {bar}: una duración no encaja en la división del tiempo del propio archivo y se redondeó.',
  'repair.number-out-of-range':
    'Compás {bar}: {name} es «{text}» (línea {line, number, ::group-off} del archivo), algo que ninguna partitura puede querer decir; se leyó como si no estuviera. Corríjalo en su programa de notación.',
  'repair.octave-settled':
    '{by, select, frets {Las cuerdas y los trastes que escribe el archivo muestran} other {La extensión de la guitarra muestra}} que sus notas están {sounding, select, yes {como suenan} other {una octava por encima de lo que suena}}; así se leen. Si no es así, cambie la octava en los ajustes.',
  'repair.tuning-read': 'El archivo pide la afinación {tuning}; la pieza se lee con ella.',
  'repair.tuning-corrected':
    'Las cuerdas y los trastes que escribe el archivo concuerdan con la afinación {standard, select, yes {normal} other {{tuning}}}; la pieza se lee con ella. Cambie la afinación en los ajustes si es otra.',
  'repair.capo-fingered':
    'Las notas están escritas como se digitan por encima de la cejuela en el traste {capo, number}; suenan {capo, plural, =1 {un semitono} other {# semitonos}} más arriba y ahí se digitan.',
  'repair.cue-left-out':
    '{bars}: las notas guía no se digitan; conservan su tiempo, y el archivo las conserva.',
  'repair.hidden-left-out':
    '{bars}: las notas que no se imprimen no se digitan; conservan su tiempo, y el archivo las conserva. Muéstrelas en su programa de notación si han de tocarse.',
  'repair.quarter-tone':
    '{bars}: los cuartos de tono no tienen traste; cada uno se leyó como el semitono vecino, hacia la nota natural. El archivo los conserva.',
  'repair.simile':
    '{bars}: los signos de repetir la música anterior (simile) no están escritos por extenso: esos compases se leen con las notas que hay en el archivo y ninguna más. Escríbalos por extenso en su programa de notación para que se digiten.',
  'repair.seven-strings':
    'El archivo está escrito para más de seis cuerdas; Oculon trabaja con seis y las lee como las seis más agudas.',
  'bars.listed': '{count, plural, =1 {Compás} other {Compases}} {bars}{more, plural, =0 {} other { y # más}}',
  'note-type':
    '{type, select, maxima {máxima} long {longa} breve {cuadrada} whole {redonda} half {blanca} quarter {negra} eighth {corchea} 16th {semicorchea} 32nd {fusa} 64th {semifusa} other {{type}}}',
};
