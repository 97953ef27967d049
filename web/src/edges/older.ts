/** Brings forward what an older program kept: fetched only where there is any. */
export { migrate } from '@joulemetric/core';
