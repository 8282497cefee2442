import { Link } from 'react-router';
import type { OpenMeasure } from '@apple-cart/core';
import { stageOf } from '@apple-cart/core';
import { NumberField } from '../../fields/number-field.tsx';
import { SCREENS } from '../../screens/registry.ts';
import { ControlAnswer } from '../parts/control-answer.tsx';
import { Bosses, DonorChoice } from './donor-choices.tsx';
import { MotorCogs } from '../parts/motor-cogs.tsx';
import { DriveAnswer } from '../parts/drive-answer.tsx';
import { MeasureDrawing } from './measure-drawing.tsx';
import { measureOf } from './measures.ts';

/** Choices by the words that checks ask for them with. */
const CHOICE = new Map<string, React.ReactNode>([
  ['frame material', <DonorChoice key="frame" name="frameMaterial" />],
  ['fork material', <DonorChoice key="fork" name="forkMaterial" />],
  ['kind of fork', <DonorChoice key="kind" name="forkKind" />],
  ['how the axle is held', <DonorChoice key="axle" name="axle" />],
  ['kind of shell', <DonorChoice key="shell" name="shell" />],
  ['front brake', <DonorChoice key="bf" name="brakeFront" />],
  ['rear brake', <DonorChoice key="br" name="brakeRear" />],
  ['brakes of the wheels side by side', <DonorChoice key="pair" name="pairBrakes" />],
  ['how the cranks sit', <DonorChoice key="cranks" name="cranks" />],
  ['what the cogs sit on', <DonorChoice key="cogs" name="cogBody" />],
  ['what the motor takes its cogs on', <MotorCogs key="motor-cogs" />],
  ['whether the rear end is sprung', <DonorChoice key="sprung" name="sprung" />],
  ['brake levers', <DonorChoice key="levers" name="levers" />],
  ['outline of the frame', <DonorChoice key="outline" name="outline" />],
  ['disc mount on the motor', <DriveAnswer key="disc" name="discMount" />],
  ['whether the motor is made for it', <DriveAnswer key="through" name="throughAxle" />],
  ['what the motor body bears on', <DriveAnswer key="bears" name="bearsOnFrame" />],
  ['bottle bosses', <Bosses key="bosses" />],
  ['brake cut-offs', <ControlAnswer key="cutoffs" name="brakeCutoffs" label="Brake levers cut the motor" />],
  ['slot and plate of the other wheel', <DriveAnswer key="other" name="otherEnd" />],
  ['idler', <DriveAnswer key="idler" name="idler" />],
  ['whether its cranks turn the chain back', <DriveAnswer key="back" name="pullsBack" />],
]);

const sentence = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Why it is asked: the checks that wait, those it could turn, or what it moves. */
function reason({ waits, turns, moves }: OpenMeasure): string {
  if (waits.length > 0)
    return waits.length === 1
      ? `${waits[0] ?? ''} waits for it`
      : `${String(waits.length)} checks wait for it`;
  if (turns.length > 0) return `could turn: ${turns.slice(0, 2).join(', ')}`;
  if (moves === undefined) return 'on the card as assumed';
  const parts = [
    ...(moves.topKmh >= 0.1 ? ['top speed'] : []),
    ...(moves.hillKmh >= 0.1 ? ['hill'] : []),
    ...(moves.rangeKm >= 0.1 ? ['range'] : []),
  ];
  return parts.length === 0 ? 'moves little' : `moves ${parts.join(', ')}`;
}

function Card({ item, rank }: { item: OpenMeasure; rank: number }) {
  const path = item.known?.path;
  const measure = path === undefined ? undefined : measureOf(path);
  const field = path === undefined ? CHOICE.get(item.label) : undefined;
  // What is answered elsewhere is answered at the drive: throttle and regeneration.
  const elsewhere = field === undefined ? 'drive' : undefined;
  const stage = path === undefined ? elsewhere : stageOf(path);
  return (
    <li className="flex gap-2.5 border-b border-hair py-1.5" data-next={path ?? item.label}>
      <b className="figure-number w-4 pt-1 text-[20px]">{rank}</b>
      <div className="min-w-0 flex-1">
        {path !== undefined ? (
          <NumberField path={path} />
        ) : (
          (field ?? <p className="py-1.5">{sentence(item.label)}</p>)
        )}
        <div className="flex items-center gap-2.5 pt-1.5">
          {measure !== undefined && <MeasureDrawing picture={measure.picture} width={48} />}
          <div className="min-w-0 flex-1 text-[12.5px] leading-snug text-ink2">
            {measure !== undefined && (
              <span className="block">
                {measure.tool}: {measure.how}
              </span>
            )}
            <p>
              {reason(item)}
              {measure === undefined && stage !== undefined && stage !== 'donor' && (
                <>
                  {' '}
                  <Link to={`../${stage}`} relative="path" className="text-slate underline">
                    {SCREENS[stage].name}
                  </Link>
                </>
              )}
            </p>
            <svg viewBox="0 0 100 4" preserveAspectRatio="none" className="mt-1 block h-1 w-full" aria-hidden>
              <rect width="100" height="4" fill="var(--press)" />
              <rect width={100 * item.share} height="4" fill="var(--ink)" />
            </svg>
          </div>
        </div>
      </div>
    </li>
  );
}

/** What to measure next, the most telling on top; each can be entered on the spot. */
export function MeasureCards({ items, count }: { items: readonly OpenMeasure[]; count: number }) {
  if (items.length === 0)
    return (
      <p className="border-b border-hair py-3 text-ink2">
        Everything that moves a verdict is measured or from a label.
      </p>
    );
  return (
    <>
      <ol aria-label="What to measure next">
        {items.slice(0, count).map((item, i) => (
          <Card key={item.known?.path ?? item.label} item={item} rank={i + 1} />
        ))}
      </ol>
      {items.length > count && (
        <p className="py-1.5 text-[12.5px] text-ink2">
          {items.length - count} more, below in the order of the walk.
        </p>
      )}
    </>
  );
}
