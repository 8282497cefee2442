import { standsInFor, type FigureId } from '@apple-cart/core';
import { StateMark } from '../../ui/state-mark.tsx';
import { useStage } from './use-stage.ts';

/** What stands in for that which nobody has chosen or read: the figure beside it is that of a usual one. */
export function StandsIn({ figure }: { figure: FigureId }) {
  const { document, verdict } = useStage();
  const words = standsInFor({ build: document, known: verdict.known }, figure);
  return words === '' ? null : (
    <span className="flex items-center gap-1 text-[12px] font-normal text-ink2">
      <StateMark state="unknown" size={12} /> {words}
    </span>
  );
}
