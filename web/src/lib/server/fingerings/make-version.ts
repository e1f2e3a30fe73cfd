import type { ChoiceChanges } from '@oculon/core';
import { sourceOfVersion } from '../handouts/version-source.ts';
import type { FingeringId, PieceId, StudentId } from '../ids.ts';
import { withOwn } from '../own.ts';
import { beyondHandApart } from '../reading/pool.ts';
import { versionFor } from '../students/version-for.ts';
import { findTeacher } from '../teachers/teachers.ts';
import { listEdits } from './fingerings.ts';
import { insertVersion } from './versions.ts';

export interface WantedVersion {
  readonly name?: string | undefined;
  readonly origin?: FingeringId | undefined;
  readonly student?: StudentId | undefined;
}

/**
 * Makes a version of a piece. For a student, what is decided in the version that it comes from stays where their hand can
 * do it and is left to the planner elsewhere. Undefined when the teacher has no such version or student.
 */
export const makeVersion = async (
  locals: App.Locals,
  piece: PieceId,
  { name, origin, student }: WantedVersion,
): Promise<FingeringId | 'nameless' | undefined> => {
  const basis = await withOwn(locals, async (client, teacher) => ({
    whose: student && (await versionFor(client, teacher, student)),
    maker: await findTeacher(client, teacher),
    source: origin && student ? await sourceOfVersion(client, teacher, origin) : undefined,
    edits: origin && student ? await listEdits(client, teacher, origin, 0) : [],
  }));
  const { whose, maker, source, edits } = basis;
  if (student && !whose) return undefined;
  const called = name ?? (whose && `For ${whose.name}`);
  if (!called) return 'nameless';
  // Planned outside the transaction. Where it takes too long, every decision stays: the findings tell what is too wide.
  const beyond: ChoiceChanges =
    whose && source
      ? ((await beyondHandApart({
          source: new Uint8Array(source.content),
          part: source.partId,
          edits: edits.map(({ edit }) => edit),
          setup: whose.setup,
        })) ?? [])
      : [];
  return withOwn(locals, (client, teacher) =>
    insertVersion(client, teacher, piece, {
      name: called,
      maker: maker?.name ?? '',
      ...(origin && { origin }),
      ...(source && { until: edits.at(-1)?.revision ?? 0 }),
      ...(student && { student }),
      ...(whose && { setup: whose.setup }),
      beyond,
    }),
  );
};
