import { blankJob, type Job, loadsOfTemplate, TEMPLATES } from '@joulemetric/core';
import { expect, it } from 'vitest';
import { isLong } from './useReckoned.ts';

const [load] = loadsOfTemplate(TEMPLATES[0] as (typeof TEMPLATES)[number], []);
if (!load) throw new Error('the template has no loads');
const job = (loads: number, groups: number, coincide: Job['rules']['coincide']): Job => ({
  ...blankJob('x'),
  rules: { ...blankJob('x').rules, coincide },
  loads: Array.from({ length: loads }, (_, i) => ({ ...load, id: `l-${i}` })),
  together: { atMost: Array.from({ length: groups }, () => ({ loads: ['l-0', 'l-1'], most: 1 })), always: [] },
});

it.each([
  [0, 0, 'any-time', false],
  [40, 12, 'any-time', false],
  [300, 0, 'any-time', false],
  [300, 100, 'any-time', true],
  [500, 0, 'any-time', true],
  [40, 0, 'by-lanes', false],
  [60, 20, 'by-lanes', true],
  [100, 60, 'by-lanes', true],
] as const)('%d loads in %d groups, %s: off the page %s', (loads, groups, coincide, expected) => {
  expect(isLong(job(loads, groups, coincide))).toBe(expected);
});
