import { Router } from 'express';
import type { PlaceRules } from '@apple-cart/core';
import type { DocumentStore } from '../store/document-store.ts';
import { storeRoutes } from '../store/store-routes.ts';
import { ruleBook } from './rule-book.ts';

/** /api/rules: the book in force in place of the list of what is stored; else as every document. */
export function rulesRoutes(store: DocumentStore<PlaceRules>): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await ruleBook(store));
  });
  router.use(storeRoutes(store));
  return router;
}
