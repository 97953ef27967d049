/** The steps that are built, numbered as in the order of the work. */
export const STEPS = [
  { path: 'brief', number: 1, name: 'Brief' },
  { path: 'loads', number: 2, name: 'Loads' },
  { path: 'paths', number: 3, name: 'Paths' },
  { path: 'result', number: null, name: 'Result' },
] as const;

export type StepPath = (typeof STEPS)[number]['path'];
