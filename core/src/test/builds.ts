import type * as fc from 'fast-check';
import { buildDocument, type BuildDocument } from '../document/document.ts';
import { readBuild } from '../document/read.ts';
import { drawn } from './drawn.ts';

// What the tests of other rooms draw builds by.
export { anyBuild, sample } from './sample.ts';
export { entryOf } from './bench-points.ts';
export { anyRecords } from './records.ts';
export { courier, longtail, tandem, tourer, trike } from './demo.ts';

/** Builds drawn over the whole schema, whatever a person may have written in their texts. */
export const wholeBuild: fc.Arbitrary<BuildDocument> = drawn(buildDocument).map((data) => {
  const read = readBuild(data);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
});
