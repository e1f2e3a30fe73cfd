import { parse, TYPE, type MessageFormatElement } from '@formatjs/icu-messageformat-parser';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { MessageKey } from './catalogue.ts';
import { CATALOGUES } from './languages.ts';
import { LANGUAGES } from './language.ts';

/** The arguments of a message with how they are used: `price number`, `more select no yes`. */
const argumentsOf = (elements: readonly MessageFormatElement[]): readonly string[] =>
  elements.flatMap((element): readonly string[] => {
    switch (element.type) {
      case TYPE.argument:
        return [`${element.value}`];
      case TYPE.number:
        return [`${element.value} number`];
      case TYPE.select:
      case TYPE.plural: {
        const inner = Object.values(element.options).flatMap(({ value }) => argumentsOf(value));
        return [`${element.value}${element.type === TYPE.plural ? ' number' : ''}`, ...inner];
      }
      default:
        return [];
    }
  });
const namesOf = (message: string): readonly string[] =>
  [...new Set(argumentsOf(parse(message, { ignoreTag: true })).map((each) => each.split(' ')[0]!))].sort();

/** The choices that a message offers, by what decides them; the last resort is no choice of its own. */
const choicesOf = (elements: readonly MessageFormatElement[]): readonly string[] =>
  elements.flatMap((element): readonly string[] =>
    element.type === TYPE.select
      ? Object.entries(element.options).flatMap(([name, { value }]) => [
          ...(name === 'other' ? [] : [`${element.value}=${name}`]),
          ...choicesOf(value),
        ])
      : element.type === TYPE.plural
        ? Object.values(element.options).flatMap(({ value }) => choicesOf(value))
        : [],
  );

const keys = Object.keys(CATALOGUES.en) as MessageKey[];

const sourcesIn = (folder: string): readonly string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry): readonly string[] => {
    const path = join(folder, entry.name);
    if (entry.isDirectory())
      return /^(en|es|node_modules|build|\.svelte-kit)$/.test(entry.name) ? [] : sourcesIn(path);
    return /(?<!\.test)\.(ts|svelte)$/.test(entry.name) ? [readFileSync(path, 'utf8')] : [];
  });

describe('the catalogues', () => {
  it('have the same messages in both languages, and none is empty', () => {
    for (const language of LANGUAGES) {
      expect(Object.keys(CATALOGUES[language]).sort()).toEqual([...keys].sort());
      expect(keys.filter((key) => CATALOGUES[language][key].trim() === '')).toEqual([]);
    }
  });

  it.each(keys)('%s takes the same arguments and knows the same choices', (key) => {
    const [en, es] = LANGUAGES.map((language) => CATALOGUES[language][key]) as [string, string];
    expect(namesOf(es)).toEqual(namesOf(en));
    const choices = (text: string) => [...new Set(choicesOf(parse(text, { ignoreTag: true })))].sort();
    // A language may need a choice that the other says with one word, but not fewer than English.
    expect(choices(es)).toEqual(expect.arrayContaining(choices(en)));
  });

  it('have no message that nobody says', () => {
    const root = join(import.meta.dirname, '../../..');
    const text = ['core/src', 'cli/src', 'web/src']
      .flatMap((folder) => sourcesIn(join(root, folder)))
      .join('\n');
    const named = new Set([...text.matchAll(/['"`]([a-z][\w-]*\.[\w. -]+)['"`]/g)].map(([, key]) => key!));
    // `finding.${code}` says every message that begins so.
    const begun = [...text.matchAll(/`([a-z][\w-]*(?:\.[\w-]+)*\.)\$\{/g)].map(([, start]) => start!);
    const alone = new Set([...text.matchAll(/say\(\s*'([\w-]+)'/g)].map(([, key]) => key!));
    const unused = keys.filter(
      (key) => !named.has(key) && !alone.has(key) && !begun.some((start) => key.startsWith(start)),
    );
    expect(unused).toEqual([]);
  });
});
