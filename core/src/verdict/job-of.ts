import type { Check } from '../check/check.ts';
import { wantedLinks } from '../fit/bracket-checks.ts';
import { lazily } from '../quantity/lazily.ts';
import { wiringOf, type Wiring } from '../workshop/harness/wiring.ts';
import type { Job } from '../workshop/job.ts';
import type { Judged } from './judged.ts';

const isStop = ({ state }: Check): boolean => state === 'stop';

/** What the workshop's lists are worked out from. */
export function jobOf(s: Judged, wiring: () => Wiring = () => wiringOf(s.build, s.known, s.chain)): Job {
  const found = lazily({ byId: () => new Map([...s.checks, ...s.powerChecks].map((c) => [c.id, c])) });
  return {
    build: s.build,
    known: s.known,
    machine: s.machine,
    wiring,
    get chain() {
      return s.chain;
    },
    check: (id) => found.byId.get(id),
    get stops() {
      return { fit: s.checks.filter(isStop), power: s.powerChecks.filter(isStop) };
    },
    get links() {
      return s.known.donor.chainstayMm.source === 'unknown' ? undefined : wantedLinks(s.subject);
    },
    get duties() {
      return s.here.duties;
    },
  };
}
