import { readFileSync } from 'node:fs';
import { runningPowerW } from '../job/draw.ts';
import { minutesPerDay } from '../loads/uses.ts';
import { buildDay } from '../test/dayEnergy.ts';
import { LABELS } from '../test/labelCorpus.ts';
import { LINES } from '../test/lineCorpus.ts';
import { proposeLoad } from './propose.ts';
import { readText } from './readText.ts';

const which = process.argv[2] as string;
const only = process.argv[3];
const src = which === 'lines' ? LINES : which === 'labels' ? LABELS : readFileSync(which, 'utf8');
const id = (n: string) =>
  n
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 40) || 'x';
function actual(key: string, p: any): any {
  const load = p.load;
  switch (key) {
    case 'type':
      return p.appliance?.id ?? '-';
    case 'q':
      return load.quantity;
    case 'W':
      return runningPowerW(load.draw);
    case 'C':
      return load.draw.kind === 'room' ? load.draw.capacityW : null;
    case 'min':
      return minutesPerDay(load.uses);
    case 'n':
      return load.uses.length;
    case 'path':
      return load.path;
    case 'days':
      return load.daysPerWeek;
    case 'duty':
      return load.draw.kind === 'thermostatic' ? load.draw.duty * 100 : null;
    case 'start':
      return load.startRatio;
    case 'pf':
      return load.powerFactor;
    case 'V':
      return `${load.minV}–${load.maxV}`;
    case 'wh':
      return buildDay(load);
    case 'weekend':
    case 'winter':
    case 'summer':
    case 'weekday':
      return minutesPerDay(load.variants.find((v: any) => v.on === key)?.uses ?? []);
    case 'phases':
      return load.draw.kind === 'cycle'
        ? load.draw.phases.map((x: any) => `${x.powerW}x${x.minutes}`).join(', ')
        : null;
    case 'at': {
      const f = load.uses[0];
      return f ? `${Math.floor(f.startMin / 60)}:${String(f.startMin % 60).padStart(2, '0')}` : null;
    }
    default:
      return undefined;
  }
}
let bad = 0,
  asked = 0,
  wrong = 0,
  n = 0,
  threw = 0;
for (const line of src.trim().split('\n')) {
  if (!line.includes(' ⇒ ')) continue;
  const [raw = '', told = ''] = line.split(' ⇒ ');
  const text = raw.replaceAll(' / ', which.includes('plates') ? '\n' : ' / ');
  if (only && !raw.includes(only)) continue;
  n++;
  let p: any;
  const fails: string[] = [];
  try {
    p = proposeLoad(text, id);
  } catch (e: any) {
    fails.push(`THREW ${e.message}`);
    threw++;
  }
  if (p) {
    const codes = p.questions.map((q: any) => q.code);
    if (which === 'labels') {
      const [w = '', supply = '', ...extras] = told.split('|').map((x) => x.trim());
      if (w === '-' ? p.power.powerW !== null : !(Math.abs((p.power.powerW ?? -1) - Number(w)) < 0.01))
        fails.push(`W ${p.power.powerW} for ${w}`);
      const s = p.power.supply ? `${p.power.supply.kind} ${p.power.supply.volts}` : '-';
      if (s !== supply) fails.push(`supply ${s} for ${supply}`);
      if (codes.length > 0 !== extras.includes('q')) fails.push(`asked ${codes}`);
      for (const e of extras) {
        const [k, v] = e.split(' ');
        if (k === 'pf' && Math.abs((p.power.powerFactor ?? 0) - Number(v)) > 1e-3)
          fails.push(`pf ${p.power.powerFactor}`);
      }
    } else {
      const [first = '', ...rest] = told.split('; ');
      const parts = told
        .split('; ')
        .filter((x) => !x.startsWith('?') && x !== 'missing power' && !x.startsWith('step'));
      const wants = told.split('; ').filter((x) => x.startsWith('?'));
      const step = told
        .split('; ')
        .find((x) => x.startsWith('step'))
        ?.slice(5);
      if (step) {
        const q = p.questions.find((q: any) => q.step);
        if (q?.step !== step) fails.push(`step ${q?.step}; asked ${codes} load ${p.load ? actual('W', p) : ''}`);
      } else if (wants.length) {
        const [code, choice] = (wants[0] as string).slice(1).split('/');
        const q = p.questions.find((x: any) => !code || x.code === code);
        if (!q) fails.push(`asked [${codes}] not ${code}`);
        else if (choice && !q.choices.includes(choice))
          fails.push(`choices ${JSON.stringify(q.choices)} not ${choice}`);
      } else if (first === 'missing power') {
        if (p.missing !== 'power') fails.push(`missing ${p.missing}`);
      } else if (codes.length) {
        fails.push(`asked ${p.questions.map((q: any) => `${q.code}«${q.found}»`)}`);
        asked++;
      }
      if (p.load)
        for (const part of parts) {
          const at = part.indexOf(' ');
          const [k, v] = [part.slice(0, at), part.slice(at + 1)];
          const found = actual(k, p);
          if (
            typeof found === 'number'
              ? Math.abs(found - Number(v)) > (Number(v) > 100 ? 0.05 * 10 : 0.006)
              : found !== v
          )
            fails.push(`${k} ${found}`);
        }
      else if (parts.length && first !== 'missing power') fails.push(`no load, missing ${p.missing}`);
      if (fails.length && !codes.length && p.load && !wants.length) wrong++;
    }
  }
  if (fails.length) {
    bad++;
    console.log(`${line}\n      ${fails.join(' | ')}`);
    if (process.argv[4] || only) {
      const r = readText(text);
      console.log(
        '      ',
        r.tokens.map((t) => t.cls).join(''),
        r.facts
          .map(
            (f) =>
              `${f.kind}${f.mark ? '.' + f.mark : ''}${f.marks ? '!' + f.marks : ''}=${Number(f.value.toPrecision(4))}${f.second !== undefined ? '→' + f.second : ''}${f.tag ? '#' + f.tag : ''}«${r.tokens
                .slice(f.from, f.to)
                .map((t) => t.written)
                .join(' ')}»`,
          )
          .join(' '),
      );
      console.log('      name:', p?.load?.name, '| notes', p?.notes);
    }
  } else if (only) {
    const r = readText(text);
    console.log('ok', line);
  }
}
console.log({ n, bad, asked, wrong, threw });
