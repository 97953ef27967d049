import { remembering } from '../quantity/remember.ts';
import type { DesignOption, Feed, Job, Load } from './schema.ts';

/**
 * The job as one option feeds it: each load with the path, device and converter it has there. A load that the option
 * says nothing of is the very same object; a job of which it says nothing at all is the very same job.
 */
export function asFed(job: Job, option: DesignOption): Job {
  if (option.feeds.length === 0) return job;
  return { ...job, loads: remembered(option, [job.loads], () => fedLoads(job.loads, option)) };
}

/** Lists already made, so that a load that did not change stays the same object. Jobs are never changed in place. */
const remembered = remembering<DesignOption, Load[]>();

function fedLoads(loads: readonly Load[], option: DesignOption): Load[] {
  const feeds = new Map(option.feeds.map((feed) => [feed.load, feed]));
  return loads.map((load) => {
    const feed = feeds.get(load.id);
    return feed ? { ...load, ...wayOf(feed) } : load;
  });
}

/** How a load is fed. */
export type Way = Pick<Load, 'path' | 'device' | 'converterEfficiency'>;

const wayOf = ({ path, device, converterEfficiency }: Way): Way => ({ path, device, converterEfficiency });

const isSameWay = (a: Way, b: Way): boolean =>
  a.path === b.path && a.device === b.device && a.converterEfficiency === b.converterEfficiency;

/**
 * The job with a load fed otherwise in one option. Where there is but one option this is the load's usual way; where
 * there are several the others keep theirs, and a way that is the usual one again is no longer said.
 */
export function fedBy(job: Job, optionId: string, loadId: string, change: (way: Way) => Way): Job {
  const option = job.options.find(({ id }) => id === optionId);
  const load = job.loads.find(({ id }) => id === loadId);
  if (!option || !load) return job;
  const now = wayOf(option.feeds.find((feed) => feed.load === loadId) ?? load);
  const way = wayOf(change(now));
  if (isSameWay(way, now)) return job;
  const others = option.feeds.filter((feed) => feed.load !== loadId);
  const alone = job.options.length === 1;
  const feeds = alone || isSameWay(way, load) ? others : [...others, { load: loadId, ...way }];
  return {
    ...job,
    loads: alone ? job.loads.map((one) => (one === load ? { ...load, ...way } : one)) : job.loads,
    options: job.options.map((one) => (one === option ? { ...option, feeds } : one)),
  };
}

/** The job with nothing said in any option of how these loads are fed: they are gone, or something else now. */
export function withoutFeeds(job: Job, loadIds: readonly string[]): Job {
  const gone = new Set(loadIds);
  if (!job.options.some(({ feeds }) => feeds.some(({ load }) => gone.has(load)))) return job;
  return {
    ...job,
    options: job.options.map((option) => ({ ...option, feeds: option.feeds.filter(({ load }) => !gone.has(load)) })),
  };
}

/** The job with no load left on a device that is not there: in an option's own feeds, or in no option at all. */
export function withoutLostDevices(job: Job): Job {
  const anywhere = new Set(job.options.flatMap(({ system }) => system.devices.map(({ id }) => id)));
  const onKnown = <T extends { readonly device: string | null }>(one: T, known: ReadonlySet<string>): T =>
    one.device !== null && !known.has(one.device) ? { ...one, device: null } : one;
  const loads = job.loads.map((load) => onKnown(load, anywhere));
  const usual = new Map(loads.map((load) => [load.id, load]));
  const isSaid = (feed: Feed): boolean => {
    const load = usual.get(feed.load);
    return load !== undefined && !isSameWay(feed, load);
  };
  return {
    ...job,
    loads,
    options: job.options.map((option) => {
      const own = new Set(option.system.devices.map(({ id }) => id));
      return { ...option, feeds: option.feeds.map((feed) => onKnown(feed, own)).filter(isSaid) };
    }),
  };
}
