import {
  asksWhatHoldsHand,
  motorAt,
  type BuildDocument,
  type DonorStyle,
  type DriveKind,
} from '@apple-cart/core';
import { CardsField } from '../fields/cards-field.tsx';
import { FieldGroup } from '../fields/field-group.tsx';
import { NumberField } from '../fields/number-field.tsx';
import { PlaceField } from '../fields/place-field.tsx';
import { TextField } from '../fields/text-field.tsx';
import { DonorChoice } from '../stages/donor/donor-choices.tsx';
import { STYLE_NAMES, withStyle } from '../stages/donor/donor-styles.ts';
import { WheelSize } from '../stages/parts/wheel-size.tsx';
import { useBuild, useDocument } from '../state/build-store.ts';
import { withSection } from '../state/paths.ts';
import { Caution } from '../ui/caution.tsx';
import { StylePicture } from './style-picture.tsx';

function NameAndPlace() {
  const { name } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <FieldGroup title="The job">
      <PlaceField label="Ridden in" />
      <TextField
        label="Name of the build"
        value={name}
        max={80}
        onChange={(next) => {
          if (next.trim() !== '') edit((d) => ({ ...d, name: next }), 'name', 'name');
        }}
      />
    </FieldGroup>
  );
}

const Rides = () => (
  <FieldGroup title="Who and what rides">
    <NumberField path="brief.riderMassKg" label="Rider weighs" />
    <NumberField path="brief.loadMassKg" label="Load weighs" />
  </FieldGroup>
);

const Road = () => (
  <FieldGroup title="The hill and the way">
    <NumberField path="brief.hillGradePct" label="Mean grade of the hill" />
    <NumberField path="brief.hillLengthM" label="Its length" />
    <NumberField path="brief.distanceKm" label="Distance on one charge" />
    <NumberField path="brief.cruiseSpeedKmh" label="Speed on the level" />
  </FieldGroup>
);

/** A bicycle is at hand, and no motor has to be chosen. */
export function FromBicycle() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <>
      <CardsField<DonorStyle>
        label="Which bicycle"
        columns={3}
        value={donor.style}
        options={STYLE_NAMES.map((style) => ({
          ...style,
          picture: <StylePicture style={style.value} />,
        }))}
        onChange={(style) => {
          edit((d) => withStyle(d, style), 'style');
        }}
      />
      <FieldGroup title="The bicycle">
        <WheelSize />
        <NumberField path="donor.massKg" label="It weighs" />
        <DonorChoice name="brakeFront" />
        <DonorChoice name="brakeRear" />
      </FieldGroup>
      <NameAndPlace />
      <Rides />
      <Road />
    </>
  );
}

/** A hill is to be climbed. */
export const FromHill = () => (
  <>
    <Road />
    <Rides />
    <NameAndPlace />
    <Caution>A steep or long hill tests brakes as much as motors: see to them first.</Caution>
  </>
);

type Controls = BuildDocument['controls'];
type Driven = 'pedals' | 'both' | 'past' | 'hand';
type Told = Pick<Controls, 'assistSensor' | 'throttle' | 'pedalHelpStops' | 'limitHoldsThrottle'>;

const BOTH = { assistSensor: 'cadence', throttle: 'full', pedalHelpStops: 'yes' } as const;
const DRIVEN: Readonly<Record<Driven, Told>> = {
  pedals: { ...BOTH, throttle: 'none', limitHoldsThrottle: 'unknown' },
  both: { ...BOTH, limitHoldsThrottle: 'yes' },
  past: { ...BOTH, limitHoldsThrottle: 'no' },
  hand: {
    assistSensor: 'none',
    throttle: 'full',
    pedalHelpStops: 'unknown',
    limitHoldsThrottle: 'unknown',
  },
};

/** Which of them it is; none until the stopping of the help, and what holds the throttle, have been answered. */
function drivenOf(build: BuildDocument): Driven | undefined {
  const { assistSensor, throttle, pedalHelpStops, limitHoldsThrottle: holds } = build.controls;
  if (assistSensor === 'none') return throttle === 'full' ? 'hand' : undefined;
  if (pedalHelpStops !== 'yes') return undefined;
  if (throttle === 'full' && asksWhatHoldsHand(build) && holds !== 'yes')
    return holds === 'no' ? 'past' : undefined;
  if (throttle === 'full') return 'both';
  return throttle === 'none' ? 'pedals' : undefined;
}

type Motor = 'rear' | 'front' | 'direct' | 'middle';
const KINDS: Readonly<Record<Motor, { readonly kind: DriveKind; readonly wheel: 'front' | 'rear' }>> = {
  rear: { kind: 'geared-hub', wheel: 'rear' },
  front: { kind: 'geared-hub', wheel: 'front' },
  direct: { kind: 'direct-drive-hub', wheel: 'rear' },
  middle: { kind: 'mid-drive', wheel: 'rear' },
};

function motorOf(build: BuildDocument): Motor | undefined {
  const { kind } = build.drive;
  if (kind === 'mid-drive') return 'middle';
  if (kind === 'direct-drive-hub') return 'direct';
  return kind === 'external' || motorAt(build) === 'middle' ? undefined : build.drive.wheel;
}

type Known = 'set' | 'fades' | 'stops';
/** A speed that was ridden and measured needs no wheel; how it ends is seen on the same ride. */
function knownOf({ controller: { assistCutoffKmh, assistTaperKmh } }: BuildDocument): Known | undefined {
  if (assistCutoffKmh.source === 'label') return 'set';
  if (assistCutoffKmh.source !== 'measured' || assistTaperKmh.source === 'unknown') return undefined;
  return assistTaperKmh.value > 0 ? 'fades' : 'stops';
}

/** How far a fade reaches that was seen and not measured, km/h. Common practice, no source. */
const SEEN_FADE_KMH = 2;

function withKnown(build: BuildDocument, known: Known): BuildDocument {
  const { assistCutoffKmh } = build.controller;
  if (assistCutoffKmh.source === 'unknown') return build;
  return withSection(build, 'controller', {
    assistCutoffKmh: { ...assistCutoffKmh, source: known === 'set' ? 'label' : 'measured' },
    ...(known === 'set'
      ? {}
      : {
          assistTaperKmh:
            known === 'fades'
              ? { source: 'assumed', value: SEEN_FADE_KMH }
              : { source: 'measured', value: 0 },
        }),
  });
}

/** A machine is finished: what its labels say. */
export function FromMachine() {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { controller } = document;
  return (
    <>
      <FieldGroup title="As on its labels" note="what is typed here is marked so">
        <NumberField path="packs.0.nominalV" label="Battery, volts" />
        <NumberField path="packs.0.capacityAh" label="Battery, amp-hours" />
        <NumberField path="controller.batteryCurrentA" label="Controller, amps from the battery" />
        <NumberField path="drive.ratedPowerW" label="Motor, rated watts" />
        {controller.limitsSpeed && <NumberField path="controller.assistCutoffKmh" label="Help ends at" />}
      </FieldGroup>
      {controller.limitsSpeed && (
        <CardsField<Known>
          label="How that end is known"
          value={knownOf(document)}
          options={[
            { value: 'set', label: 'as set in the controller or display' },
            { value: 'fades', label: 'ridden and measured; the help fades before it' },
            { value: 'stops', label: 'ridden and measured; the help stops at once' },
          ]}
          onChange={(known) => {
            edit((d) => withKnown(d, known), 'how the end of the help is known');
          }}
        />
      )}
      <CardsField<'yes' | 'no' | 'unknown'>
        label="Can its rider lift the limit, by a wire, a jumper or a menu?"
        columns={3}
        value={controller.lifted === 'planned' ? undefined : controller.lifted}
        options={[
          { value: 'no', label: 'no' },
          { value: 'yes', label: 'yes' },
          { value: 'unknown', label: 'not looked' },
        ]}
        onChange={(lifted) => {
          edit((d) => withSection(d, 'controller', { lifted }), 'way around the limit');
        }}
      />
      <CardsField<Driven>
        label="How it is driven"
        value={drivenOf(document)}
        options={[
          { value: 'pedals', label: 'by the pedals', note: 'help stops when they stop; no throttle' },
          {
            value: 'both',
            label: 'by pedals and throttle',
            note: 'the throttle drives it with the pedals still, no faster than the help goes',
          },
          ...(controller.limitsSpeed
            ? [
                {
                  value: 'past' as const,
                  label: 'by pedals and throttle, the throttle faster',
                  note: 'the limit holds the help of the pedals alone',
                },
              ]
            : []),
          { value: 'hand', label: 'by a throttle alone', note: 'no sensor at the pedals' },
        ]}
        onChange={(driven) => {
          edit((d) => withSection(d, 'controls', DRIVEN[driven]), 'how it is driven');
        }}
      />
      <CardsField<Motor>
        label="Which motor"
        columns={2}
        value={motorOf(document)}
        options={[
          { value: 'rear', label: 'rear hub', note: 'geared, freewheels' },
          { value: 'front', label: 'front hub', note: 'geared, freewheels' },
          { value: 'direct', label: 'direct-drive hub', note: 'silent, heavy, drags' },
          { value: 'middle', label: 'in the middle', note: 'pulls on the chain' },
        ]}
        onChange={(motor) => {
          const { kind, wheel } = KINDS[motor];
          edit(
            (d) => withSection(d, 'drive', { kind, wheel, freewheel: kind !== 'direct-drive-hub' }),
            'kind of motor',
          );
        }}
      />
      <FieldGroup title="The wheel it drives">
        <WheelSize />
      </FieldGroup>
      <NameAndPlace />
      <Rides />
      <Road />
    </>
  );
}
