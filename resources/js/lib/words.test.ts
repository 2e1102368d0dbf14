import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { en } from './en';
import { enMore } from './enMore';

const room = join(import.meta.dirname, '..');
const files = readdirSync(room, { recursive: true, encoding: 'utf8' }).filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'));

const keysOf = (words: object, before = ''): string[] =>
  Object.entries(words).flatMap(([key, word]) =>
    typeof word === 'object' && word !== null ? keysOf(word, `${before}${key}.`) : [`${before}${key}`],
  );
const bare = (key: string) => key.replace(/_(zero|one|two|few|many|other|both)$/g, '').replace(/_both$/, '');
const known = new Set([...keysOf(en), ...keysOf(enMore)].flatMap((key) => [key, bare(key), bare(bare(key))]));
const later = new Set(keysOf(enMore).map(bare));
const now = new Set(keysOf(en).map(bare));

it('has words for whatever is asked for by name', () => {
  const missing = files.flatMap((name) =>
    [...readFileSync(join(room, name), 'utf8').matchAll(/\bt\(\s*'([\w.-]+)'/g)].flatMap(([, key = '']) =>
      known.has(key) ? [] : [`${name}: ${key}`],
    ),
  );
  expect(missing).toEqual([]);
});

it('brings the words of rare pages to every page that asks for them', () => {
  const without = files.flatMap((name) => {
    const text = readFileSync(join(room, name), 'utf8');
    const asked = [...text.matchAll(/\bt\(\s*'([\w.-]+)'/g)].map(([, key = '']) => key).filter((key) => later.has(key) && !now.has(key));
    return asked.length > 0 && !text.includes('i18nMore') ? [`${name}: ${asked[0]}`] : [];
  });
  expect(without).toEqual([]);
});
