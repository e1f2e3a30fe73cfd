import { error, json } from '@sveltejs/kit';
import { listEdits } from '$lib/server/fingerings/fingerings.ts';
import {
  labelRevision,
  listLabels,
  listSaves,
  pieceOfVersion,
  removeLabel,
} from '$lib/server/fingerings/versions.ts';
import { fingeringIdSchema } from '$lib/server/ids.ts';
import { withOwn } from '$lib/server/own.ts';
import { BODY_LIMITS, readJson } from '$lib/server/read-body.ts';
import { revisionLabelSchema, type SavedHistory } from '$lib/versions/history.ts';
import type { RequestHandler } from './$types';

const MISSING = 'There is no such version.';

/** Every revision of a version, with when it was saved and the names that some were given. */
export const GET: RequestHandler = async ({ params, locals }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const found =
    fingering.success &&
    (await withOwn(locals, async (client, teacher): Promise<SavedHistory | undefined> => {
      if (!(await pieceOfVersion(client, teacher, fingering.data))) return undefined;
      const edits = await listEdits(client, teacher, fingering.data, 0);
      const saves = await listSaves(client, teacher, fingering.data);
      const savedAt = new Map(saves.map(({ revision, madeAt }) => [revision, madeAt.toISOString()]));
      const labels = await listLabels(client, teacher, fingering.data);
      return {
        revisions: edits.map(({ revision, edit }) => ({ revision, at: savedAt.get(revision)!, edit })),
        labels: labels.map(({ revision, label }) => ({ revision, label })),
      };
    }));
  if (!found) error(404, MISSING);
  return json(found);
};

/** Names a revision, or takes its name off. */
export const PUT: RequestHandler = async ({ params, locals, request }) => {
  const fingering = fingeringIdSchema.safeParse(params.fingering);
  const change = revisionLabelSchema.safeParse(await readJson(request, BODY_LIMITS.names));
  if (!change.success) error(400, 'A label has 1 to 100 letters and belongs to a revision.');
  const { revision, label } = change.data;
  const isDone =
    fingering.success &&
    (await withOwn(locals, async (client, teacher) => {
      if (label !== null) return labelRevision(client, teacher, fingering.data, revision, label);
      await removeLabel(client, teacher, fingering.data, revision);
      return (await pieceOfVersion(client, teacher, fingering.data)) !== undefined;
    }));
  if (!isDone) error(404, MISSING);
  return json({ ok: true });
};
