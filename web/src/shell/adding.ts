/** Told to the Loads step by whoever leads there to add one: its line takes the focus once it is there. */
export const ADDING = { add: true };
export const isAdding = (state: unknown): boolean => (state as typeof ADDING | null | undefined)?.add === true;
