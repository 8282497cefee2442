/** Shapes of requests and answers, shared by server and page. */
export * from './backup.ts';
export * from './documents.ts';
export * from './revisions.ts';
export * from './rules.ts';
export * from './jobs.ts';
export * from './logs.ts';
export * from './records.ts';
export * from './share.ts';
