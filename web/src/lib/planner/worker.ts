import {
  marksOf,
  planJson,
  planPiece,
  readMusicXml,
  readSourceFile,
  success,
  writeMusicXml,
  type ImportedScore,
  type Plan,
  type PlanSetup,
} from '@oculon/core';
import * as Comlink from 'comlink';
import type { PlannerApi } from './api.ts';
import { planSetup, type SetupChoice } from './setup.ts';

/** Progress is told at most this often, in ms: each message costs the page a task. */
const PROGRESS_INTERVAL = 80;

let source = '';
let part: string | undefined;
let imported: ImportedScore | undefined;
let parseMs = 0;
let latest: Plan | undefined;
let timing = { left: 0, right: 0 };
let setup: { readonly key: string; readonly value: PlanSetup } | undefined;

const current = (): ImportedScore => {
  if (!imported) throw new RangeError('no piece is open');
  return imported;
};

const setupOf = (choice: SetupChoice): PlanSetup => {
  // The same object again lets the planner go on from its tables.
  const key = JSON.stringify(choice);
  if (setup?.key !== key) setup = { key, value: planSetup(choice, current().score) };
  return setup.value;
};

const api: PlannerApi = {
  open(bytes, wanted) {
    const started = performance.now();
    const text = readSourceFile(bytes);
    if (!text.ok) return text;
    const read = readMusicXml(text.value, wanted === undefined ? {} : { part: wanted });
    if (!read.ok) return read;
    source = text.value;
    part = wanted;
    imported = read.value;
    latest = undefined;
    setup = undefined;
    parseMs = performance.now() - started;
    return success({ score: read.value.score, repairs: read.value.repairs });
  },

  plan(choices, choice, onProgress) {
    const started = performance.now();
    let told = started;
    const plan = planPiece(current().score, { choices: new Map(choices) }, setupOf(choice), {
      ...(latest && { memory: latest.memory }),
      now: () => performance.now(),
      onTiming: (measured) => {
        timing = measured;
      },
      onProgress: (share) => {
        const now = performance.now();
        if (now - told < PROGRESS_INTERVAL) return;
        told = now;
        onProgress(share);
      },
    });
    latest = plan;
    return {
      notes: plan.notes,
      shifts: plan.shifts,
      barres: plan.barres,
      findings: plan.findings,
      positions: plan.left.hands.map(({ slice, position }) => ({ onset: slice.onset, position })),
      leftCost: plan.left.cost,
      rightCost: plan.right.cost,
      ms: performance.now() - started,
    };
  },

  writeMusicXml() {
    if (!latest) throw new RangeError('nothing is planned');
    return writeMusicXml(source, marksOf(latest), part === undefined ? {} : { part });
  },

  writeJson() {
    if (!latest) throw new RangeError('nothing is planned');
    return JSON.stringify(planJson(latest, { parse: parseMs, ...timing }), null, 1);
  },
};

Comlink.expose(api);
