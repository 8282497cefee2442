import { Plus } from 'lucide-react';
import type { SwitchedProfile } from '@apple-cart/core';
import { PlannedField, ChoiceField, YesNoField } from '../../fields/choice-field.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { TextField } from '../../fields/text-field.tsx';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { useStage } from '../parts/use-stage.ts';
import { TextButton } from '../../ui/text-button.tsx';

const NEW: SwitchedProfile = {
  name: 'Private land',
  reach: 'rider',
  limitsSpeed: true,
  cutoffKmh: 32,
  batteryA: null,
  throttle: 'same',
};
const MOST = 6;

function ProfileRows({
  profile,
  onChange,
  onRemove,
}: {
  profile: SwitchedProfile;
  onChange: (change: Partial<SwitchedProfile>) => void;
  onRemove: () => void;
}) {
  // What it leaves open is as the build has it.
  const own = useStage().verdict.known.controller;
  return (
    <div className="border-b-[1.5px] border-rule pb-1" data-testid="profile">
      <TextField
        label="Name"
        value={profile.name}
        max={40}
        onChange={(name) => {
          onChange({ name });
        }}
      />
      <ChoiceField
        label="Switched to by"
        value={profile.reach}
        options={[
          { value: 'rider', label: 'the rider', note: 'menu, button, telephone: judged with the rest' },
          { value: 'tool', label: 'the workshop’s programmer', note: 'not judged' },
        ]}
        onChange={(reach) => {
          onChange({ reach });
        }}
      />
      <YesNoField
        label="Ends the help by speed"
        value={profile.limitsSpeed}
        onChange={(limitsSpeed) => {
          onChange({ limitsSpeed, cutoffKmh: limitsSpeed ? own.assistCutoffKmh.value : null });
        }}
      />
      <div className="flex min-h-[30px] flex-wrap items-center gap-x-3 border-b border-hair max-bench:min-h-11">
        {profile.limitsSpeed && (
          <PlainNumber
            label="at"
            value={profile.cutoffKmh ?? own.assistCutoffKmh.value}
            unit="km/h"
            min={3}
            max={150}
            step={0.5}
            digits={1}
            onChange={(cutoffKmh) => {
              onChange({ cutoffKmh });
            }}
          />
        )}
        <PlainNumber
          label="battery"
          value={profile.batteryA ?? own.batteryCurrentA.value}
          unit="A"
          min={1}
          max={500}
          step={1}
          onChange={(batteryA) => {
            onChange({ batteryA });
          }}
        />
        {profile.batteryA === null && <span className="text-[12px] text-ink2">as the build</span>}
      </div>
      <ChoiceField
        label="Hand control"
        value={profile.throttle}
        options={[
          { value: 'same', label: 'as the build' },
          { value: 'none', label: 'none' },
          { value: 'walk', label: 'walk help' },
          { value: 'pedalling', label: 'throttle while pedalling' },
          { value: 'full', label: 'throttle' },
        ]}
        onChange={(throttle) => {
          onChange({ throttle });
        }}
      />
      <TextButton onClick={onRemove} aria-label={`Remove the profile ${profile.name}`}>
        Remove
      </TextButton>
    </div>
  );
}

/** Other ways the machine can be ridden: each is judged, and the worst counts. */
export function ProfilesField() {
  const { controller } = useDocument();
  const edit = useBuild((state) => state.edit);
  const change = (profiles: SwitchedProfile[], label: string, key = ''): void => {
    edit((d) => withSection(d, 'controller', { profiles }), label, key);
  };
  const { profiles, lifted } = controller;
  return (
    <FieldGroup title="Profiles and ways around" note="the worst counts">
      <PlannedField
        planned="planned without"
        label="Rider can lift the limit: wire, jumper, menu"
        value={lifted}
        onChange={(answer) => {
          edit((d) => withSection(d, 'controller', { lifted: answer }), 'way around the limit');
        }}
      />
      {profiles.map((profile, i) => (
        <ProfileRows
          key={i}
          profile={profile}
          onChange={(part) => {
            change(
              profiles.map((p, j) => (j === i ? { ...p, ...part } : p)),
              'profile',
              `profile ${String(i)} ${Object.keys(part).join()}`,
            );
          }}
          onRemove={() => {
            change(
              profiles.filter((_, j) => j !== i),
              `profile ${profile.name} removed`,
            );
          }}
        />
      ))}
      {profiles.length < MOST && (
        <TextButton
          className="flex items-center gap-1"
          onClick={() => {
            change([...profiles, NEW], 'profile added');
          }}
        >
          <Plus size={13} strokeWidth={1.8} aria-hidden /> Add a profile
        </TextButton>
      )}
    </FieldGroup>
  );
}
