import { createHash } from 'node:crypto';
import { homedir } from 'node:os';
import { basename, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

/**
 * Where this checkout keeps its data: outside the checkout, so that cleaning it loses no job, and one place
 * a checkout, so that two do not meet. Root's home is closed to PostgreSQL's system user, hence /var/lib.
 */
export function dataDirectory() {
  const name = `${basename(ROOT)}-${createHash('sha256').update(ROOT).digest('hex').slice(0, 8)}`;
  if (process.env.JOULEMETRIC_DATA) return process.env.JOULEMETRIC_DATA;
  if (process.getuid?.() === 0) return join('/var/lib/joulemetric', name);
  return join(process.env.XDG_DATA_HOME || join(homedir(), '.local', 'share'), 'joulemetric', name);
}
