import type { BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type Donor = BuildDocument['donor'];
type DonorKey =
  | 'frameMaterial'
  | 'forkMaterial'
  | 'forkKind'
  | 'axle'
  | 'shell'
  | 'brakeFront'
  | 'brakeRear'
  | 'pairBrakes'
  | 'levers'
  | 'cranks'
  | 'cogBody'
  | 'sprung'
  | 'outline';

const named = <T extends string>(
  words: Readonly<Record<T, string>>,
): readonly { readonly value: T; readonly label: string }[] =>
  (Object.entries(words) as [T, string][]).map(([value, label]) => ({ value, label }));

const MATERIAL = named<Donor['frameMaterial']>({
  steel: 'steel',
  aluminium: 'aluminium',
  magnesium: 'magnesium',
  titanium: 'titanium',
  carbon: 'carbon',
  unknown: 'not checked',
});
const BRAKE = named<Donor['brakeFront']>({
  rim: 'rim',
  'cable-disc': 'cable disc',
  'hydraulic-disc': 'hydraulic disc',
  drum: 'drum',
  coaster: 'coaster',
  none: 'none',
  unknown: 'not checked',
});

const CHOICES: {
  readonly [K in DonorKey]: {
    readonly label: string;
    readonly options: readonly { readonly value: Donor[K]; readonly label: string }[];
  };
} = {
  frameMaterial: { label: 'Frame', options: MATERIAL },
  forkMaterial: { label: 'Fork', options: MATERIAL },
  forkKind: {
    label: 'Kind of fork',
    options: named<Donor['forkKind']>({
      rigid: 'rigid',
      suspension: 'suspension',
      none: 'none',
      unknown: 'not checked',
    }),
  },
  axle: {
    label: 'Axle of the driven wheel',
    options: named<Donor['axle']>({
      solid: 'solid, nuts',
      'quick-release': 'quick-release',
      through: 'through-axle',
      unknown: 'not checked',
    }),
  },
  shell: {
    label: 'Bracket shell',
    options: named<Donor['shell']>({
      threaded: 'threaded, 1.37 in x 24',
      unthreaded: 'unthreaded',
      none: 'none',
      unknown: 'not checked',
    }),
  },
  brakeFront: { label: 'Front brake', options: BRAKE },
  brakeRear: { label: 'Rear brake', options: BRAKE },
  pairBrakes: {
    label: 'Wheels side by side',
    options: named<Donor['pairBrakes']>({
      each: 'a brake and a lever each',
      one: 'one lever, or no brake',
      unknown: 'not checked',
    }),
  },
  levers: {
    label: 'Brake levers',
    options: named<Donor['levers']>({
      plain: 'plain',
      'cut-off': 'with cut-off switch',
      'shift-brake': 'shift and brake in one',
      hydraulic: 'hydraulic',
      unknown: 'not checked',
    }),
  },
  cranks: {
    label: 'Cranks',
    options: named<Donor['cranks']>({
      square: 'square taper',
      splined: 'splined axle',
      'two-piece': 'two-piece, cups outside',
      cottered: 'cottered',
      'one-piece': 'one piece',
      unknown: 'not checked',
    }),
  },
  cogBody: {
    label: 'Cogs of the donor',
    options: named<Donor['cogBody']>({
      cassette: 'splined cassette',
      freewheel: 'screwed freewheel',
      unknown: 'not checked',
    }),
  },
  sprung: {
    label: 'Rear end sprung',
    options: named<Donor['sprung']>({ yes: 'yes', no: 'no', unknown: 'not checked' }),
  },
  outline: {
    label: 'Outline of the frame',
    options: named<Donor['outline']>({
      measured: 'measured',
      assumed: 'as the preset',
      unknown: 'not checked',
    }),
  },
};

/** What is told by looking at the donor, in the order of the walk round it. */
const LOOKED_AT: readonly DonorKey[] = [
  'frameMaterial',
  'forkMaterial',
  'forkKind',
  'sprung',
  'axle',
  'cogBody',
  'shell',
  'cranks',
  'brakeFront',
  'brakeRear',
  'pairBrakes',
  'levers',
];

/** Answers of a sheet on which they are ringed; what a machine with two wheels has none of is left out. */
export const answersToRing = ({ donor }: BuildDocument): readonly (readonly [string, readonly string[]])[] =>
  LOOKED_AT.filter((key) => key !== 'pairBrakes' || donor.wheelCount > 2).map((key) => {
    const { label, options } = CHOICES[key];
    const words: readonly { readonly value: string; readonly label: string }[] = options;
    return [label, words.filter(({ value }) => value !== 'unknown').map((o) => o.label)] as const;
  });

/** A choice about the donor that may not have been made yet. */
export function DonorChoice({ name }: { name: DonorKey }) {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  const { label, options } = CHOICES[name];
  return (
    <ChoiceField<string>
      label={label}
      value={donor[name]}
      options={options}
      unknown={donor[name] === 'unknown'}
      onChange={(value) => {
        edit((d) => withSection(d, 'donor', { [name]: value }), label.toLowerCase());
      }}
    />
  );
}

const ARMS = { '0': 0, '1': 1, '2': 2 } as const;

/** Torque arms on the axle: none, one or two. */
export function TorqueArms() {
  const { drive } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <ChoiceField
      label="Torque arms"
      value={String(drive.torqueArms) as keyof typeof ARMS}
      options={[
        { value: '0', label: 'none' },
        { value: '1', label: 'one' },
        { value: '2', label: 'two' },
      ]}
      onChange={(value) => {
        edit((d) => withSection(d, 'drive', { torqueArms: ARMS[value] }), 'torque arms');
      }}
    />
  );
}

/** What each answer begins with; the usual pair stands on the seat tube. */
const BOSSES = { unknown: null, none: [], some: [{ tube: 'seat-tube', alongMm: 200 }] } satisfies Record<
  string,
  BuildDocument['donor']['bosses']
>;

/** Bottle bosses by tube and distance from the bracket. */
export function Bosses() {
  const { donor } = useDocument();
  const edit = useBuild((state) => state.edit);
  const seen = (donor.bosses ?? []).length === 0 ? 'none' : 'some';
  const value = donor.bosses === null ? 'unknown' : seen;
  return (
    <ChoiceField
      label="Bottle bosses"
      value={value}
      unknown={value === 'unknown'}
      options={[
        { value: 'unknown', label: 'not checked' },
        { value: 'none', label: 'none' },
        { value: 'some', label: 'measured below' },
      ]}
      onChange={(next) => {
        edit(
          (d) =>
            withSection(d, 'donor', {
              bosses: BOSSES[next],
            }),
          'bottle bosses',
        );
      }}
    />
  );
}
