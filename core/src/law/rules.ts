import eu from './rules/eu.json' with { type: 'json' };
import gb from './rules/gb.json' with { type: 'json' };
import us from './rules/us.json' with { type: 'json' };
import { placeRules, type PlaceRules } from './rule-schema.ts';

/** The rule files that ship with the product, validated as they are read. @throws ZodError for a broken file. */
export const PLACES: readonly PlaceRules[] = [gb, eu, us].map((file) => placeRules.parse(file));
