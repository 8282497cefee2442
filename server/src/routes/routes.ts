import { readRoute, routeSummary, type Route, type RouteSummary } from '@apple-cart/core';
import { documentEntity } from '../store/document-row.ts';
import type { Kind } from '../store/kind.ts';

export const routeKind: Kind<Route, RouteSummary> = {
  entity: documentEntity('route', 'routes'),
  word: 'route',
  read: readRoute,
  summarize: routeSummary,
};
