import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const read = (path: string) => readFileSync(path, 'utf8');
const pages = [
  'README.md',
  ...readdirSync('docs')
    .filter((name) => name.endsWith('.md'))
    .map((name) => `docs/${name}`),
];

describe('the documents', () => {
  it.each(pages)('%s links only to what is there', (page) => {
    const base = page.includes('/') ? 'docs/' : '';
    for (const [, target = ''] of read(page).matchAll(/\]\(([^)#]+)[^)]*\)/g)) {
      if (!target.startsWith('http')) expect(existsSync(base + target), `${page}: ${target}`).toBe(true);
    }
  });

  it('show every picture there is, and no more than 19 of them', () => {
    const pictures = readdirSync('docs/screenshots');
    expect(pictures.length).toBeLessThan(20);
    for (const picture of pictures) expect(read('README.md')).toContain(`docs/screenshots/${picture}`);
  });

  it('name only commands that exist', () => {
    const { scripts } = JSON.parse(read('package.json'));
    for (const page of pages) {
      for (const [, name = ''] of read(page).matchAll(/`npm run (?:-s )?([a-z]+)/g))
        expect(scripts, page).toHaveProperty(name);
    }
  });

  it('explain every key of the job file', () => {
    const schema = JSON.parse(read('docs/job-file.schema.json'));
    const page = read('docs/job-file.md');
    const loadKeys = Object.keys(schema.properties.loads.items.properties);
    for (const key of [...Object.keys(schema.properties), ...loadKeys]) expect(page, key).toContain(key);
  });
});
