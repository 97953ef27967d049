import { proposeLoad } from './propose.ts';

for (const t of process.argv.slice(2)) {
  const p = proposeLoad(t.replaceAll('\\n', '\n'), (n) => n);
  console.log(
    t,
    '→',
    p.appliance?.id,
    p.load?.name,
    JSON.stringify(p.load?.draw),
    p.load?.path,
    p.load?.uses.length,
    p.questions,
    p.notes,
  );
}
