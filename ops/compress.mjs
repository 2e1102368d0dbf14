// Puts a compressed copy beside each file of a build, so that the web server need not compress at every request.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';

const folder = process.argv[2];
for (const name of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
  const file = join(folder, name);
  if (/\.(js|css|json|svg)$/.test(name) && statSync(file).size > 1000) {
    const bytes = readFileSync(file);
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(`${file}.br`, brotliCompressSync(bytes));
  }
}
