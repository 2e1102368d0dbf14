// Writes the list of common passwords out of the npm package @zxcvbn-ts/language-common (MIT) into a file, one a line.
import fs from 'node:fs';
import { dictionary } from '@zxcvbn-ts/language-common';

const [file] = process.argv.slice(2);
const words = [...new Set(dictionary['passwords-common'].map((word) => String(word).toLowerCase()))];
if (words.length < 10_000) {
  throw new Error(`expected some ten thousand words, got ${words.length}`);
}
fs.writeFileSync(`${file}.new`, `${words.join('\n')}\n`);
fs.renameSync(`${file}.new`, file);
