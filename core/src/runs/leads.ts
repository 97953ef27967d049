import type { Run } from '../job/schema.ts';
import type { ArrayLead, Leads } from '../paths/cables.ts';
import { remembering } from '../quantity/remember.ts';
import { bankVoltageV } from '../reference/chemistries.ts';
import type { Fitted } from './fitted.ts';
import { type SizedRun, sizedRuns } from './sized.ts';

/** What the day's energy needs of the runs that are laid; null while none are: what is only proposed loses nothing yet. */
export function leadsOf(fitted: Fitted): Leads | null {
  const { runs } = fitted.option.system;
  return runs === null ? null : leadsThrough(runs, sizedRuns(runs, fitted), fitted);
}

/** The same of runs that are sized, laid or not. */
export function leadsThrough(
  runs: readonly Run[],
  sized: readonly SizedRun[],
  { option, sources }: Pick<Fitted, 'option' | 'sources'>,
): Leads {
  const { store, busVoltageV } = option.system;
  const nominalV = bankVoltageV(store, busVoltageV);
  const from = sized.flatMap(({ run, parent, coldOhm, zone, volts, kg }) => [
    run,
    parent,
    coldOhm,
    zone.kind,
    volts,
    kg,
  ]);
  const wires = remembered(runs, [nominalV, ...from], () => wiresOf(sized, nominalV));
  return { ...wires, ofArray: arrayLeads(sized, sources) };
}

/** All but what the sun comes in through, which goes with the panels. */
type Wires = Omit<Leads, 'ofArray'>;

/** Wires of runs already laid, so that what is reckoned with them stands while only something else changes. */
const remembered = remembering<readonly Run[], Wires>(2);

function wiresOf(sized: readonly SizedRun[], nominalV: number): Wires {
  const ofLoad = new Map<string, number>();
  const ofDevice = new Map<string, number>();
  for (const [i, { run }] of sized.entries()) {
    for (const load of run.loads) ofLoad.set(load, i);
    if (run.end === 'device' && run.part !== null) ofDevice.set(run.part, i);
  }
  return {
    ids: sized.map(({ run }) => run.id),
    ways: sized.map(({ zone, parent, coldOhm, volts }) => {
      const isSame = sized[parent]?.zone.kind === zone.kind;
      const v = zone.kind === 'bus' ? nominalV : volts;
      return { parent: isSame ? parent : -1, perW: coldOhm / v ** 2 };
    }),
    ofLoad,
    ofDevice,
    ofLink: chargingLeads(sized, 'driving'),
    ofCharger: chargingLeads(sized, 'charger'),
    kg: sized.reduce((sum, { kg }) => sum + kg, 0),
  };
}

const chargingLeads = (sized: readonly SizedRun[], end: 'driving' | 'charger'): ReadonlyMap<string, number> =>
  new Map(
    sized.flatMap(({ run, coldOhm }) => (run.end === end && run.part !== null ? [[run.part, coldOhm] as const] : [])),
  );

/** The leads of each array of which the way from its controller is laid; what panels are joined with may still be missing. */
function arrayLeads(sized: readonly SizedRun[], sources: Fitted['sources']): ReadonlyMap<string, ArrayLead> {
  const ohmOf = (end: 'array' | 'panels', id: string) =>
    sized.find(({ run }) => run.end === end && run.part === id)?.coldOhm ?? null;
  return new Map(
    sources.flatMap(({ kind, id, far }) => {
      const controllerOhm = kind === 'array' ? ohmOf('array', id) : null;
      if (controllerOhm === null || !far) return [];
      return [[id, { controllerOhm, panelsOhm: ohmOf('panels', id) ?? 0, panelsV: far.volts }] as const];
    }),
  );
}
