/**
 * A figure is a number that can be opened: it carries the formula it came from, the values put in,
 * and where each of those came from. The interface, the command line and the reports only draw it.
 */

/** P published source; T common practice without a source; M recalled from memory; P·M published,
 * figure recalled; D invented for the demo; job = entered in this job; computed = from other figures. */
export type OriginLabel = 'P' | 'T' | 'M' | 'P·M' | 'D' | 'job' | 'computed';

export interface Origin {
  readonly label: OriginLabel;
  /** In the reader's words: the source's name, or how the value was got. */
  readonly source: string;
}

export interface WorkingInput<Id extends string = string> {
  /** The name that stands in braces in the formula. */
  readonly symbol: string;
  readonly label: string;
  readonly value: number | string;
  readonly unit: string;
  readonly origin: Origin;
  /** Set when the value is itself a figure and can be opened. */
  readonly figure?: Id;
}

export interface Working<Input = WorkingInput> {
  /** Readable formula; `{symbol}` stands for an input of that symbol. */
  readonly formula: string;
  readonly inputs: readonly Input[];
  /** The question a sceptic would ask, answered. */
  readonly note?: string | undefined;
}

/** @typeParam Id the figures that its working may refer to */
export interface Figure<Id extends string = string> {
  readonly value: number;
  readonly unit: string;
  readonly label: string;
  readonly basis: Origin;
  readonly working: Working<WorkingInput<Id>>;
}

/** An input that is another figure, wherever that is explained. */
export interface Reference {
  readonly symbol: string;
  readonly refersTo: string;
}

/** A figure as it is explained: what it refers to is filled in once all are there, so that no order is needed. */
export interface Draft extends Omit<Figure, 'working'> {
  readonly working: Working<WorkingInput | Reference>;
}

export type Drafts<Id extends string> = Readonly<Record<Id, Draft>>;

export const refer = (symbol: string, refersTo: string): Reference => ({ symbol, refersTo });

/** The figures of one concept: `store.required`. */
export function family<F extends string, K extends string>(name: F, members: Record<K, Draft>): Drafts<`${F}.${K}`> {
  return Object.fromEntries(
    Object.entries(members).map(([key, draft]) => [`${name}.${key}`, draft]),
  ) as Drafts<`${F}.${K}`>;
}

/** The figures of each of several things, by their ids: `supply[shore].limit`. */
export function familyOf<F extends string, K extends string>(
  name: F,
  instances: readonly { readonly id: string; readonly members: Partial<Record<K, Draft>> }[],
): Partial<Drafts<`${F}[${string}].${K}`>> {
  return Object.fromEntries(
    instances.flatMap(({ id, members }) =>
      Object.entries(members).map(([key, draft]) => [`${name}[${id}].${key}`, draft]),
    ),
  ) as Partial<Drafts<`${F}[${string}].${K}`>>;
}

const refersToNone = (draft: Draft): draft is Figure => draft.working.inputs.every((input) => !('refersTo' in input));

/** Fills in what figures refer to; refuses a value that is not a number, so that no NaN leaves the core. */
export function bind(...families: readonly Partial<Drafts<string>>[]): Readonly<Record<string, Figure>> {
  const drafts = new Map<string, Draft>();
  for (const members of families) for (const id in members) drafts.set(id, members[id] as Draft);
  const referred = ({ symbol, refersTo }: Reference, by: string): WorkingInput => {
    const found = drafts.get(refersTo);
    if (!found) throw new Error(`figure ${by} refers to ${refersTo}, which is not there`);
    const { value, unit, label, basis } = found;
    return { symbol, label, value: value + 0, unit, origin: basis, figure: refersTo };
  };
  return Object.fromEntries(
    [...drafts].map(([id, draft]) => {
      if (!Number.isFinite(draft.value)) throw new RangeError(`figure ${id} is not a finite number`);
      // No figure is −0: it would be shown with a sign.
      const value = draft.value + 0;
      if (Object.is(value, draft.value) && refersToNone(draft)) return [id, draft];
      const inputs = draft.working.inputs.map((input) => ('refersTo' in input ? referred(input, id) : input));
      return [id, { ...draft, value, working: { ...draft.working, inputs } }];
    }),
  );
}
