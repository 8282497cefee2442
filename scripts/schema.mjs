// npm run schema: writes the build document's JSON Schema to docs/build.schema.json.
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildJsonSchema } from '@apple-cart/core';
import { root } from './lib.mjs';

writeFileSync(join(root, 'docs', 'build.schema.json'), `${JSON.stringify(buildJsonSchema(), null, 2)}\n`);
