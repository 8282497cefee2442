import { Plus, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { firstOf, formatNumber, lightsVerdict, type Accessory, type BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { CheckTable } from '../parts/check-table.tsx';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';

const USUAL: readonly Accessory[] = [
  { name: 'Front lamp', volts: 12, watts: 6, onPct: 40, light: true },
  { name: 'Rear lamp', volts: 12, watts: 1, onPct: 40, light: true },
  { name: 'Horn', volts: 12, watts: 15, onPct: 1, light: false },
  { name: 'USB outlet', volts: 5, watts: 10, onPct: 50, light: false },
];
const MOST = 20;

/** What is entered of an accessory, in the order of its label. */
const NUMBERS = [
  { key: 'volts', label: 'at', unit: 'V', min: 1, orNought: true, max: 300, step: 1 },
  { key: 'watts', label: 'takes', unit: 'W', min: 0, max: 3000, step: 0.5, digits: 1 },
  { key: 'onPct', label: 'on', unit: '%', min: 0, max: 100, step: 5 },
] as const;

function Editor({ accessory, index }: { accessory: Accessory; index: number }) {
  const edit = useBuild((state) => state.edit);
  const change = (part: Partial<Accessory>, key: string): void => {
    edit(
      (d: BuildDocument) =>
        withSection(d, 'supply', {
          accessories: d.supply.accessories.map((a, i) => (i === index ? { ...a, ...part } : a)),
        }),
      accessory.name.toLowerCase(),
      `supply.${String(index)}.${key}`,
    );
  };
  return (
    <div className="border-b border-hair py-1.5" data-accessory={index}>
      <div className="flex items-center gap-2">
        <input
          aria-label={`Name of accessory ${String(index + 1)}`}
          className="h-7 min-w-0 flex-1 border-b border-ink3 bg-field px-2 max-bench:h-11"
          value={accessory.name}
          maxLength={40}
          onChange={(event) => {
            change({ name: event.target.value }, 'name');
          }}
        />
        <label className="flex min-h-7 items-center gap-1 text-[12.5px] text-ink2 max-bench:min-h-11">
          <input
            type="checkbox"
            className="size-4 accent-[var(--fine-fill)]"
            checked={accessory.light}
            onChange={(event) => {
              change({ light: event.target.checked }, 'light');
            }}
          />
          light
        </label>
        <button
          type="button"
          aria-label={`Take off ${accessory.name}`}
          className="grid size-7 place-items-center text-ink2 hover:bg-press max-bench:size-11"
          onClick={() => {
            edit(
              (d) =>
                withSection(d, 'supply', { accessories: d.supply.accessories.filter((_, i) => i !== index) }),
              `${accessory.name.toLowerCase()} off`,
            );
          }}
        >
          <Trash2 size={15} strokeWidth={1.6} aria-hidden />
        </button>
      </div>
      <div className="flex flex-wrap gap-x-3 gap-y-1 pt-1">
        {NUMBERS.map(({ key, ...rest }) => (
          <PlainNumber
            key={key}
            {...rest}
            value={accessory[key]}
            onChange={(value) => {
              change({ [key]: value }, key);
            }}
          />
        ))}
      </div>
    </div>
  );
}

export function LightsFields() {
  const { document } = useStage();
  const edit = useBuild((state) => state.edit);
  const { accessories, means } = document.supply;
  const next = USUAL.find((u) => accessories.every((a) => a.name !== u.name)) ?? {
    name: `Accessory ${String(accessories.length + 1)}`,
    volts: 12,
    watts: 5,
    onPct: 100,
    light: false,
  };
  return (
    <>
      <FieldGroup title="Lamps, horn, outlets" note="0 V: on the pack’s own volts">
        {accessories.map((accessory, i) => (
          <Editor key={i} accessory={accessory} index={i} />
        ))}
        {accessories.length < MOST && (
          <div className="py-2">
            <Button
              kind="quiet"
              onClick={() => {
                edit(
                  (d) => withSection(d, 'supply', { accessories: [...d.supply.accessories, next] }),
                  next.name.toLowerCase(),
                );
              }}
            >
              <Plus size={15} strokeWidth={1.6} aria-hidden /> {next.name}
            </Button>
          </div>
        )}
      </FieldGroup>
      <FieldGroup title="Their volts come from">
        <ChoiceField
          label="Fed by"
          value={means}
          unknown={means === 'unknown'}
          options={[
            { value: 'converter', label: 'a DC-DC converter' },
            { value: 'resistor', label: 'a dropping resistor', note: 'wastes power and runs hot' },
            { value: 'own-cells', label: 'cells of their own' },
            { value: 'unknown', label: 'not decided' },
          ]}
          onChange={(value) => {
            edit((d) => withSection(d, 'supply', { means: value }), 'what feeds the lights');
          }}
        />
        {means === 'own-cells' && (
          <>
            <NumberField path="supply.ownAh" />
            <NumberField path="supply.ownV" />
          </>
        )}
        {means === 'converter' && (
          <>
            <NumberField path="supply.ratedW" label="Rated" />
            <NumberField path="supply.maxInV" label="Highest input" />
            <NumberField path="supply.efficiencyPct" label="Efficiency" />
          </>
        )}
      </FieldGroup>
    </>
  );
}

const hours = (h: number): string =>
  firstOf(
    [
      [h >= 100, 'over 100 h'],
      [h >= 2, `${h.toFixed(0)} h`],
    ],
    `${(60 * h).toFixed(0)} min`,
  );

/** What the accessories take, and how long the lights burn once the motor has been cut off. */
export function LightsView() {
  const { document, verdict } = useDeferredStage();
  const shown = useQuantity();
  const lights = useMemo(() => lightsVerdict(document), [document]);
  const { draws, averageW, takesM, leftCharge, lightsLastH } = lights;
  const km = shown((takesM ?? 0) / 1000, 'km');
  const lit = draws.some((d) => d.accessory.light);
  const own = document.supply.means === 'own-cells';
  // Without a board nothing ends the light but a hand, or the last of the cells.
  const ends = document.packs.some((p) => p.board === 'no')
    ? 'to 2 %, where a hand has to switch them off: this pack has no protection board'
    : 'until the protection opens; common practice 2 %';
  const title = firstOf(
    [
      [draws.length === 0, 'No lights yet'],
      [takesM === undefined, `They take ${formatNumber(averageW, 1)} W on average`],
    ],
    `They take ${km.text} ${km.unit} of the range`,
  );
  return (
    <>
      <section aria-label="Lights" data-testid="lights">
        <PanelHead
          title={title}
          note={draws.length === 0 ? undefined : `${formatNumber(averageW, 1)} W on average`}
        />
        {draws.length > 0 && (
          <table className="w-full border-collapse text-[13.5px]">
            <thead>
              <tr className="border-b-[1.5px] border-ink text-[12.5px] [&>th]:py-1 [&>th]:text-right [&>th]:font-semibold">
                <th className="text-left!">What</th>
                <th>Volts</th>
                <th>Watts</th>
                <th>From the pack, W</th>
                <th>On average, W</th>
              </tr>
            </thead>
            <tbody>
              {draws.map((draw, i) => (
                <tr key={i} className="border-b border-hair [&>td]:py-1.5 [&>td]:text-right">
                  <th scope="row" className="py-1.5 text-left font-normal">
                    {draw.accessory.name}
                  </th>
                  <td className="num">
                    {draw.accessory.volts === 0 ? 'pack' : formatNumber(draw.accessory.volts, 0)}
                  </td>
                  <td className="num">{formatNumber(draw.accessory.watts, 1)}</td>
                  <td className="num">{formatNumber(draw.onW, 1)}</td>
                  <td className="num">{formatNumber((draw.onW * draw.accessory.onPct) / 100, 1)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {lit && lightsLastH !== undefined && (own || leftCharge !== undefined) && (
          <p className="flex items-baseline gap-3 py-3" data-testid="lights-last">
            <b className="figure-number text-[25px]">{lightsLastH < 0.02 ? 'none' : hours(lightsLastH)}</b>
            <span className="text-[13.5px] text-ink2">
              {firstOf(
                [
                  [own, 'of light on cells of their own, with all of them on.'],
                  [
                    lightsLastH < 0.02,
                    'of light once the motor has been cut off: the pack is empty by then. Set the cut-off higher.',
                  ],
                ],
                `of light once the motor has been cut off at the brief’s speed, on the ${(100 * (leftCharge ?? 0)).toFixed(0)} % left in the pack (${ends}).`,
              )}
            </span>
          </p>
        )}
      </section>
      <CheckTable
        checks={verdict.power.checks.filter((c) => c.group === 'supply')}
        title="Their supply"
        label="Checks of the supply"
      />
    </>
  );
}
