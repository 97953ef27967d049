/** The values a log may choose among, apart from its schema so that the page need not carry its builder. */
export const LOG_VERSION = 1;
export const PURPOSES = ['runtime', 'appliance', 'loss', 'compare', 'charge', 'check', 'watch'] as const;
export const MARKS = ['start', 'stop', 'phase', 'cut-out', 'rest'] as const;
export const COUNTS = ['out', 'in', 'net', 'from-full'] as const;
export const ABOUT = ['load', 'device', 'store'] as const;
export const RESULTS = ['open', 'good', 'bad', 'left-out'] as const;
