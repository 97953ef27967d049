import { readText } from './readText.ts';
for (const t of process.argv.slice(2)) {
  const r = readText(t.replaceAll('\\n', '\n'));
  console.log(r.tokens.map((t) => t.cls).join(''), r.facts);
}
