// Packs the built pages for whoever takes them so: gzip (RFC 1952) and Brotli (RFC 7932), beside
// each file. Usage: node pack.js FOLDER
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';

const folder = process.argv[2];
for (const name of readdirSync(folder)) {
  if (!/\.(?:js|css)$/.test(name)) continue;

  const whole = readFileSync(join(folder, name));
  writeFileSync(join(folder, `${name}.gz`), gzipSync(whole, { level: 9 }));
  writeFileSync(join(folder, `${name}.br`), brotliCompressSync(whole));
}
