/** What a job file calls itself, and the version that is written; older ones are brought forward. */
export const JOB_FORMAT = 'joulemetric-job';
export const SCHEMA_VERSION = 11;

/** Ids of a job: small letters, digits and hyphens. */
export const ID_PATTERN = '^[a-z0-9][a-z0-9-]{0,39}$';

/** Loads that a job may hold. */
export const MOST_LOADS = 500;

/** The values a job may choose among, apart from the schema so that the page need not carry its builder. */
export const EVIDENCE = ['measured', 'data-sheet', 'nameplate', 'typical', 'guess'] as const;
export const CHEMISTRIES = ['lfp', 'agm', 'gel', 'flooded', 'starter'] as const;
/** Of batteries that are logged; a form of file changes only with its number. */
export const LOGGED_CHEMISTRIES = ['lfp', 'agm', 'gel', 'flooded'] as const;
export const SKIES = ['very-clear', 'mostly-clear', 'mixed', 'cloudy', 'overcast'] as const;
export const MARGINS = ['exact', 'plus-25', 'plus-50', 'room-to-grow'] as const;
export const PATHS = ['direct', 'dc-dc', 'inverter', 'inverter-adapter', 'station', 'supply-only', 'fuel'] as const;
export const MAINS = ['230V-50Hz', '120V-60Hz'] as const;
/** V of the mains of a region. */
export const MAINS_V: Readonly<Record<(typeof MAINS)[number], number>> = { '230V-50Hz': 230, '120V-60Hz': 120 };
export const BUS_VOLTAGES = [12, 24, 48] as const;
export const INSULATION = ['bare', 'light', 'good', 'thick'] as const;
/** Kinds of day that may have uses of their own; where several apply, the last in this order wins. */
export const DAY_KINDS = ['winter', 'summer', 'weekday', 'weekend', 'driving', 'parked'] as const;
export const POLICIES = ['always', 'with-loads', 'hours', 'manual'] as const;
/** What an inverter does while a supply is plugged in. */
export const FORMS = ['stand-alone', 'transfer', 'pass-through', 'assisting'] as const;
/** How an array stands: close to the roof, with air behind it, or set out by hand. */
export const MOUNTS = ['roof', 'free', 'portable'] as const;
/** How unlike groups of panels are joined on one controller. */
export const WIRINGS = ['parallel', 'series'] as const;
export const CONTROLLERS = ['mppt', 'pwm'] as const;
/** What charges from the alternator: a charger of its own, or a relay that joins the two batteries. */
export const LINKS = ['dc-dc', 'relay'] as const;
/** An alternator of steady voltage, or one that the vehicle turns down. */
export const ALTERNATORS = ['steady', 'smart'] as const;
/** Whether what fills a store adds up, or one socket takes one source at a time, as on many portable stations. */
export const INPUTS = ['add', 'one'] as const;
/** Who comes first where sun and alternator share one output. */
export const SHARINGS = ['sun-first', 'blended'] as const;
export const SENSES = ['terminals', 'battery'] as const;
/** Kinds of day of a trip; at home the store is filled, away nobody is on board. */
export const PLAN_KINDS = ['usual', 'parked', 'driving', 'supply', 'away', 'home'] as const;
/** Which loads go first when the store has no more to give: all at once, what is not critical, the largest. */
export const DROP_ORDERS = ['together', 'critical-last', 'largest-first'] as const;
/** What may coincide: anything at any time, or only what the lanes have at the same time. */
export const COINCIDE = ['any-time', 'by-lanes'] as const;
export const WAVEFORMS = ['pure', 'stepped'] as const;
/** What lies at the far end of a run of cable. */
export const RUN_ENDS = ['busbar', 'device', 'loads', 'array', 'panels', 'driving', 'alternator', 'charger'] as const;
/** Strands and metal: fine strands by area, strands by AWG, one solid wire, aluminium. */
export const CONDUCTOR_KINDS = ['flexible', 'awg', 'solid', 'aluminium'] as const;
/** What opens when too much flows; "as needed" leaves the kind to the program. */
export const PROTECTIONS = ['as-needed', 'none', 'blade', 'strip', 'high-interrupt', 'knife', 'breaker'] as const;
/** How much voltage may be lost on the way, by whose practice. */
export const DROP_LIMITS = ['marine', 'caravan', 'strict'] as const;
/** What the share lost is of: 12.0 and 24.0 V, or what the chemistry calls nominal. */
export const DROPS_OF = ['bus', 'chemistry'] as const;
/** By whose table conductors that lie together carry less. */
export const BUNDLINGS = ['marine', 'building'] as const;
export const OUTPUT_VOLTAGES = [5, 9, 12, 15, 19, 20, 24, 48] as const;
