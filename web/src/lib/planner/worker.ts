import {
  proposedMarks,
  compareFingerings,
  difficultyOf,
  EMPTY_FINGERING,
  handPoints,
  planPiece,
  readMusicXml,
  readSourceFile,
  success,
  rightSigns,
  rightTermDifferences,
  termDifferences,
  ringsOn,
  type Fingering,
  type ImportedScore,
  type Plan,
  type PlanSetup,
  type Score,
  type Setup,
} from '@oculon/core';
import * as Comlink from 'comlink';
import type { FingeringMessage, PlannerApi, VersionMessage } from './api.ts';
import { Desk } from './desk.ts';
import { plansAhead } from './plans-ahead.ts';
import { questionNamed } from './questions.ts';
import { planSetup, scoreAsRead } from './setup.ts';
import { exerciseScore, warmUpSteps } from './warm-up.ts';

const RECENT_PLANS = 8;
/** Progress is told at most this often, in ms: each message costs the page a task. */
const PROGRESS_INTERVAL = 80;

/** Questions about plans. */
const desk = new Desk();

let source = '';
let part: string | undefined;
let imported: ImportedScore | undefined;
let parseMs = 0;
let latest: Plan | undefined;
let timing = { left: 0, right: 0 };
/** Plans of this piece by what was asked, the latest last: taking a change back finds its plan again. */
let recent = new Map<string, Plan>();
let setup: { readonly key: string; readonly score: Score; readonly value: PlanSetup } | undefined;

/** The version that the open one was compared with last, planned: it does not change while one decides here. */
let compared: { readonly key: string; readonly plan: Plan } | undefined;

const current = (): ImportedScore => {
  if (!imported) throw new RangeError('no piece is open');
  return imported;
};

const planned = (): Plan => {
  if (!latest) throw new RangeError('nothing is planned');
  return latest;
};

/** The piece and the planner's setup as the teacher's setup asks for them. */
const setupOf = (choice: Setup): { readonly score: Score; readonly value: PlanSetup } => {
  // The same objects again let the planner go on from its tables.
  const key = JSON.stringify(choice);
  if (setup?.key === key) return setup;
  const score = scoreAsRead(current().score, choice);
  setup = { key, score, value: planSetup(choice, score) };
  return setup;
};

const fingeringOf = ({ choices, rules, marks }: FingeringMessage): Fingering => ({
  ...EMPTY_FINGERING,
  choices: new Map(choices),
  rules: new Map(rules),
  marks: new Map(marks),
});

const planOf = ({ message, setup: choice }: VersionMessage): Plan => {
  const score = scoreAsRead(current().score, choice);
  return planPiece(score, fingeringOf(message), planSetup(choice, score));
};

/** The plan of a fingering of the open piece: one that is known, or made from what the latest has worked out. */
const planFor = (message: FingeringMessage, choice: Setup, onProgress?: (share: number) => void): Plan => {
  const key = JSON.stringify([message.choices, message.rules, message.marks, choice]);
  const fingering = fingeringOf(message);
  const wanted = setupOf(choice);
  const plan =
    recent.get(key) ??
    plansAhead.find(fingering, wanted.value) ??
    planPiece(wanted.score, fingering, wanted.value, {
      ...(latest && { memory: latest.memory }),
      ...(onProgress && { onProgress }),
      now: () => performance.now(),
      onTiming: (measured) => {
        timing = measured;
      },
    });
  plansAhead.clear();
  recent.delete(key);
  recent.set(key, plan);
  const [oldest] = recent.keys();
  if (recent.size > RECENT_PLANS && oldest !== undefined) recent.delete(oldest);
  latest = plan;
  return plan;
};

const tempoOf = ({ setup: { tempo }, score }: Plan): number => tempo ?? score.tempi[0]!.quartersPerMinute;

/** Quiet that must have lasted before the planner warms up further, in ms. */
const QUIET = 600;
/** Pause between two steps, in which calls come first; ms. */
const BETWEEN_STEPS = 15;

let lastCall = -Infinity;
const called = (): void => {
  lastCall = performance.now();
};

/** Warms up while nobody asks for anything. */
const warmUp = async (): Promise<void> => {
  let steps: Generator<void> | undefined;
  for (;;) {
    const quiet = performance.now() - lastCall;
    await new Promise((resolve) => setTimeout(resolve, Math.max(BETWEEN_STEPS, QUIET - quiet)));
    if (performance.now() - lastCall < QUIET) continue;
    steps ??= warmUpSteps();
    if (steps.next().done) return;
  }
};
void warmUp();

const api: PlannerApi = {
  exercise: exerciseScore,

  open(bytes, wanted) {
    called();
    const started = performance.now();
    const text = readSourceFile(bytes);
    if (!text.ok) return text;
    const read = readMusicXml(text.value, wanted === undefined ? {} : { part: wanted });
    if (!read.ok) return read;
    source = text.value;
    part = wanted;
    imported = read.value;
    latest = undefined;
    recent = new Map();
    setup = undefined;
    compared = undefined;
    plansAhead.clear();
    parseMs = performance.now() - started;
    const marks = [...read.value.marks].map(([id, { mark }]) => [id, mark] as const);
    return success({ score: read.value.score, marks, repairs: read.value.repairs });
  },

  planAhead(message, choice) {
    called();
    planFor(message, choice);
    called();
  },

  plan(message, choice, onProgress) {
    called();
    const started = performance.now();
    let told = started;
    const plan = planFor(message, choice, (share) => {
      const now = performance.now();
      if (now - told < PROGRESS_INTERVAL) return;
      told = now;
      onProgress(share);
    });
    called();
    return {
      id: desk.lay(),
      notes: plan.notes,
      shifts: plan.shifts,
      proposals: proposedMarks(plan),
      findings: plan.findings,
      positions: plan.left.hands.map(({ slice, position, lying, flat }) => ({
        onset: slice.onset,
        position,
        lying,
        flat,
      })),
      barres: plan.barres,
      soundings: plan.performance.soundings,
      damping: plan.damping,
      ringing: ringsOn(plan.left),
      difficulty: difficultyOf(plan.performance, tempoOf(plan)),
      rightSigns: rightSigns(plan.performance, plan.damping),
      sounds: plan.left.sounds.map(({ onset }) => onset),
      heads: plan.left.sounds.map(({ head }) => head),
      leftCost: plan.left.cost,
      rightCost: plan.right.cost,
      ms: performance.now() - started,
    };
  },

  async ask(plan, number, name, args) {
    called();
    const about = planned();
    const question = await questionNamed(name);
    const answer = await desk.answer(plan, number, () => question(about, ...args));
    called();
    return answer as never;
  },

  withdraw(number) {
    desk.withdraw(number);
  },

  compare(one, other) {
    called();
    const [here, there] = [planOf(one), planOf(other)];
    return {
      ...compareFingerings(here.performance, there.performance),
      terms: termDifferences(here.left, there.left),
      rightTerms: rightTermDifferences(here.right, there.right),
      difficulty: {
        one: difficultyOf(here.performance, tempoOf(here)),
        other: difficultyOf(there.performance, tempoOf(there)),
      },
    };
  },

  handPoints(there) {
    called();
    const key = JSON.stringify(there);
    if (compared?.key !== key) compared = { key, plan: planOf(there) };
    return handPoints(planned(), compared.plan);
  },

  async soundsOf(version) {
    called();
    const plan = planOf(version);
    const { soundsIn } = await import('./later-questions.ts');
    return soundsIn(plan);
  },

  async writeMusicXml(hasTablature) {
    const plan = planned();
    const { musicXmlOf } = await import('./documents.ts');
    return musicXmlOf(plan, { source, part, marks: current().marks }, hasTablature);
  },

  async correct(note, correction) {
    const { score } = current();
    const index = score.indexOf.get(note);
    const shown = index === undefined ? undefined : planned().score.notes[index]!;
    // A piece may be read an octave away from what its file says.
    const octaves = shown ? score.notes[index!]!.sounding.octave - shown.sounding.octave : 0;
    const meant =
      correction.kind === 'pitch'
        ? { ...correction, pitch: { ...correction.pitch, octave: correction.pitch.octave + octaves } }
        : correction;
    const { correctedXml } = await import('./documents.ts');
    return correctedXml({ source, part, marks: current().marks }, note, meant);
  },

  async writeJson() {
    const plan = planned();
    const { jsonOf } = await import('./documents.ts');
    return jsonOf(plan, { parse: parseMs, ...timing });
  },
};

Comlink.expose(api);
