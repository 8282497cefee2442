import { readCogs } from './cogs.ts';
import { ListField } from './list-field.tsx';
import { readRatios } from './ratios.ts';

/** The cogs on the wheel, typed as a list; a hub gear or single speed is one cog. */
export const CogsField = () => (
  <ListField
    label="Cogs, teeth"
    name="cogTeeth"
    undoName="cogs"
    read={readCogs}
    change={(cogTeeth) => ({ cogTeeth })}
  />
);

/** Ratios of a hub gear or two-speed change; empty without one. */
export const RatiosField = () => (
  <ListField
    label="Hub gear, ratios"
    name="hubRatios"
    undoName="hub gear"
    placeholder="none"
    read={readRatios}
    change={(hubRatios) => ({ hubRatios, heldHubGear: null })}
  />
);
