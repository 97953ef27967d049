import { type Job, type PlanStretch, planOf } from '@joulemetric/core';
import { changeBrief } from './design.ts';
import type { Edit } from './loads.ts';

/** Edits of the days of the trip. The first of them writes down the plan that was taken till then. */

const MOST_STRETCHES = 60;
const MOST_DAYS = 366;

const changed =
  (change: (plan: readonly PlanStretch[]) => readonly PlanStretch[]): Edit =>
  (job) => {
    const plan = change(planOf(job.brief));
    const days = plan.reduce((sum, stretch) => sum + stretch.days, 0);
    return days > MOST_DAYS || plan.length > MOST_STRETCHES ? job : changeBrief({ plan: [...plan] })(job);
  };

export const changeStretch = (index: number, change: Partial<PlanStretch>): Edit =>
  changed((plan) => plan.map((one, i) => (i === index ? { ...one, ...change } : one)));

/** Another kind of day; what only the kind before had goes with it. */
export const changeKind =
  (index: number, kind: PlanStretch['kind'], supply: string | null): Edit =>
  (job) =>
    changeStretch(index, { kind, driveH: null, hours: null, supply: kind === 'supply' ? supply : null })(job);

/** Longer or shorter, at least a day. */
export const lengthen = (index: number, byDays: number): Edit =>
  changed((plan) => plan.map((one, i) => (i === index ? { ...one, days: Math.max(1, one.days + byDays) } : one)));

/** One place earlier or later. */
export const moveStretch = (index: number, by: -1 | 1): Edit =>
  changed((plan) => {
    const to = index + by;
    if (to < 0 || to >= plan.length) return plan;
    const next = [...plan];
    const [one] = next.splice(index, 1);
    if (one) next.splice(to, 0, one);
    return next;
  });

export const addStretch: Edit = changed((plan) => [
  ...plan,
  { kind: 'parked', days: 1, driveH: null, supply: null, hours: null },
]);

/** Without its last one a plan is the usual again. */
export const removeStretch =
  (index: number): Edit =>
  (job: Job) =>
    changeBrief({ plan: planOf(job.brief).filter((_, i) => i !== index) })(job);

/** The plan that is taken where none is said. */
export const usualPlan: Edit = (job) => changeBrief({ plan: [] })(job);
