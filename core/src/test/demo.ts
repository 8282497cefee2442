import courierFile from '../../../demo/builds/0405-kiln-courier.json' with { type: 'json' };
import tourerFile from '../../../demo/builds/0409-district-nurses-tourer.json' with { type: 'json' };
import longtailFile from '../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import tandemFile from '../../../demo/builds/0417-choir-tandem.json' with { type: 'json' };
import trikeFile from '../../../demo/builds/0421-tide-flat-trike.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import { readBuild } from '../document/read.ts';

/** A stored build as the product reads it: what has been asked for since it was written is filled as unknown. */
function read(file: unknown): BuildDocument {
  const build = readBuild(file);
  if (!build.ok) throw new Error(build.issues.map((i) => `${i.path} ${i.code}`).join(', '));
  return build.value;
}

/** Demo builds, by what they are. */
export const longtail = read(longtailFile);
export const tandem = read(tandemFile);
export const trike = read(trikeFile);
export const courier = read(courierFile);
export const tourer = read(tourerFile);
