import type { WALK_EN } from '../en/walk.ts';

export const WALK_ES: Readonly<Record<keyof typeof WALK_EN, string>> = {
  'walk.bar': 'compás {bar}',
  'walk.bars': 'compases {from}–{to}',
  'walk.beat': 'tiempo {beat}',
  'walk.and': '«y» del {beat}',
  'walk.until.beat': 'el {beat}',
  'walk.until.bar': 'el compás {bar}',
  'walk.until.bar-beat': 'el compás {bar}, {beat}',
  'walk.until.end-of-bar': 'el final del compás',
  'walk.until.end-of': 'el final del compás {bar}',
  'walk.note': '{finger} en {note}, {string} traste {fret}',
  'walk.note-open': '{note} al aire, {string}',
  'walk.short-note': '{finger} en {string}',
  'walk.position': 'Posición {position}{led, select, yes {: {lead}} other {}}.',
  'walk.shift.open-string':
    'Mientras suena {ringing} al aire, ir a la posición {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.open-string-unnamed':
    'Mientras suena una cuerda al aire, ir a la posición {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.rest': 'En el silencio ir a la posición {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.staccato':
    'La nota anterior es corta: ir a la posición {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.guide':
    'Deslizarse a la posición {to}{glides, select, yes { con {finger} por {string}, del traste {fromFret} al traste {fret}} other {{led, select, yes {; {lead}} other {}}}}.',
  'walk.shift.repeat': 'Con la nota repetida ir a la posición {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.bass':
    'Mientras el bajo suena solo, ir a la posición {to}{led, select, yes {; {lead}} other {}}.',
  'walk.shift.none':
    'Ir a la posición {to}{led, select, yes {; {lead}} other {}}. Nada cubre este cambio{cut, select, yes {: soltar {cutNote} justo antes} other {: con ligereza y a tempo}}.',
  'walk.guide':
    '{heard, select, yes {Arrastrar, que se oiga,} other {Deslizarse}} con {finger} por {string} del traste {fromFret} al traste {fret}.',
  'walk.barre':
    '{lies, select, full {Cejilla} partial {Media cejilla} other {Cejilla de bisagra}} con {finger} en el traste {fret}, {strings}{last, select, yes {, hasta el fin} other {, hasta {until}}}{laid, select, yes {; tumbar el dedo desde la punta, que ya está puesta} other {}}{lies, select, hinge {; para la cuerda al aire se levanta la base, la punta se queda} other {}}.{mayGo, select, yes { Soltarla en cuanto acaben sus notas.} other {}}',
  'walk.keep.pivot': 'Dejar {finger} puesto en {note}, {string}, hasta {until}: la mano gira alrededor.',
  'walk.keep.common': 'Dejar {finger} puesto en {note}, {string}: vuelve a hacer falta en {until}.',
  'walk.keep.keep-down': 'Mantener {finger} en {note}, {string}: vuelve en {until}.',
  'walk.keep.sounds': '{finger} se queda en {note}, {string}, hasta {until}.',
  'walk.block': 'Poner {fingers} a la vez{named, select, yes { ({chord})} other {}}.',
  'walk.early':
    '{pulls, select, yes {Tener {where} antes de tirar del ligado.} other {Poner {where}, ya ahora: suena en {sounds}.}}',
  'walk.finger': '{where}: {instead} se queda en {on}.',
  'walk.place.busy': '{where}: {busyString} está ocupada con {busy}.',
  'walk.place.stopped': 'No donde se espera: {where}.',
  'walk.place.open': 'Tomar {where}, aquí.',
  'walk.pattern.begins':
    '{tremolo, select, yes {Trémolo} other {La mano derecha}}: {order}, y así sucesivamente.',
  'walk.pattern.returns': 'La mano derecha vuelve a {order}.',
  'walk.pattern.once': 'Solo esta vez la mano derecha toca {order}.',
  'walk.alternate': '{first} y {second} alternan; empezar con {first}.',
  'walk.crossing': '{finger} viene después de {after} en {string}: los dedos se cruzan, la mano quieta.',
  'walk.strum':
    '{finger} rasguea el acorde {direction, select, outward {de los bajos a los agudos} other {de los agudos a los bajos}}.',
  'walk.harmonic':
    'Armónico: rozar {string} sobre el traste {node} {by, select, left {con {finger}} other {con el índice derecho, y pulsar detrás}}.',
  'walk.damp.one':
    '{means}: {note} en {string} seguiría sonando en {into, select, rest {el silencio} other {{intoNote}}}.',
  'walk.damp.run': 'Apagar cada bajo con el siguiente, {run} seguidos: {means}.',
  'walk.damp.means.thumb-rest-stroke': 'Dejar que el pulgar se apoye en {string}',
  'walk.damp.means.thumb-side': 'Apoyar el lado del pulgar en {string}',
  'walk.damp.means.palm': 'Poner la palma sobre las cuerdas',
  'walk.damp.means.left-tip': 'Dejar que la yema vecina roce {string}',
  'walk.damp.means.thumb-back': 'Dejar caer el pulgar en {string}',
  'walk.damp.means.left-touch': 'Tocar {string} con un dedo libre de la mano izquierda',
  'walk.stumble': 'Cuidado: {where}. Es más grave que la nota anterior, pero está en una cuerda más aguda.',
  'walk.stretch': 'Una extensión grande entre {lower} y {higher}: abrir la mano despacio, y parar si duele.',
  'walk.cut':
    '{open, select, yes {{note} al aire} other {{finger} en {note}}}, {string}, dura solo hasta {until}: {wanted, select, yes {soltarlo ahí} other {ninguna mano podría sostenerlo más}}.',
  'walk.lift': 'Levantar {finger} en el silencio: {note}, {string}, termina ahí.',
  'walk.reserve': 'Guardar {finger} libre hasta {until}: lo necesita el acorde.',
  'walk.tiring': 'La cejilla en el traste {fret} es larga: descansar antes de que canse, y parar si duele.',
  'walk.upbeat': 'La anacrusa pertenece a lo que sigue: sin corte después.',
  'walk.dotted':
    'No acortar {note} con puntillo: {before, select, short {el cambio espera a que termine} other {la nota corta cae en su sitio y luego viene el cambio}}.',
  'walk.slur':
    '{rising, select, yes {Ligado ascendente con {to}} other {Ligado descendente de {from} a {to}}}, {string}.',
  'walk.return': 'Como {several, select, yes {los} other {el}} {bars}.',
  'walk.brief.positions': '{count, plural, =1 {Posición {list}} other {Posiciones {list}}}.',
  'walk.brief.danger': 'Cuidado en el compás {bar}. {sentence}',
  'walk.shape-finger': '{finger} en {strings} traste {fret}',
  'walk.shape':
    '{when}: {named, select, yes {{chord}, } other {}}{stopped, select, yes {{fingers}{open, select, none {} other {; al aire {open}}}} other {al aire {open}}}.{stays, select, none {} other { {stays} {many, select, yes {se quedan} other {se queda}} para lo siguiente.}}',
  'walk.slow.plays': '{when}: {plays}.',
  'walk.slow.strike': '{pluck, select, none {} other {{pluck} toca }}{where}',
  'walk.slow.slurred': '{where}, solo con la mano izquierda',
  'walk.slow.down': 'Ya puestos: {fingers}.',
  'walk.slow.lifts': 'Levantar {fingers}.',
  'walk.changed': '{now}; antes, {before}.',
  'walk.changed.pluck': '{now} toca {note}; antes, {before}.',
  'walk.changed.left-out': '{note} omitida',
};
