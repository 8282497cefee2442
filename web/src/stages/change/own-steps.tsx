import { useMemo, useState } from 'react';
import {
  ownId,
  parseQuantity,
  readOwn,
  shownUnit,
  specAt,
  unitText,
  type BuildDocument,
  type QuantityPath,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useOwnSteps } from '../../state/own-steps.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { useStage } from '../parts/use-stage.ts';
import { TextButton } from '../../ui/text-button.tsx';

const NONE: readonly string[] = [];
const FIELD = 'h-9 w-full border-b-[1.5px] border-ink3 bg-field px-2 text-[15px] max-bench:h-11';

/** Steps that somebody has thought of: lower crates, a lighter rack, whatever the shelf has no part for. */
export function OwnSteps({ document }: { document: BuildDocument }) {
  const build = useBuild((state) => state.id) ?? '';
  const steps = useOwnSteps((state) => state.steps[build]) ?? NONE;
  const set = useOwnSteps((state) => state.set);
  const [open, setOpen] = useState(false);
  return (
    <div className="no-print pt-3">
      <Button
        className="w-full"
        onClick={() => {
          setOpen(true);
        }}
      >
        + A step of your own
      </Button>
      {steps.map((id) => {
        const own = readOwn(id);
        return own === undefined ? null : (
          <p
            key={id}
            className="flex items-center justify-between gap-2 border-b border-hair py-1 text-[13px]"
          >
            {specAt(own.path).label}
            <TextButton
              onClick={() => {
                set(
                  build,
                  steps.filter((one) => one !== id),
                );
              }}
            >
              Take it out
            </TextButton>
          </p>
        );
      })}
      {open && (
        <OwnStepDialog
          document={document}
          onClose={() => {
            setOpen(false);
          }}
          onAdd={(id) => {
            set(build, [...steps.filter((one) => one !== id), id]);
            setOpen(false);
          }}
        />
      )}
    </div>
  );
}

function OwnStepDialog({
  document,
  onClose,
  onAdd,
}: {
  document: BuildDocument;
  onClose: () => void;
  onAdd: (id: string) => void;
}) {
  const system = useSettings((state) => state.units);
  const show = useQuantity();
  const { verdict } = useStage();
  const values = useMemo(
    () => [...verdict.study.used].sort((a, b) => a.label.localeCompare(b.label)),
    [verdict],
  );
  const [path, setPath] = useState<QuantityPath>('donor.cdaM2');
  const [text, setText] = useState('');
  const [money, setMoney] = useState('');
  const spec = specAt(path);
  const now = values.find((k) => k.path === path);
  const parsed = parseQuantity(text, spec.unit, shownUnit(spec.unit, system));
  const cost = money.trim() === '' ? 0 : Number(money.replace(',', '.'));
  const id = parsed.ok && Number.isFinite(cost) ? ownId({ path, value: parsed.value, cost }) : '';
  const good = readOwn(id) !== undefined;
  const unit = unitText(shownUnit(spec.unit, system));
  return (
    <Dialog
      open
      onClose={onClose}
      title="A step of your own"
      description="One value of the build changed, for so much money: what the shelf has no part for."
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          if (good) onAdd(id);
        }}
      >
        <label className="text-[14px] font-semibold">
          What changes
          <select
            className={`${FIELD} font-normal`}
            value={path}
            onChange={(event) => {
              const next = values.find((k) => k.path === event.target.value);
              if (next !== undefined) setPath(next.path);
            }}
          >
            {values.map((k) => (
              <option key={k.path} value={k.path}>
                {k.label}
                {k.path.startsWith('packs.') && !k.path.startsWith('packs.0.')
                  ? `, pack ${String(Number(k.path[6]) + 1)}`
                  : ''}
              </option>
            ))}
          </select>
        </label>
        <label className="text-[14px] font-semibold">
          To {unit !== '1' && unit !== '' && `(${unit})`}
          {now !== undefined && (
            <span className="font-normal text-ink2"> it is {show(now.value, now.unit).text} now</span>
          )}
          <input
            className={FIELD}
            inputMode="decimal"
            autoComplete="off"
            value={text}
            aria-invalid={text !== '' && !parsed.ok}
            onChange={(event) => {
              setText(event.target.value);
            }}
          />
        </label>
        <label className="text-[14px] font-semibold">
          Cost, {document.money.currency}
          <input
            className={FIELD}
            inputMode="decimal"
            autoComplete="off"
            placeholder="0"
            value={money}
            onChange={(event) => {
              setMoney(event.target.value);
            }}
          />
        </label>
        <p className="text-[13px] text-ink2" role="status">
          {text !== '' &&
            !good &&
            `A number from ${show(spec.min, spec.unit).text} to ${show(spec.max, spec.unit).text}, and a cost in numbers.`}
        </p>
        <Button kind="go" type="submit" disabled={!good} className="h-11!">
          Put it among the steps
        </Button>
      </form>
    </Dialog>
  );
}
