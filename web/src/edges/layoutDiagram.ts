import type { Diagram } from '@joulemetric/core';
import type { ELK } from 'elkjs/lib/elk-api.js';
import { layoutWith, type PlacedDiagram } from './layoutWith.ts';

let started: Promise<ELK> | undefined;

/** The layout library and its worker are fetched when a diagram is first wanted. */
function elkInWorker(): Promise<ELK> {
  started ??= Promise.all([import('elkjs/lib/elk-api.js'), import('elkjs/lib/elk-worker.min.js?url')]).then(
    ([{ default: Elk }, { default: workerUrl }]) => new Elk({ workerUrl }),
  );
  return started;
}

/** Laid out in a worker of its own: sixty runs take some tenths of a second. */
export const layoutDiagram = async (diagram: Diagram): Promise<PlacedDiagram> =>
  layoutWith(await elkInWorker(), diagram);
