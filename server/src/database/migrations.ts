import { FirstSlice1764000000000 } from './migrations/1764000000000-first-slice.ts';
import { PartsVersions1764050000000 } from './migrations/1764050000000-parts-versions.ts';
import { Routes1764100000000 } from './migrations/1764100000000-routes.ts';
import { Rules1764200000000 } from './migrations/1764200000000-rules.ts';
import { OnePattern1764300000000 } from './migrations/1764300000000-one-pattern.ts';
import { Records1764500000000 } from './migrations/1764500000000-records.ts';
import { Logs1764600000000 } from './migrations/1764600000000-logs.ts';
import { VersionsOfAll1764400000000 } from './migrations/1764400000000-versions-of-all.ts';

/** Every change of the tables, the oldest first. */
export const MIGRATIONS = [
  FirstSlice1764000000000,
  PartsVersions1764050000000,
  Routes1764100000000,
  Rules1764200000000,
  OnePattern1764300000000,
  VersionsOfAll1764400000000,
  Records1764500000000,
  Logs1764600000000,
];
