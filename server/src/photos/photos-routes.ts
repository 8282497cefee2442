import express, { Router } from 'express';
import * as z from 'zod';
import { MOST_PHOTO_BYTES, recordKey } from '@apple-cart/contracts';
import { parseBody } from '../http/parse-body.ts';
import type { PhotoStore } from './photo-store.ts';

const about = z.object({ parent: recordKey, step: z.string().max(90) });

/** /api/builds/:id/photos: pictures of a run, each kept as it was sent. */
export function photosRoutes(store: PhotoStore): Router {
  const router = Router({ mergeParams: true });
  const buildOf = (params: unknown): string => (params as { id: string }).id;

  router.get('/', async (request, response) => {
    response.json({ photos: await store.list(buildOf(request.params)) });
  });

  router.put(
    '/:key',
    express.raw({ type: () => true, limit: MOST_PHOTO_BYTES }),
    async (request, response) => {
      const key = parseBody(recordKey, request.params.key);
      const { parent, step } = parseBody(about, request.query);
      const data: unknown = request.body;
      const { known } = await store.add(buildOf(request.params), {
        key,
        parent,
        step,
        data: Buffer.isBuffer(data) ? data : Buffer.alloc(0),
      });
      response.status(known ? 200 : 201).json({ key, known });
    },
  );

  /** A picture of somebody else's can do nothing here: it is shown, never run. */
  router.get('/:key', async (request, response) => {
    const { data, sha256 } = await store.picture(buildOf(request.params), request.params.key);
    const tag = `"${sha256}"`;
    response.set({
      ETag: tag,
      'Cache-Control': 'private, max-age=31536000, immutable',
      'Content-Security-Policy': "default-src 'none'; sandbox",
      'X-Content-Type-Options': 'nosniff',
      'Cross-Origin-Resource-Policy': 'same-origin',
      'Content-Disposition': 'inline; filename="photo.jpg"',
    });
    if (request.headers['if-none-match'] === tag) {
      response.status(304).end();
      return;
    }
    response.type('image/jpeg').send(data);
  });

  return router;
}
