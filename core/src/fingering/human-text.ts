import * as z from 'zod/mini';

/**
 * Characters that a text of a person may hold: those of XML 1.0 (`Char`) without control characters, for what is written
 * here is kept in a database and goes into score files. Lone halves of surrogate pairs are none.
 */
const UNREADABLE =
  /[\u0000-\u001f\u007f-\u009f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;

/** Length as a reader counts it: in code points, as the database does. */
export const textLength = (text: string): number => [...text].length;

/** The first code points of a text; a sign of two halves is never cut. */
export const shortened = (text: string, most: number): string => [...text].slice(0, most).join('');

/** A text without what cannot be kept: for names that come from a file or a disk and are no reason to refuse it. */
export const readable = (text: string): string =>
  text
    .normalize('NFC')
    .replaceAll(/[\u0000-\u001f\u007f-\u009f\ufffe\uffff]/g, ' ')
    .replaceAll(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, ' ')
    .trim();

/**
 * The one schema for what a person writes: composed (NFC), trimmed, from `least` to `most` code points, of characters that
 * every place it goes to can hold.
 */
export const humanText = (least: number, most: number) =>
  z
    .pipe(
      z.string().check(z.maxLength(most * 4)),
      z.transform((text) => text.normalize('NFC').trim()),
    )
    .check(
      z.refine((text) => !UNREADABLE.test(text), {
        error: 'The text holds characters that cannot be written.',
      }),
      z.refine((text) => textLength(text) >= least && textLength(text) <= most, {
        error: `The text has from ${least} to ${most} characters.`,
      }),
    );

/** A name that the program makes, such as that of a note or a mark: one to `most` characters that can be kept. */
export const idText = (most: number) =>
  z.string().check(
    z.minLength(1),
    z.maxLength(most),
    z.refine((text) => !UNREADABLE.test(text), { error: 'This is no name of anything.' }),
  );
