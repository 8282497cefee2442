import { afterEach } from 'vitest';

// Files of tests share a worker and its document: what one of them drew must not stand there for the next.
if (typeof document !== 'undefined') {
  const { cleanup } = await import('@testing-library/react');
  afterEach(cleanup);
}
