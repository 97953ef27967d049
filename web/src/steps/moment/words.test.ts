import {
  blankCharger,
  blankJob,
  blankSupply,
  evaluate,
  FORMS,
  type Job,
  momentDetail,
  proposeLoad,
} from '@joulemetric/core';
import { describe, expect, it } from 'vitest';
import { addLoad } from '../../commands/loads.ts';
import { addSupply, changeSupply } from '../../commands/supplies.ts';
import { joinTogether, limitTogether } from '../../commands/together.ts';
import { chargerText, clashSentence, markSentences, nameList, orderSentence } from './cardWords.ts';
import { FAIL_WORDS, FORM_WORDS, tripWords } from './words.ts';

const jobOf = (...lines: string[]): Job =>
  lines.reduce((job, line) => {
    const { load } = proposeLoad(line, (name) => name);
    if (!load) throw new Error(line);
    return addLoad({ ...load, path: 'supply-only' })(job);
  }, blankJob('Card'));
const job = jobOf('kettle 2000W', 'toaster 900W', 'washing machine 2000W');
const ids = job.loads.map(({ id }) => id);
const [kettle = '', toaster = '', washer = ''] = ids;
const nameOf = (id: string) => job.loads.find((load) => load.id === id)?.name ?? '';

describe('the client’s card', () => {
  it('says what is marked, for two, for several, and for what runs together', () => {
    const marked = [
      limitTogether([kettle, toaster], 1),
      limitTogether(ids, 1),
      limitTogether(ids, 2),
      joinTogether([kettle, washer]),
    ];
    const sentences = markSentences(marked.reduce((now, edit) => edit(now), job));
    expect(sentences[0]).toBe(`${nameOf(kettle)} and ${nameOf(toaster)}: one after the other.`);
    expect(sentences[1]).toMatch(/: only one at a time\.$/);
    expect(sentences[2]).toMatch(/: at most 2 at a time\.$/);
    expect(sentences[3]).toBe(`${nameOf(kettle)} and ${nameOf(washer)} run together.`);
  });

  it('says a clash of one, of two and of three', () => {
    expect(clashSentence([kettle], job)).toBe(`Not ${nameOf(kettle)} at all.`);
    expect(clashSentence([kettle, toaster], job)).toBe(`Not ${nameOf(kettle)} and ${nameOf(toaster)} at once.`);
    expect(clashSentence(ids, job)).toMatch(/all at once: leave one of them off\.$/);
    expect(nameList(['@charger'], job)).toBe('the charger');
  });

  it('names the hard starts in order, and nothing where none matters', () => {
    const on = (some: Job) => evaluate(addSupply(blankSupply('generator', '230V-50Hz'))(some)).supplies[0];
    const turning = { startRatio: 3, draw: { kind: 'steady', powerW: 2000 } } as const;
    const motors = {
      ...job,
      loads: job.loads.map((load) => ({ ...load, startRatio: 1, ...(load.id === washer ? turning : {}) })),
    };
    const moment = on(motors);
    if (!moment) throw new Error('no supply');
    expect(orderSentence(moment)).toBe(`Switch on first ${nameOf(washer)}; then the rest.`);
    const still = on({ ...job, loads: job.loads.map((load) => ({ ...load, startRatio: 1 })) });
    expect(still && orderSentence(still)).toBeNull();
  });

  it('tells how far the charger goes down in A at the battery', () => {
    const charger = { ...blankCharger('c', 'C', 40), leastA: 0, efficiency: 1, powerFactor: 1 };
    const charging = {
      ...jobOf('kettle 2000W'),
      options: job.options.map((option) => ({
        ...option,
        system: { ...option.system, chargers: [charger] },
      })),
    };
    const plugged = changeSupply('hookup', { share: 1 })(addSupply(blankSupply('hookup', '230V-50Hz'))(charging));
    const [moment] = evaluate(plugged).supplies;
    // 2,300 W less the kettle's 2,000 W leave 300 W: 22.1 A at 13.6 V.
    expect(moment && chargerText(moment, [charger])).toBe('22.1\u2009A');
  });
});

describe('words of the step', () => {
  it('tell each way of tripping apart, with how soon', () => {
    const words = (kind: Parameters<typeof tripWords>[0]['kind']) =>
      tripWords({ kind, asked: 2100, limit: 2000, unit: 'W', seconds: 3, holdSeconds: 1 });
    expect(words('inrush')).toContain('at once');
    expect(words('surge-time')).toContain('after 1\u2009s');
    expect(words('overload')).toContain('within a minute');
    expect(words('heat')).toContain('minutes or hours');
  });

  it('are there for every kind of inverter and every way of failing that a job can have', () => {
    const inverterJob = {
      ...job,
      loads: job.loads.map((load) => ({ ...load, path: 'inverter' as const, startRatio: 5, startSeconds: 3 })),
    };
    const [detail] = momentDetail(inverterJob, 'a').inverters;
    expect(detail?.forms.map(({ form }) => FORM_WORDS[form].name)).toHaveLength(FORMS.length);
    const fails = new Set(detail?.sizes.flatMap((size) => size.fails));
    expect(fails.size).toBeGreaterThan(1);
    for (const fail of fails) expect(FAIL_WORDS[fail]).toMatch(/^[a-z]/i);
  });
});
