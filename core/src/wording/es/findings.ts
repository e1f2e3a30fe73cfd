import type { FINDINGS_EN } from '../en/findings.ts';

export const FINDINGS_ES: Readonly<Record<keyof typeof FINDINGS_EN, string>> = {
  'place.bar-beat': 'Compás {bar}, tiempo {beat}',
  'place.bar-beat-within': 'compás {bar}, tiempo {beat}',
  'finding.unplayable-note': '{place}: {pitch} no se puede tocar: {why}. Vea las salidas posibles.',
  'unplayable.nowhere': '{pitch} no está en ninguna cuerda de esta guitarra',
  'unplayable.one-string': '{pitches} necesitan la misma cuerda {string}',
  'unplayable.too-far': '{pitches} quedan demasiado lejos entre sí para esta mano',
  'unplayable.too-many-strings': 'se pulsan a la vez más notas que cuerdas hay para ellas',
  'unplayable.too-many-fingers': 'las notas que se pulsan a la vez piden más de lo que esta mano alcanza',
  'unplayable.fixed-around': 'lo que está fijado en las notas vecinas no deja ninguna posición de los dedos',
  'finding.lock-not-kept':
    '{place}: la digitación fijada para {pitch} no se puede sostener con las notas que se pulsan con ella; se dejó de lado.',
  'finding.held-note-cut':
    '{place}: {pitch} no se puede mantener todo su valor; su dedo o su cuerda hacen falta antes de que termine. Vea las salidas posibles.',
  'finding.rule-not-kept': '{place}: {rule}.',
  'broken-rule.stopped':
    '{pitch} solo se puede tocar al aire aquí; el pasaje pide que no haya cuerdas al aire',
  'broken-rule.no-barre': '{pitch} necesita un dedo tendido; el pasaje pide que no haya cejilla',
  'broken-rule.barre': '{pitch} no se puede tomar con la cejilla que pide el pasaje',
  'broken-rule.position': 'la mano no puede quedarse en la posición que pide el pasaje; la deja para {pitch}',
  'finding.return-differs':
    'El compás {bar} vuelve como el compás {like}, pero con otra digitación: {forced, select, yes {lo que lo rodea no permite la misma} other {la misma costaría aquí {price, number, ::.0} más}}.',
  'finding.pluck-lock-not-kept':
    '{place}: el dedo de la mano derecha fijado para {pitch} cruzaría a sus vecinos en el acorde; se dejó de lado.',
  'finding.school-not-kept':
    '{place}: la alternancia pedida no se puede mantener en {pitch}; lo fijado alrededor no deja otro dedo.',
  'finding.pattern-not-kept': '{place}: el patrón pide {finger} en {pitch}, que tiene que tocar otro dedo.',
  'finding.search-not-exhaustive':
    'La pieza tiene momentos con más posibilidades de las que se han buscado; puede haber una digitación algo mejor.',
  'finding.gap-at-shift':
    '{place}: la mano va de la posición {from} a la {to} ({mm, number, ::precision-integer} mm) en {ms, number, ::precision-integer group-off} ms sin nada en que apoyarse; es probable un hueco antes de {pitch}.',
  'finding.upbeat-torn':
    '{place}: un cambio de posición separa la anacrusa de su tiempo fuerte; tome la anacrusa ya en la posición nueva.',
  'finding.dotted-shrinks':
    '{place}: la mano se mueve {before, select, short {entre {pitch} con puntillo y su nota corta} other {justo después de la nota corta de {pitch} con puntillo}}; el ritmo tiende a encogerse.',
  'finding.lower-on-higher-string':
    '{place}: {pitch} es más grave que la nota anterior, pero está en una cuerda más aguda; aquí se suele tropezar.',
  'finding.finger-needed-twice':
    '{place}: el dedo {finger} todavía hace falta cuando tiene que ir a {pitch}; la línea se corta.',
  'finding.wide-stretch':
    '{place}: los dedos {lower} y {higher} se abren {mm, number, ::precision-integer} mm más de lo cómodo. {caution}',
  'finding.barre-too-long':
    '{place}: la cejilla en el traste {fret} dura {seconds, number, ::.0} s; suéltela donde ninguna nota la necesite. {caution}',
  'finding.slur-trouble': '{place}: el ligado a {pitch} {trouble}.',
  'slur-trouble.across-strings':
    'pasa de una cuerda a otra y la mano izquierda sola no puede ligarlo; púlselo, o elija otra cuerda',
  'slur-trouble.same-finger': 'necesita dos dedos o una cuerda al aire, pero un solo dedo toca las dos notas',
  'slur-trouble.finger-not-free': 'necesita el dedo inferior ya puesto, pero sujeta otra nota',
  'slur-trouble.weak-pair': 'cae en 3 y 4, la pareja más débil; dele tiempo u otro dedo',
  'finding.string-left-ringing':
    '{place}: {pitch} al aire en la cuerda {string} sigue sonando sobre {into, select, rest {un silencio} other {este bajo}}: {means}.',
  'finding.crossing-where-busy':
    '{place}: la mano derecha hace un cruce en {pitch}, justo donde la izquierda tiene más trabajo.',
  'finding.repeat-at-speed':
    '{place}: {finger} toca dos veces en {ms, number, ::precision-integer group-off} ms en {pitch}.',
  'finding.open-for-stopped': '{place}: {pitch} se toca al aire donde la fuente escribe el dedo {finger}.',
  'finding.stopped-for-open':
    '{place}: {pitch} se pisa con el dedo {finger} donde la fuente escribe la cuerda al aire.',
  'finding.position-mark-missing':
    '{place}: la mano pasa a la posición {position} para {pitch}, pero nada de lo escrito lo dice; escriba la posición, un dedo o una cuerda.',
  'finding.source-unplayable':
    '{place}: la digitación de {pitch} que trae la fuente no se puede sostener con las notas que se pulsan con ella; ninguna mano puede tocarla como está escrita, y se dejó de lado.',
  'finding.jump-not-made':
    '{place}: después del compás {after} la música salta al compás {to}; {hasty, select, yes {la mano tiene {ms, number, ::precision-integer group-off} ms para ir de la posición {from} a la {position} ({mm, number, ::precision-integer} mm) sin nada en que apoyarse} other {lo que ahí se mantiene hay que soltarlo antes de tiempo para llegar a {pitch}}}.',
  caution: 'Consejo general: pare si duele, y consulte a un médico o terapeuta de la mano si el dolor sigue.',
  'severity.error': 'error',
  'severity.warning': 'aviso',
  'severity.remark': 'nota',
  'fix.as-first-time': 'Digitarlo como la primera vez',
  'fix.as-source': 'Tomarlo como lo escribe la fuente',
  'fix.write-position': 'Escribir la posición',
  'fix.write-damping': 'Escribir el signo de apagar',
  'fix.slur-to-it': 'Ligar hasta ella',
  'fix.pluck-instead': 'Pulsarla en su lugar',
};
