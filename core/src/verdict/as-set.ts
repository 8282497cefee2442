import type { PlaceVerdict } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { builtAsSet } from '../workshop/settings/as-set.ts';
import { classWords, placeState } from './figures/class-figure.ts';
import type { Finding } from './finding.ts';
import { judged, type Judged } from './judged.ts';
import { study } from './study.ts';

/**
 * What the place says of the machine as its controller is set, by what was put in and read back; undefined where nothing was, or
 * where it says of that just what it says of the plan.
 */
export function asSet(s: Judged, book: RuleBook): PlaceVerdict | undefined {
  const build = builtAsSet(s.build, s.known);
  if (build === s.build) return undefined;
  const { here } = judged(study(build), book);
  const isSame = here.outcome === s.here.outcome && here.className === s.here.className;
  return isSame ? undefined : here;
}

/** The class that the settings make, where it is not that of the plan. */
export function asSetFindings(s: Judged, set: PlaceVerdict | undefined): readonly Finding[] {
  if (set === undefined) return [];
  const state = placeState(set.outcome);
  const broken = set.failing.length > 0 ? set.failing : set.unsettled;
  const clauses = [...new Set(broken.map(({ clause }) => clause.title.toLowerCase()))].join(', ');
  const simulated = Object.values(s.build.settings.lines).some((line) => line.simulated);
  return [
    {
      stage: 'setup',
      code: 'setting-class',
      state: state === 'fine' ? 'look' : state,
      title: `As it is set: ${classWords(set)}, where the plan is ${classWords(s.here)}`,
      detail: [
        `${clauses === '' ? '' : `It turns on ${clauses}: Law shows by how much. `}${simulated ? 'By a simulated programmer. ' : ''}Planning aid, not legal advice.`,
      ],
      path: '',
    },
  ];
}
