import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { expect, it } from 'vitest';
import { en } from './en';
import { enAnswers } from './enAnswers';
import { enMore } from './enMore';
import { enPlanning } from './enPlanning';
import { enRoom } from './enRoom';

const room = join(import.meta.dirname, '..');
const files = readdirSync(room, { recursive: true, encoding: 'utf8' }).filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'));
const text = new Map(files.map((name) => [name, readFileSync(join(room, name), 'utf8')]));

const keysOf = (words: object, before = ''): string[] =>
  Object.entries(words).flatMap(([key, word]) =>
    typeof word === 'object' && word !== null ? keysOf(word, `${before}${key}.`) : [`${before}${key}`],
  );
const bare = (key: string) => key.replace(/_(zero|one|two|few|many|other|both)$/, '');
const namesOf = (words: object) => new Set(keysOf(words).flatMap((key) => [key, bare(key), bare(bare(key))]));

/** Which files bring which words with them. */
const brings = new Map([
  ['lib/i18n.ts', namesOf(en)],
  ['lib/i18nMore.ts', namesOf(enMore)],
  ['lib/i18nPlanning.ts', namesOf(enPlanning)],
  ['lib/i18nRoom.ts', namesOf(enRoom)],
  ['lib/i18nAnswers.ts', namesOf(enAnswers)],
]);
const known = new Set([...brings.values()].flatMap((names) => [...names]));

const named = (from: string, pattern: RegExp): string[] =>
  [...(text.get(from) ?? '').matchAll(pattern)].flatMap(([, to = '']) => {
    const bareName = join(dirname(from), to);
    return ['.tsx', '.ts'].map((end) => bareName + end).filter((name) => existsSync(join(room, name)));
  });
const loadedWith = (root: string): Set<string> => {
  const seen = new Set<string>();
  for (const open = [root]; open.length > 0;) {
    const name = open.pop() as string;
    if (seen.has(name)) continue;
    seen.add(name);
    open.push(...named(name, /^(?:import\s(?!type\b)|export [*{])[^;=]*?'(\.[^']+)'/gm));
  }
  return seen;
};
const asked = (name: string) => [...(text.get(name) ?? '').matchAll(/\bt\(\s*'([\w.-]+)'/g)].map(([, key = '']) => key);

it('has words for whatever is asked for by name', () => {
  expect(files.flatMap((name) => asked(name).flatMap((key) => (known.has(key) ? [] : [`${name}: ${key}`])))).toEqual([]);
});

it('brings with every page, however it is opened first, the words it asks for', () => {
  const first = loadedWith('main.tsx');
  const pages = ['main.tsx', ...new Set(files.flatMap((name) => named(name, /import\(\s*'(\.[^']+)'/g)))];
  const without = pages.flatMap((page) => {
    const loaded = new Set([...first, ...loadedWith(page)]);
    const words = new Set([...brings].flatMap(([name, names]) => (loaded.has(name) ? [...names] : [])));
    return [...loaded].flatMap((name) => asked(name).flatMap((key) => (words.has(key) ? [] : [`${page}, ${name}: ${key}`])));
  });
  expect(pages.length).toBeGreaterThan(10);
  expect(without).toEqual([]);
});
