/**
 * The steps that are built, numbered as in the order of the work, by what is done in them; `key` goes there after G.
 * The answer has no number.
 */
export const STEPS = [
  { path: 'brief', number: 1, name: 'Brief', onPhone: 'Brief', key: 'b', part: 'take down' },
  { path: 'loads', number: 2, name: 'Loads', onPhone: 'Loads', key: 'l', part: 'take down' },
  { path: 'paths', number: 3, name: 'Paths', onPhone: 'Paths', key: 'p', part: 'design' },
  { path: 'moment', number: 4, name: 'Worst moment', onPhone: 'Moment', key: 'w', part: 'design' },
  { path: 'store', number: 5, name: 'Store', onPhone: 'Store', key: 's', part: 'design' },
  { path: 'sources', number: 6, name: 'Sources', onPhone: 'Sources', key: 'o', part: 'design' },
  { path: 'days', number: 7, name: 'Days', onPhone: 'Days', key: 'd', part: 'design' },
  { path: 'runs', number: 8, name: 'Runs', onPhone: 'Runs', key: 'u', part: 'design' },
  { path: 'logbook', number: 11, name: 'Logbook', onPhone: 'Log', key: 'm', part: 'measure' },
  { path: 'result', number: null, name: 'Result', onPhone: 'Result', key: 'r', part: 'hand over' },
] as const;

export type Step = (typeof STEPS)[number];
export type StepPath = Step['path'];

/** The steps of each part of the work, in order. */
export const PARTS: readonly (readonly Step[])[] = [...new Set(STEPS.map(({ part }) => part))].map((part) =>
  STEPS.filter((step) => step.part === part),
);
