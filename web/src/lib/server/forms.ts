import { error } from '@sveltejs/kit';
import type * as z from 'zod';
import { BODY_LIMITS, readBody } from './read-body.ts';

/** The fields of a form, no longer than a form of ours can be. */
export const fieldsIn = async (request: Request): Promise<URLSearchParams> => {
  const bytes = await readBody(request, BODY_LIMITS.form);
  try {
    return new URLSearchParams(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    error(400, 'This form cannot be read.');
  }
};

export const textIn = (fields: URLSearchParams, name: string): string => fields.get(name) ?? '';

/** What is wrong with each field, the first complaint about it. */
export const problemsOf = (failure: z.core.$ZodError): Readonly<Record<string, string>> => {
  const problems: Record<string, string> = {};
  for (const { path, message } of failure.issues) problems[path.map(String).join('.')] ??= message;
  return problems;
};
