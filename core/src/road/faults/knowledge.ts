import type { Cause } from './cause.ts';
import { CONTROL_CAUSES } from './control-causes.ts';
import { CONTROL_LOOKS } from './control-looks.ts';
import { DRIVE_CAUSES } from './drive-causes.ts';
import { DRIVE_LOOKS } from './drive-looks.ts';
import type { Look } from './look.ts';
import { SUPPLY_CAUSES } from './supply-causes.ts';
import { SUPPLY_LOOKS } from './supply-looks.ts';

/** Everything that is known to go wrong, along the path of the current. */
export const CAUSES: readonly Cause[] = [...SUPPLY_CAUSES, ...CONTROL_CAUSES, ...DRIVE_CAUSES];

/** Everything that is looked at. */
export const LOOKS: readonly Look[] = [...SUPPLY_LOOKS, ...CONTROL_LOOKS, ...DRIVE_LOOKS];

/** A cause by its id; undefined for what was found beside the table. */
export const causeOf = (id: string): Cause | undefined => CAUSES.find((c) => c.id === id);
export const lookOf = (id: string): Look | undefined => LOOKS.find((l) => l.id === id);
