import type { Request, Response, Router } from 'express';
import type { Live, LiveReadings } from '../logbook/live.ts';
import type { StoredLog } from '../queries/log.ts';
import { Slots } from '../slots.ts';

/** ms between two signs of life to whoever watches. */
const HEARTBEAT_MS = 3000;
/** Streams at once: a browser needs one for all its tabs. */
const MOST_STREAMS = 300;
/** Bytes that may lie ready for a watcher who does not take them. */
const MOST_WAITING = 262_144;

/**
 * Server-sent events of what instruments record: `/live` of all logs of the workspace, `/:id/live` of one. A browser
 * holds six connections to a server, so that all its tabs share one stream.
 */
export function liveRoutes(
  router: Router,
  live: Live,
  workspace: (request: Request) => Promise<string>,
  logOf: (request: Request) => Promise<StoredLog>,
): void {
  const streams = new Slots(MOST_STREAMS, 'As many streams are open as there may be; close other tabs.');

  const stream = (response: Response, textOf: (told: LiveReadings) => string | null): void => {
    const release = streams.take();
    response.set({ 'Content-Type': 'text/event-stream', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    const send = (text: string): void => {
      if (response.writableLength > MOST_WAITING) response.destroy();
      else response.write(text);
    };
    send('retry: 2000\n\n');
    const stop = live.watch((told) => {
      const text = textOf(told);
      if (text !== null) send(`data: ${text}\n\n`);
    });
    const beat = setInterval(() => send(':\n\n'), HEARTBEAT_MS);
    response.once('close', () => {
      stop();
      release();
      clearInterval(beat);
    });
  };

  router.get('/live', async (request, response) => {
    const owner = await workspace(request);
    stream(response, (told) =>
      told.workspace === owner ? JSON.stringify({ log: told.log, readings: told.readings }) : null,
    );
  });

  router.get('/:id/live', async (request, response) => {
    const { id } = await logOf(request);
    stream(response, (told) => (told.log === id ? JSON.stringify(told.readings) : null));
  });
}
