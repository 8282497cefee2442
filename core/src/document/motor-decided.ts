import type { BuildDocument } from './document.ts';
import type { KnownBuild } from './known-build.ts';

/** Some motor is meant: it has a name, or something of it has been read or measured. */
export const motorDecided = ({
  build,
  known,
}: {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
}): boolean =>
  build.drive.name.trim() !== '' || Object.values(known.drive).some((k) => k.source !== 'unknown');
