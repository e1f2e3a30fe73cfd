import { fingersOnStrings, rightJson, type RightJson, type Wording } from '@oculon/core';
import { reportOn } from './planned-piece.ts';

const LABEL_WIDTH = 22;

const table = (wording: Wording, right: RightJson): string => {
  const { say } = wording;
  const worth = right.bars.filter(
    (bar) => bar.repeats > 0 || bar.crossings['toward-treble'] + bar.crossings['toward-bass'] > 0,
  );
  const printed = new Map(right.bars.map(({ bar, number }) => [bar, number]));
  const load = Object.entries(right.load)
    .map(([finger, strokes]) => `${finger} ${strokes}`)
    .join('  ');
  const figure = (key: Parameters<Wording['say']>[0], value: string): string =>
    `${say(key).padEnd(LABEL_WIDTH - 1)} ${value}`;
  const { 'toward-treble': treble, 'toward-bass': bass } = right.crossings;
  const heads = (['crossings', 'repeats', 'quickest'] as const).map((name) =>
    say(`command.bars-head.${name}`),
  );
  return [
    say('command.right-hand', { title: right.piece.title, tempo: right.piece.tempo }),
    '',
    figure('command.strokes', `${right.strokes}   (${load})`),
    figure('command.crossings', say('command.crossing-ways', { treble, bass })),
    figure(
      'command.repeats',
      say('command.repeat-breaks', { repeats: right.repeats, breaks: right.alternationBreaks }),
    ),
    figure('command.pivots', String(right.pivots)),
    figure('command.fastest-return', right.fastestReturn === null ? '–' : `${right.fastestReturn} ms`),
    figure('command.in-patterns', `${Math.round(right.patternCoverage * 100)} %`),
    ...right.patterns.map(({ order, times, kind }) => `  ${say('command.pattern', { order, times, kind })}`),
    ...right.frames.map(({ bar, strings }) => {
      const fingers = fingersOnStrings(wording, strings);
      return `  ${say('command.frame', { bar: printed.get(bar) ?? `#${bar}`, fingers })}`;
    }),
    ...(worth.length > 0 ? ['', `${say('command.column.bar').padEnd(5)} ${heads.join('  ')}`] : []),
    ...worth.map((bar) => {
      const crossed = bar.crossings['toward-treble'] + bar.crossings['toward-bass'];
      const cells = [crossed, bar.repeats, bar.fastestRepeat ?? '–'].map((value, place) =>
        String(value).padStart(heads[place]!.length),
      );
      return `${bar.number.padEnd(5)} ${cells.join('  ')}`;
    }),
    '',
  ].join('\n');
};

/** `oculon right FILE`: the right hand of a piece in figures, as a table or as `oculon.right/1`. */
export const right = (args: readonly string[]): Promise<0 | 1> => reportOn(args, rightJson, table);
