// Node 20 starts no worker from a TypeScript file by itself, whatever the parent was started with.
import { workerData } from 'node:worker_threads';
import { register } from 'tsx/esm/api';

register();
await import(workerData.module);
