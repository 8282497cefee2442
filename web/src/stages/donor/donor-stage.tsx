import { WHEEL_SIZES } from '@apple-cart/core';
import { DonorDrawing } from './donor-drawing.tsx';
import { AnswerField, ChoiceField, PlainRow } from '../../fields/choice-field.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Caution } from '../../ui/caution.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { MeasureNext } from '../parts/measure-next.tsx';
import { STYLE_NAMES, wheelsOf } from './donor-styles.ts';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';

function Inputs() {
  const { document } = useStage();
  const edit = useBuild((state) => state.edit);
  const { donor } = document;
  return (
    <>
      <FieldGroup title="The donor">
        <NameField section="donor" label="Which bicycle" />
        <ChoiceField
          label="Style"
          value={donor.style}
          options={STYLE_NAMES}
          onChange={(style) => {
            edit((d) => withSection(d, 'donor', { style, wheelCount: wheelsOf(style) }), 'style');
          }}
        />
        <ChoiceField
          label="Wheels"
          value={String(donor.wheelCount)}
          options={['2', '3', '4'].map((value) => ({ value, label: value }))}
          onChange={(value) => {
            edit(
              (d) => withSection(d, 'donor', { wheelCount: value === '3' ? 3 : value === '4' ? 4 : 2 }),
              'wheels',
            );
          }}
        />
        <AnswerField
          label="Pedals that drive it"
          value={donor.operablePedals}
          onChange={(operablePedals) => {
            edit((d) => withSection(d, 'donor', { operablePedals }), 'pedals');
          }}
        />
        <PlainRow label="Copy a donor">
          <ShelfMenu type="donor" />
        </PlainRow>
        <NumberField path="donor.massKg" />
      </FieldGroup>
      <FieldGroup title="Driven wheel">
        <ChoiceField
          label="Size"
          value={donor.beadMm.source === 'unknown' ? '' : String(donor.beadMm.value)}
          unknown={donor.beadMm.source === 'unknown'}
          options={[
            ...(donor.beadMm.source === 'unknown' ? [{ value: '', label: 'not known' }] : []),
            ...(donor.beadMm.source !== 'unknown' &&
            !WHEEL_SIZES.some(
              (s) => String(s.beadMm) === String(donor.beadMm.source === 'unknown' ? 0 : donor.beadMm.value),
            )
              ? [{ value: String(donor.beadMm.value), label: `${String(donor.beadMm.value)} mm` }]
              : []),
            ...WHEEL_SIZES.map((size) => ({
              value: String(size.beadMm),
              label: size.name,
              note: `${String(size.beadMm)} mm bead (ISO 5775)`,
            })),
          ]}
          onChange={(value) => {
            if (value !== '')
              edit(
                (d) => withSection(d, 'donor', { beadMm: { source: 'label', value: Number(value) } }),
                'wheel size',
              );
          }}
        />
        <NumberField path="donor.beadMm" label="Bead" />
        <NumberField path="donor.tyreMm" />
        <NumberField path="donor.rolloutMm" />
      </FieldGroup>
      <FieldGroup title="Balance, rider on">
        <NumberField path="donor.wheelbaseMm" />
        <NumberField path="donor.massAheadMm" label="Mass ahead of axle" />
        <NumberField path="donor.massHeightMm" label="Mass above ground" />
        <NumberField path="donor.tyreGrip" />
      </FieldGroup>
      <FieldGroup title="What holds it back">
        <NumberField path="donor.crr" />
        <NumberField path="donor.cdaM2" />
      </FieldGroup>
      <StageFindings id="donor" />
      <Caution>
        A bicycle that was not built for a motor may need stronger brakes, fork and wheels. The frame maker
        decides.
      </Caution>
    </>
  );
}

/** The bicycle: style, measures, drawing to scale, and what to measure next. */
export function DonorStage() {
  const { document, verdict } = useDeferredStage();
  const open = verdict.assumptions.filter((k) => k.path.startsWith('donor.'));
  const unknown = open.filter((k) => k.source === 'unknown').length;
  const stage = verdict.stages.find((s) => s.id === 'donor');
  return (
    <Stage
      id="donor"
      stamp={
        unknown > 0
          ? { state: 'unknown', word: 'Measure first', under: `${String(unknown)} not known` }
          : {
              state: stage?.state ?? 'fine',
              word: 'Known',
              under:
                open.length === 0 ? 'all measured or from a label' : `${String(open.length)} of them assumed`,
            }
      }
      inputs={<Inputs />}
      picture={
        <>
          <PanelHead
            title={`${STYLE_NAMES.find((s) => s.value === document.donor.style)?.label ?? ''}, to scale`.replace(
              /^./,
              (c) => c.toUpperCase(),
            )}
            note="donor in ink, what we add in blue"
          />
          <DonorDrawing build={document} verdict={verdict} />
          <MeasureNext count={6} />
        </>
      }
    />
  );
}
