import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import express, { Router } from 'express';
import { fileName, type RuleBook } from '@apple-cart/core';
import type { Database } from '../database/database.ts';
import { badInput } from '../http/problems.ts';
import type { Stores } from '../stores.ts';
import { jobFile } from './job-file.ts';
import { jobSize } from './job-size.ts';
import { takeInJob } from './take-in.ts';
import { MOST_ZIP_BYTES } from './zip.ts';

const isHungUp = (problem: unknown): boolean =>
  problem instanceof Error && 'code' in problem && problem.code === 'ERR_STREAM_PREMATURE_CLOSE';

/** /api/jobs: a whole job out and in as one file. */
export function jobRoutes(stores: Stores, database: Database, book: () => Promise<RuleBook>): Router {
  const router = Router();

  router.get('/:id', async (request, response) => {
    const { documents } = await stores.parts.list();
    const { name, parts } = await jobFile(
      stores,
      request.params.id,
      await book(),
      documents.map((p) => p.document),
    );
    response.attachment(fileName(name, 'applecart.zip')).type('application/zip');
    // Cut off in the middle the answer is no whole one, and the browser says so.
    await pipeline(Readable.from(parts, { objectMode: false, highWaterMark: 64 * 1024 }), response).catch(
      (problem: unknown) => {
        // Whoever stops a download has nothing to be told.
        if (!isHungUp(problem)) throw problem;
      },
    );
  });

  // Asked before the file is: a browser says nothing of why it could not fetch one.
  router.get('/:id/size', async (request, response) => {
    await stores.builds.get(request.params.id);
    response.json(await jobSize(stores, request.params.id));
  });

  router.post('/', express.raw({ type: () => true, limit: MOST_ZIP_BYTES }), async (request, response) => {
    const data: unknown = request.body;
    const job = await stores.jobReader.read(
      Buffer.isBuffer(data) ? (data as Buffer<ArrayBuffer>) : new Uint8Array(),
    );
    if (!job.ok) throw badInput(job.issues);
    response.status(201).json(await takeInJob(stores, database, job.value));
  });

  return router;
}
