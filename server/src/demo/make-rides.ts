import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readBuildText, readRoute, type Result } from '@apple-cart/core';
import { ROOT } from '../settings.ts';
import { madeRide } from './demo-rides.ts';
import { RIDE_PLANS } from './ride-plans.ts';

/** Writes demo/rides.json anew from its plans: run when the physics or a sample build has changed (`npm run demo-rides`). */
const used = <T>(read: Result<T>): T => {
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
};
const file = (path: string): string => readFileSync(join(ROOT, 'demo', path), 'utf8');

const rides = RIDE_PLANS.map((plan) =>
  madeRide(
    plan,
    used(readBuildText(file(`builds/${plan.build}.json`))),
    plan.route === '' ? undefined : used(readRoute(JSON.parse(file(`routes/${plan.route}.json`)))),
  ),
);
writeFileSync(join(ROOT, 'demo', 'rides.json'), `${JSON.stringify(rides, null, 2)}\n`);
process.stdout.write(`${String(rides.length)} rides\n`);
