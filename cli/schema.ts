/** `npm run schema`: writes the published JSON Schemas from those in the core; `-- --check` only compares. */
import { readFile, writeFile } from 'node:fs/promises';
import { LogSchema } from '@joulemetric/core/log-schema';
import { JobSchema } from '@joulemetric/core/schema';

const PUBLISHED = { 'job-file': JobSchema, 'log-file': LogSchema };
for (const [name, schema] of Object.entries(PUBLISHED)) {
  const target = new URL(`../docs/${name}.schema.json`, import.meta.url);
  const published = `${JSON.stringify(schema, null, 2)}\n`;
  if (!process.argv.includes('--check')) await writeFile(target, published);
  else if ((await readFile(target, 'utf8').catch(() => '')) !== published) {
    process.stderr.write(`docs/${name}.schema.json is not what the core has: run npm run schema\n`);
    process.exit(1);
  }
}
