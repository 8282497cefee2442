import { DoorOpen } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import { DOORS, doorOf, type Door } from './doors.ts';
import { FromBicycle, FromHill, FromMachine } from './start-inputs.tsx';
import { Answer } from './answer.tsx';
import { HillAsksPanel } from './hill-asks-panel.tsx';
import { EnergyPanel } from '../stages/parts/energy-panel.tsx';
import { Proposals } from './proposals.tsx';
import { Sheet } from '../stages/parts/stage.tsx';
import { SheetSourceIs } from '../state/typed-as.ts';
import { StepsView } from '../stages/power/steps-view.tsx';

const SHEETS: Readonly<Record<Door['id'], { readonly inputs: ReactNode; readonly picture: ReactNode }>> = {
  bicycle: {
    inputs: <FromBicycle />,
    picture: (
      <>
        <Proposals />
        <Answer />
      </>
    ),
  },
  hill: {
    inputs: <FromHill />,
    picture: (
      <>
        <HillAsksPanel />
        <EnergyPanel />
        <Proposals />
        <Answer />
      </>
    ),
  },
  machine: {
    inputs: (
      <SheetSourceIs value="label">
        <FromMachine />
      </SheetSourceIs>
    ),
    picture: (
      <>
        <Answer />
        <StepsView />
      </>
    ),
  },
};

/** The first sheet of a new build: a few questions, and figures at once. */
export function StartSheet() {
  const [params] = useSearchParams();
  const { id, title, question } = doorOf(params.get('from'));
  return (
    <Sheet
      key={id}
      mark={<DoorOpen size={20} strokeWidth={1.8} aria-hidden />}
      name={title}
      question={question}
      views={<Doors current={id} />}
      {...SHEETS[id]}
    />
  );
}

function Doors({ current }: { current: string }) {
  return (
    <nav
      aria-label="Ways to begin"
      className="no-print mx-6 flex flex-wrap gap-x-1 border-b border-rule pt-1.5 max-tablet:mx-3"
    >
      {DOORS.map(({ id, title }) => (
        <Link
          key={id}
          to={`?from=${id}`}
          replace
          aria-current={id === current ? 'page' : undefined}
          className="flex min-h-8 items-center border-[1.5px] border-b-0 border-transparent px-3 text-[13.5px] text-ink2 hover:bg-press aria-[current=page]:border-ink aria-[current=page]:bg-field aria-[current=page]:font-semibold aria-[current=page]:text-ink max-bench:min-h-11"
        >
          {title}
        </Link>
      ))}
    </nav>
  );
}
