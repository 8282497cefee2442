import { AIMS, LIMIT_WORDS, moneyText, type StepGains } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { RadioMark } from '../../fields/radio-mark.tsx';
import { useQuantity } from '../../state/use-quantity.ts';
import { Caution } from '../../ui/caution.tsx';
import { StandsIn } from '../parts/stands-in.tsx';
import { useStage } from '../parts/use-stage.ts';
import { OwnSteps } from './own-steps.tsx';
import { AIM_LOOKS } from './aims.ts';
import type { Gaining } from './use-gains.ts';

const LINE =
  'flex min-h-[31px] items-center justify-between gap-2 border-b border-hair text-[14px] max-bench:min-h-11';

/** What somebody wants more of: it sorts the steps, and scales their bars. */
function Wanted({ gaining, now }: { gaining: Gaining; now: StepGains['now'] | undefined }) {
  const shown = useQuantity();
  const { hillName } = gaining.document.brief;
  return (
    <FieldGroup title="What you want more of">
      <div role="radiogroup" aria-label="What you want more of">
        {AIMS.map((aim) => {
          const { name, unit, digits, of, figure } = AIM_LOOKS[aim];
          const value = now === undefined ? undefined : of(now);
          // Nothing is said before it is worked out.
          const missing = now === undefined ? '…' : 'none';
          return (
            <label key={aim} className={`${LINE} cursor-pointer has-checked:font-semibold`}>
              <span className="flex items-center gap-2.5">
                <RadioMark
                  group="aim"
                  checked={gaining.aim === aim}
                  onChoose={() => {
                    gaining.onAim(aim);
                  }}
                />
                <span>
                  {aim === 'hill' && hillName !== '' ? `Up ${hillName}` : name}
                  <StandsIn figure={figure} />
                </span>
              </span>
              <span className="num whitespace-nowrap">
                {value === undefined ? missing : `${shown(value, unit, digits).text} `}
                {value !== undefined && (
                  <span className="text-[12px] font-normal text-ink2">{shown(value, unit, digits).unit}</span>
                )}
              </span>
            </label>
          );
        })}
      </div>
    </FieldGroup>
  );
}

/** A sentence of what the limit on the hill means for the next money. */
function advice(hill: StepGains['holds']['hill']): string {
  switch (hill) {
    case 'voltage':
      return 'Volts bind on the hill: amps would gain nothing there.';
    case 'battery-current':
      return 'Amps bind on the hill: volts help there only in their proportion, four on 48 by a twelfth.';
    case 'phase-current':
      return 'Phase amps bind on the hill: neither volts nor battery amps push harder there.';
    case 'power-limit':
      return 'A limit of power binds on the hill: neither volts nor amps lift it.';
    case 'speed-limit':
    case 'throttle-limit':
      return 'Its own limit ends it: nothing that is bought makes it faster within it.';
    case 'assist-ratio':
      return 'Help follows the legs: it gives more where they do.';
    case 'heat':
    case 'controller-heat':
      return 'It is held back by heat: cooling, or a smaller ring, comes before amps.';
    case 'pack-protection':
    case 'low-voltage':
    case 'pack-power':
      return 'The pack gives no more: a stronger one comes before a larger controller.';
    case 'cadence':
      return 'The legs’ cadence ends it: a ring or cogs come before amps.';
    case 'no-motor':
      return 'Nothing lets the motor work yet: fit a throttle or a sensor at the pedals.';
  }
}

function Holds({ holds }: { holds: StepGains['holds'] }) {
  const said = advice(holds.hill);
  return (
    <FieldGroup title="What holds it up now">
      <p className={LINE}>
        On the test hill <b className="font-semibold">{LIMIT_WORDS[holds.hill]}</b>
      </p>
      <p className={LINE}>
        At its fastest <b className="font-semibold">{LIMIT_WORDS[holds.top]}</b>
      </p>
      {said !== '' && <p className="py-1.5 text-[13px] leading-snug text-ink2">{said}</p>}
    </FieldGroup>
  );
}

/** What the next step has to keep to. */
function KeepTo({ now }: { now: StepGains['now'] | undefined }) {
  const { document, verdict } = useStage();
  const shown = useQuantity();
  const { budget, currency } = document.money;
  const left = budget === null ? undefined : budget - verdict.list.ledger.total.most;
  const mass = shown(now?.massKg ?? 0, 'kg', 1);
  return (
    <FieldGroup title="To keep to">
      <p className={LINE}>
        Class <b className="font-semibold">{now?.className ?? ''}</b>
      </p>
      <p className={LINE}>
        {left !== undefined && left < 0 ? 'Over the budget' : 'Budget left'}{' '}
        <b className="num font-semibold">
          {left === undefined ? 'none set' : moneyText(Math.abs(left), currency)}
        </b>
      </p>
      {now !== undefined && (
        <p className={LINE}>
          Mass now{' '}
          <span className="num">
            {mass.text} <span className="text-[12px] text-ink2">{mass.unit}</span>
          </span>
        </p>
      )}
    </FieldGroup>
  );
}

export function GainInputs({ gaining }: { gaining: Gaining }) {
  const gains = gaining.studied.value;
  return (
    <>
      <Wanted gaining={gaining} now={gains?.now} />
      {gains !== undefined && <Holds holds={gains.holds} />}
      <KeepTo now={gains?.now} />
      <OwnSteps document={gaining.document} />
      <Caution>
        More amps heat wires, plugs and cells too. Makers’ data sheets decide what they carry, the authority
        decides the class: a planning aid, not legal advice.
      </Caution>
    </>
  );
}
