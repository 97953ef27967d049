/** The steps that are built, numbered as in the order of the work. */
export const STEPS = [
  { path: 'brief', number: 1, name: 'Brief', onPhone: 'Brief' },
  { path: 'loads', number: 2, name: 'Loads', onPhone: 'Loads' },
  { path: 'paths', number: 3, name: 'Paths', onPhone: 'Paths' },
  { path: 'moment', number: 4, name: 'Worst moment', onPhone: 'Moment' },
  { path: 'result', number: null, name: 'Result', onPhone: 'Result' },
] as const;

export type StepPath = (typeof STEPS)[number]['path'];
