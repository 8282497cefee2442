import { AnswerField } from '../../fields/choice-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

type DriveKey = 'discMount' | 'throughAxle' | 'bearsOnFrame' | 'idler' | 'otherEnd' | 'covered' | 'pullsBack';
const ASKED: Readonly<Record<DriveKey, string>> = {
  discMount: 'Disc mount on the motor',
  throughAxle: 'Made for through-axles',
  bearsOnFrame: 'Body bears on the frame',
  idler: 'Idler fitted',
  covered: 'Closed cover over the can',
  otherEnd: 'Other wheel’s slot and plate suit',
  pullsBack: 'Its cranks turn the chain back',
};

/** A yes-or-no fact about the motor. */
export function DriveAnswer({ name }: { name: DriveKey }) {
  const { drive } = useDocument();
  const edit = useBuild((state) => state.edit);
  return (
    <AnswerField
      label={ASKED[name]}
      value={drive[name]}
      onChange={(answer) => {
        edit((d) => withSection(d, 'drive', { [name]: answer }), ASKED[name].toLowerCase());
      }}
    />
  );
}
