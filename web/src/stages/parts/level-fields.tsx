import { asksWhatFollows, inUse, type BuildDocument } from '@apple-cart/core';
import { ChoiceField } from '../../fields/choice-field.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';

const COUNTS = ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;
const NOT_SAID = '0';

/** How many levels of help the rider chooses among, and what they part. */
export function LevelFields() {
  const document = useDocument();
  const edit = useBuild((state) => state.edit);
  const { controls } = document;
  if (controls.assistSensor === 'none') return null;
  const change = (part: Partial<BuildDocument['controls']>, label: string): void => {
    edit((d) => withSection(d, 'controls', part), label);
  };
  const torque = controls.assistSensor === 'torque';
  return (
    <>
      <ChoiceField<(typeof COUNTS)[number]>
        label="Levels of help"
        value={COUNTS[controls.levels] ?? NOT_SAID}
        unknown={controls.levels === 0}
        options={COUNTS.map((value) => ({
          value,
          label: value === NOT_SAID ? 'not said' : value,
          ...(value === NOT_SAID ? { note: 'five are shown' } : {}),
        }))}
        onChange={(count) => {
          change({ levels: Number(count) }, 'levels of help');
        }}
      />
      {asksWhatFollows(document) && (
        <ChoiceField<BuildDocument['controls']['helpFollows']>
          label="The help follows"
          value={controls.helpFollows}
          unknown={controls.helpFollows === 'unknown'}
          options={[
            { value: 'power', label: 'the legs’ power', note: 'alike in every gear' },
            { value: 'torque', label: 'the push on the pedals', note: 'more in a taller gear' },
            { value: 'unknown', label: 'not said', note: 'taken as power; a law on it cannot tell' },
          ]}
          onChange={(helpFollows) => {
            change({ helpFollows }, 'what the help follows');
          }}
        />
      )}
      {torque && (
        <NumberField
          path="controls.assistRatio"
          label={
            asksWhatFollows(document) && controls.helpFollows === 'torque'
              ? 'Torque per torque at the cranks'
              : 'Help per rider watt'
          }
        />
      )}
      {inUse(document, 'controls.leastRatio') && (
        <NumberField path="controls.leastRatio" label="In the lowest level" />
      )}
      {!torque && (
        <ChoiceField<BuildDocument['controls']['levelsBy']>
          label="Each level sets"
          value={controls.levelsBy === 'ratio' ? 'unknown' : controls.levelsBy}
          unknown={controls.levelsBy === 'unknown' || controls.levelsBy === 'ratio'}
          options={[
            { value: 'amps', label: 'amps' },
            { value: 'watts', label: 'watts' },
            { value: 'speed', label: 'speed' },
            { value: 'unknown', label: 'not said', note: 'taken as amps' },
          ]}
          onChange={(levelsBy) => {
            change({ levelsBy }, 'what the levels set');
          }}
        />
      )}
    </>
  );
}
