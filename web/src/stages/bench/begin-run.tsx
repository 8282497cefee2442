import { planStops } from '@apple-cart/core';
import { keepRecord } from '../../state/records.ts';
import { usePeople } from '../../state/people.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import type { Bench } from '../parts/use-bench.ts';
import { useStage } from '../parts/use-stage.ts';
import { WhoField } from '../parts/who-field.tsx';
import { PlanStops } from './plan-stops.tsx';

/** Freezes the steps with what is expected of each, and begins. */
export function BeginRun({ bench, again = false }: { bench: Bench; again?: boolean }) {
  const { who, remember } = usePeople();
  const { verdict } = useStage();
  const groups = new Set(bench.points.map((p) => p.group)).size;
  return (
    <section aria-label="Begin" className="grid max-w-[560px] gap-3 py-3">
      <p className="text-[16px] leading-snug">
        {bench.points.length} hold points in {groups} groups are worked out from this build, each with what is
        expected of it. A run freezes them with the plan as it is now; where the plan moves later, the checks
        to repeat are named.
      </p>
      <PlanStops
        stops={planStops(verdict.findings)}
        words="Put it right first: a run holds what is found against the plan, and what is as wrong as the plan would pass. The run asks for it before the work begins and before a pack is joined."
      />
      <WhoField />
      <Button
        className="h-12!"
        kind="go"
        disabled={who.trim() === '' || bench.points.length === 0}
        onClick={() => {
          remember(who);
          void keepRecord(bench.build, 'bench-run', null, {
            name: again ? 'Run again' : 'First run',
            planVersion: bench.planVersion,
            who: who.trim(),
            steps: bench.points.map((p) => ({ ...p, why: [...p.why] })),
          });
        }}
      >
        {again ? 'Begin another run' : 'Begin the run'}
      </Button>
      <Caution>
        Lithium packs, mains chargers and spinning wheels hurt. The makers’ data sheets, local codes and
        licensed practice decide; where they say otherwise, they are right.
      </Caution>
    </section>
  );
}
