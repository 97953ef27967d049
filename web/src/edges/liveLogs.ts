/**
 * Tells when instruments have recorded into logs. A browser holds six connections to a server: its tabs share one
 * stream, which one of them holds and passes on to the others; when that tab closes, the next takes it over. Where tabs
 * cannot agree (a page without a secure context) each asks every few seconds instead.
 */

const NAME = 'joulemetric:live';
/** ms between two signs to whoever watches, and between two questions where there is no stream. */
const AT_MOST_EVERY_MS = 1000;
const POLL_MS = 3000;

const watchers = new Map<string, Set<() => void>>();
let stop: (() => void) | null = null;

/** @param tell called at most once a second while readings come @returns how to stop watching */
export function watchLog(logId: string, tell: () => void): () => void {
  let due: ReturnType<typeof setTimeout> | undefined;
  const soon = (): void => {
    due ??= setTimeout(() => {
      due = undefined;
      tell();
    }, AT_MOST_EVERY_MS);
  };
  const those = watchers.get(logId) ?? new Set();
  watchers.set(logId, those.add(soon));
  stop ??= canShare() ? share() : poll();
  return () => {
    clearTimeout(due);
    those.delete(soon);
    if (those.size === 0) watchers.delete(logId);
    if (watchers.size > 0) return;
    stop?.();
    stop = null;
  };
}

const canShare = (): boolean => typeof BroadcastChannel === 'function' && navigator.locks !== undefined;

function told(logId: unknown): void {
  for (const soon of watchers.get(String(logId)) ?? []) soon();
}

function poll(): () => void {
  const timer = setInterval(() => {
    for (const logId of watchers.keys()) told(logId);
  }, POLL_MS);
  return () => clearInterval(timer);
}

/** Listens to the channel, and waits for its turn to hold the stream. */
function share(): () => void {
  const channel = new BroadcastChannel(NAME);
  channel.onmessage = ({ data }) => told(data);
  const over = new AbortController();
  const held = new Promise<void>((resolve) => over.signal.addEventListener('abort', () => resolve()));
  void navigator.locks
    .request(NAME, { signal: over.signal }, async () => {
      const source = new EventSource('/api/logs/live');
      source.onmessage = ({ data }) => {
        const { log } = JSON.parse(data) as { log: string };
        told(log);
        channel.postMessage(log);
      };
      await held;
      source.close();
    })
    // Called off before it was its turn.
    .catch(() => undefined);
  return () => {
    over.abort();
    channel.close();
  };
}
