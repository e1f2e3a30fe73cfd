import {
  drillCare,
  drillKindNamed,
  drillProblemText,
  drillSource,
  drillTitle,
  readDrill,
  englishWording,
  wordingIn,
  type DrillName,
  type Language,
  type NoteNames,
  type Setup,
} from '@oculon/core';
import { NoDrill, type WantedDrill } from './drill-desk.svelte.ts';

/** For whom a drill is made: their hand and instrument, and the language in which it is named. */
export interface DrillPlayer {
  readonly setup: Setup;
  readonly language: Language;
  readonly noteNames: NoteNames;
}

export const isDrillName = (name: string): name is DrillName => drillKindNamed(name) !== undefined;

/** A drill of technique from what is chosen for it; throws `NoDrill` where something is chosen that there is not. */
export const technicalDrill = (
  kind: DrillName,
  typed: Readonly<Record<string, string>>,
  { setup, language, noteNames }: DrillPlayer,
): WantedDrill => {
  const read = readDrill(kind, typed);
  if (!read.ok) throw new NoDrill(drillProblemText(englishWording(), read.error));
  const wording = wordingIn(language, noteNames);
  const title = drillTitle(wording, read.value);
  return {
    title,
    source: drillSource(read.value, title),
    tempo: Number(read.value.values.tempo),
    care: drillCare(wording, kind),
    setup,
  };
};
