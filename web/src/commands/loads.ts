import {
  type Day,
  type DayKind,
  editedKind,
  fedBy,
  freeId,
  type Job,
  type Load,
  MOST_LOADS,
  type Use,
  type Way,
  withoutFeeds,
} from '@joulemetric/core';

/** Edits of the list of loads: each takes the old job and gives a new one. */
export type Edit = (job: Job) => Job;

/** Loads that still fit into a job; whoever adds more is told so before. */
export const roomFor = (job: Job): number => MOST_LOADS - job.loads.length;

export const addLoad = (load: Load): Edit => addLoads([load]);

/** Adds loads at the end, all or none, each with an id of its own in this job. */
export const addLoads =
  (loads: readonly Load[]): Edit =>
  (job) => {
    if (loads.length === 0 || loads.length > roomFor(job)) return job;
    const taken = new Set(job.loads.map(({ id }) => id));
    const added = loads.map((load) => {
      const id = freeId(load.name, taken);
      taken.add(id);
      return { ...load, id };
    });
    return { ...job, loads: [...job.loads, ...added] };
  };

/** Changes what a load is in itself. */
export const changeLoad =
  (id: string, change: Omit<LoadChange, keyof Way>): Edit =>
  (job) => ({ ...job, loads: job.loads.map((load) => (load.id === id ? { ...load, ...change } : load)) });

/** What a load is and, in one option, how it is fed: where there is but one option, that is its usual way. */
export type LoadChange = Partial<Omit<Load, 'id'>>;

const WAY = ['path', 'device', 'converterEfficiency'] as const satisfies (keyof Way)[];

/** The same change to several loads, as one step; how they are fed changes in that option. */
export const changeLoads =
  (ids: ReadonlySet<string>, change: LoadChange, optionId: string): Edit =>
  (job) => {
    const way: Partial<Way> = Object.fromEntries(WAY.filter((key) => key in change).map((key) => [key, change[key]]));
    const { path: _path, device: _device, converterEfficiency: _efficiency, ...rest } = change;
    const loads = job.loads.map((load) => (ids.has(load.id) ? { ...load, ...rest } : load));
    const changed = Object.keys(rest).length > 0 ? { ...job, loads } : job;
    if (Object.keys(way).length === 0) return changed;
    return [...ids].reduce((fed, id) => fedBy(fed, optionId, id, (now) => ({ ...now, ...way })), changed);
  };

/** Other uses of a load: on a particular kind of day they become that kind's own. */
export const changeUses = (id: string, day: Day, uses: Use[]): Edit => {
  const kind = editedKind(day);
  return kind === null ? changeLoad(id, { uses }) : setVariant(id, kind, uses);
};

/** Gives a load uses of its own on a kind of day, or takes them back (null: as usual). */
export const setVariant =
  (id: string, kind: DayKind, uses: readonly Use[] | null): Edit =>
  (job) => {
    const load = job.loads.find((other) => other.id === id);
    if (!load) return job;
    const others = load.variants.filter(({ on }) => on !== kind);
    return changeLoad(id, { variants: uses === null ? others : [...others, { on: kind, uses: [...uses] }] })(job);
  };

export const removeLoads =
  (ids: ReadonlySet<string>): Edit =>
  (job) =>
    [...ids].reduce((left, id) => removeLoad(id)(left), job);

export const duplicateLoads =
  (ids: ReadonlySet<string>): Edit =>
  (job) =>
    [...ids].reduce((more, id) => duplicateLoad(id)(more), job);

/** Puts a load before another in the list, at its end for null, and into a room or circuit if it is dropped in one. */
export const moveLoadTo =
  (id: string, beforeId: string | null, change: Partial<Pick<Load, 'room' | 'circuit'>> = {}): Edit =>
  (job) => {
    const load = job.loads.find((other) => other.id === id);
    if (!load || id === beforeId) return job;
    const rest = job.loads.filter((other) => other !== load);
    const at = beforeId === null ? rest.length : rest.findIndex((other) => other.id === beforeId);
    return { ...job, loads: rest.toSpliced(at < 0 ? rest.length : at, 0, { ...load, ...change }) };
  };

export const duplicateLoad =
  (id: string): Edit =>
  (job) => {
    const at = job.loads.findIndex((load) => load.id === id);
    const original = job.loads[at];
    if (!original || roomFor(job) < 1) return job;
    const copy = {
      ...original,
      id: freeId(
        original.name,
        job.loads.map((load) => load.id),
      ),
    };
    const options = job.options.map((option) => {
      const feed = option.feeds.find(({ load }) => load === id);
      return feed ? { ...option, feeds: [...option.feeds, { ...feed, load: copy.id }] } : option;
    });
    return { ...job, options, loads: job.loads.toSpliced(at + 1, 0, copy) };
  };

/** Removes a load and takes it out of the groups it stood in; a group that says nothing any more goes with it. */
export const removeLoad =
  (id: string): Edit =>
  (job) => {
    const left = (group: readonly string[]) => group.filter((member) => member !== id);
    return {
      ...withoutFeeds(job, [id]),
      loads: job.loads.filter((load) => load.id !== id),
      together: {
        atMost: job.together.atMost
          .map(({ loads, most }) => ({ loads: left(loads), most }))
          .filter(({ loads, most }) => loads.length > most),
        always: job.together.always.map(left).filter((group) => group.length > 1),
      },
    };
  };

/** Moves a load up (−1) or down (+1) the list. */
export const moveLoad =
  (id: string, by: -1 | 1): Edit =>
  (job) => {
    const from = job.loads.findIndex((load) => load.id === id);
    const to = from + by;
    const load = job.loads[from];
    if (!load || to < 0 || to >= job.loads.length) return job;
    return { ...job, loads: job.loads.toSpliced(from, 1).toSpliced(to, 0, load) };
  };

/** What such a job usually has is not there, as somebody said: it is not asked for again. */
export const hasNot =
  (key: string): Edit =>
  (job) =>
    job.hasNot.some(({ id }) => id === key) ? job : { ...job, hasNot: [...job.hasNot, { id: key }] };
