import { wiringGraph, type Wiring } from '@apple-cart/core';
import ELK, { type ElkNode } from 'elkjs/lib/elk-api.js';
import workerUrl from 'elkjs/lib/elk-worker.min.js?url';

/** Lays a harness out in a worker that is ended afterwards: boxes in layers, right-angled lines. The same harness gives the same drawing. */
export async function laidOut(wiring: Wiring): Promise<ElkNode> {
  const elk = new ELK({ workerFactory: () => new Worker(workerUrl) });
  try {
    // It writes into the graph that it is given.
    return await elk.layout(structuredClone(wiringGraph(wiring)) as unknown as ElkNode);
  } finally {
    elk.terminateWorker();
  }
}
