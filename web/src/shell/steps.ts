/** The steps that are built, numbered as in the order of the work; `key` goes there after G. */
export const STEPS = [
  { path: 'brief', number: 1, name: 'Brief', onPhone: 'Brief', key: 'b' },
  { path: 'loads', number: 2, name: 'Loads', onPhone: 'Loads', key: 'l' },
  { path: 'paths', number: 3, name: 'Paths', onPhone: 'Paths', key: 'p' },
  { path: 'moment', number: 4, name: 'Worst moment', onPhone: 'Moment', key: 'w' },
  { path: 'result', number: null, name: 'Result', onPhone: 'Result', key: 'r' },
] as const;

export type StepPath = (typeof STEPS)[number]['path'];
