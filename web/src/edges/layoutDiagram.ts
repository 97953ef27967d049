import type { Diagram } from '@joulemetric/core';
import type { ELK } from 'elkjs/lib/elk-api.js';
import { inPlacesOf, layoutWith, type PlacedDiagram, shapeOf } from './layoutWith.ts';

let started: Promise<ELK> | undefined;

/** The layout library and its worker are fetched when a diagram is first wanted. */
function elkInWorker(): Promise<ELK> {
  started ??= Promise.all([import('elkjs/lib/elk-api.js'), import('elkjs/lib/elk-worker.min.js?url')]).then(
    ([{ default: Elk }, { default: workerUrl }]) => new Elk({ workerUrl }),
  );
  return started;
}

/** The last layout: an edit of a length or a size changes words, not places. */
let last: { readonly shape: string; readonly placed: PlacedDiagram } | null = null;

/** Laid out in a worker of its own: sixty runs take some tenths of a second. */
export async function layoutDiagram(diagram: Diagram): Promise<PlacedDiagram> {
  const shape = shapeOf(diagram);
  if (last?.shape === shape) return inPlacesOf(last.placed, diagram);
  const placed = await layoutWith(await elkInWorker(), diagram);
  last = { shape, placed };
  return placed;
}
