import { error, fail } from '@sveltejs/kit';
import { fieldsIn, problemsOf, textIn } from '$lib/server/forms.ts';
import { instrumentIdSchema } from '$lib/server/ids.ts';
import {
  deleteInstrument,
  insertInstrument,
  instrumentFields,
  listInstruments,
  updateInstrument,
} from '$lib/server/instruments/instruments.ts';
import { withOwn } from '$lib/server/own.ts';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ locals }) => ({
  instruments: await withOwn(locals, listInstruments),
});

const read = (fields: URLSearchParams) =>
  instrumentFields.safeParse({
    name: textIn(fields, 'name'),
    scaleLength: textIn(fields, 'scaleLength'),
    tuning: textIn(fields, 'tuning'),
    frets: textIn(fields, 'frets'),
    capo: textIn(fields, 'capo'),
    leftHanded: fields.get('leftHanded') !== null,
  });

export const actions: Actions = {
  save: async ({ request, locals }) => {
    const fields = await fieldsIn(request);
    const id = textIn(fields, 'id');
    const values = read(fields);
    const sent = { id, values: Object.fromEntries(fields) };
    if (!values.success) return fail(400, { ...sent, problems: problemsOf(values.error) });
    const known = instrumentIdSchema.safeParse(id);
    if (id !== '' && !known.success) error(404, 'There is no such instrument.');
    const isKept = await withOwn(locals, async (client, teacher) =>
      known.success
        ? updateInstrument(client, teacher, known.data, values.data)
        : (await insertInstrument(client, teacher, values.data)) !== undefined,
    );
    if (!isKept)
      return fail(409, {
        ...sent,
        problems: { name: 'Another instrument has this name, or this one is gone.' },
      });
    return { id: '', done: `“${values.data.name}” is kept.` };
  },
  delete: async ({ request, locals }) => {
    const id = instrumentIdSchema.safeParse(textIn(await fieldsIn(request), 'id'));
    const isDeleted =
      id.success && (await withOwn(locals, (client, teacher) => deleteInstrument(client, teacher, id.data)));
    if (!isDeleted) error(404, 'There is no such instrument.');
    return { id: '', done: 'Deleted. Students who played it have none of their own now.' };
  },
};
