import { behindCranks, firstOf, isHubMotor, quantityAt, type QuantityPath } from '@apple-cart/core';
import { Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { SideView } from './side-view.tsx';
import { BalanceLine } from './balance-line.tsx';
import { BossFields } from './boss-fields.tsx';
import { Bosses, DonorChoice, TorqueArms } from './donor-choices.tsx';
import { DriveAnswer } from '../parts/drive-answer.tsx';
import { DonorFields, MoreOfDonor } from './donor-fields.tsx';
import { CheckTable } from '../parts/check-table.tsx';
import { MeasureCards } from './measure-cards.tsx';
import { walkFor } from './measures.ts';
import { PackFields } from './pack-fields.tsx';
import { PlacesTable } from './places-table.tsx';
import { SpacerPicture } from './spacer-picture.tsx';
import { FieldGroup, FoldedGroup } from '../../fields/field-group.tsx';
import { YesNoField } from '../../fields/choice-field.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { RoadFields } from './road-fields.tsx';
import { STYLE_NAMES } from './donor-styles.ts';
import { Stage, StageFindings } from '../parts/stage.tsx';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';
import { useSettled } from '../../state/use-settled.ts';

const NEXT = 5;
/** Asked before a motor is chosen. */
const SPACING: readonly QuantityPath[] = ['donor.frontOldMm', 'donor.rearOldMm', 'donor.shellWidthMm'];
/** What to measure next takes a few frames to work out: it waits until a drag or a number is finished. */
const QUIET_MS = 250;

function Inputs() {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const settled = useSettled(document, QUIET_MS);
  const studied = useStudy(
    'measure',
    useMemo(() => ({ build: settled }), [settled]),
  );
  const hub = isHubMotor(document);
  const fitCodes = verdict.findings.filter((f) => f.stage === 'donor' && !f.code.startsWith('fit-'));
  return (
    <>
      <DonorFields />
      <FieldGroup title="Spacing and shell" note="they decide which motors go in">
        <NumberField path="donor.frontOldMm" />
        <NumberField path="donor.rearOldMm" />
        <NumberField path="donor.shellWidthMm" />
      </FieldGroup>
      <FieldGroup title="What to measure next" note="most telling first">
        <Studying {...studied} waiting="Trying every measure…">
          {(items) => <MeasureCards items={items} count={NEXT} />}
        </Studying>
      </FieldGroup>
      <FieldGroup title="Frame, brakes and levers">
        <DonorChoice name="frameMaterial" />
        <DonorChoice name="forkMaterial" />
        <DonorChoice name="forkKind" />
        {hub && <DonorChoice name="axle" />}
        {hub && <TorqueArms />}
        {hub && document.drive.torqueArms > 0 && <NumberField path="drive.armHoldsNm" />}
        {hub && <DriveAnswer name="discMount" />}
        {document.drive.motors === 'each-wheel' && hub && <DriveAnswer name="otherEnd" />}
        {document.donor.axle === 'through' && <DriveAnswer name="throughAxle" />}
        {document.drive.kind === 'mid-drive' && <DonorChoice name="shell" />}
        {document.drive.kind === 'mid-drive' && <DriveAnswer name="bearsOnFrame" />}
        <DonorChoice name="brakeFront" />
        <DonorChoice name="brakeRear" />
        {behindCranks(document, verdict.known) && <DriveAnswer name="pullsBack" />}
        {document.donor.wheelCount > 2 && <DonorChoice name="pairBrakes" />}
        <DonorChoice name="levers" />
        {document.drive.kind === 'mid-drive' && <DonorChoice name="cranks" />}
        {hub && document.drive.wheel === 'rear' && <DonorChoice name="cogBody" />}
        {document.donor.style !== 'full-suspension' && <DonorChoice name="sprung" />}
        {hub && (
          <YesNoField
            label="Rims changed"
            value={document.donor.bothRims}
            yes="both wheels"
            no="the motor’s alone, or none"
            onChange={(bothRims) => {
              edit((d) => withSection(d, 'donor', { bothRims }), 'rims changed');
            }}
          />
        )}
        <DonorChoice name="outline" />
        <Bosses />
        <BossFields />
      </FieldGroup>
      <MoreOfDonor />
      <PackFields build={document} verdict={verdict} />
      {walkFor(document).map(({ name, measures }) => {
        const own = measures.filter((m) => !m.path.startsWith('packs.0.box') && !SPACING.includes(m.path));
        if (own.length === 0) return null;
        const known = own.filter((m) => quantityAt(document, m.path).source !== 'unknown').length;
        return (
          <FoldedGroup key={name} title={name} note={`${String(known)} of ${String(own.length)} known`}>
            {own.map((m) => (
              <NumberField key={m.path} path={m.path} />
            ))}
            {name === 'Motor at the bracket' && <NumberField path="drive.spacerMm" />}
          </FoldedGroup>
        );
      })}
      <RoadFields />
      {fitCodes.length > 0 && <StageFindings id="donor" />}
      <Caution>
        A bicycle that was not built for a motor may need stronger brakes, fork and wheels. The frame maker
        decides.
      </Caution>
    </>
  );
}

function Picture() {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const [editing, setEditing] = useState(false);
  const style = STYLE_NAMES.find((s) => s.value === document.donor.style)?.label ?? '';
  const moved = Object.keys(document.donor.points).length;
  return (
    <>
      <PanelHead
        title={`${style.charAt(0).toUpperCase()}${style.slice(1)}, to scale`}
        note="donor in ink, added in blue"
      >
        {editing && moved > 0 && (
          <Button
            kind="quiet"
            className="h-7! max-bench:h-11!"
            onClick={() => {
              edit((d) => withSection(d, 'donor', { points: {} }), 'frame points');
            }}
          >
            Back to the preset
          </Button>
        )}
        <Button
          kind="quiet"
          className="h-7! max-bench:h-11!"
          aria-pressed={editing}
          onClick={() => {
            setEditing(!editing);
          }}
        >
          {editing ? 'Done' : 'Move points'}
        </Button>
        <Link
          to="../measure-sheet"
          relative="path"
          className="flex h-7 items-center gap-1.5 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
        >
          <Printer size={14} strokeWidth={1.6} aria-hidden /> Measure sheet
        </Link>
      </PanelHead>
      <SideView build={document} verdict={verdict} editing={editing} />
      <BelowPicture />
    </>
  );
}

/** What is told of the picture: it may lag a frame behind what is dragged in it. */
function BelowPicture() {
  const { verdict } = useDeferredStage();
  const spacer = verdict.fit.checks.find((c) => c.id === 'gearbox-stay');
  const line = verdict.fit.checks.find((c) => c.id === 'chainline');
  return (
    <>
      <BalanceLine verdict={verdict} />
      <CheckTable checks={verdict.fit.checks} title="Fit finding" label="Fit findings" />
      <PlacesTable />
      {verdict.fit.spacers !== undefined && (
        <SpacerPicture
          trade={verdict.fit.spacers}
          spacerMm={verdict.known.drive.spacerMm.value}
          known={spacer?.state !== 'unknown' && line?.state !== 'unknown'}
        />
      )}
    </>
  );
}

/** The bicycle: what to measure, where motor and pack go, and what stands in the way. */
export function DonorStage() {
  const { verdict } = useStage();
  const count = (state: string): number => verdict.fit.checks.filter((c) => c.state === state).length;
  const [stop, unknown, look] = [count('stop'), count('unknown'), count('look')];
  return (
    <Stage
      id="donor"
      stamp={firstOf(
        [
          [stop > 0, { state: 'stop', word: 'Does not fit', under: `${String(stop)} to stop for` }],
          [
            unknown > 0,
            {
              state: 'unknown',
              word: 'Measure first',
              under: `${String(unknown)} ${unknown === 1 ? 'check waits' : 'checks wait'}`,
            },
          ],
          [look > 0, { state: 'look', word: 'Fits, with care', under: `${String(look)} to look at` }],
        ],
        { state: 'fine', word: 'Fits', under: `${String(verdict.fit.checks.length)} checks fine` },
      )}
      inputs={<Inputs />}
      picture={<Picture />}
      pictureFirst
    />
  );
}
