/** `npm run schema`: writes the published JSON Schema from the one in the core; `-- --check` only compares. */
import { readFile, writeFile } from 'node:fs/promises';
import { JobSchema } from '@joulemetric/core/schema';

const target = new URL('../docs/job-file.schema.json', import.meta.url);
const published = `${JSON.stringify(JobSchema, null, 2)}\n`;
if (process.argv.includes('--check')) {
  const current = await readFile(target, 'utf8').catch(() => '');
  if (current !== published) {
    process.stderr.write('docs/job-file.schema.json is not what the core has: run npm run schema\n');
    process.exit(1);
  }
} else {
  await writeFile(target, published);
}
