import { formatNumber, inUse, type BuildDocument, type Verdict } from '@apple-cart/core';
import { AnswerField, ChoiceField, PlainRow, YesNoField } from '../../fields/choice-field.tsx';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { NumberField } from '../../fields/number-field.tsx';
import { useBuild } from '../../state/build-store.ts';
import { withSection } from '../../state/paths.ts';
import { Num } from '../../ui/num.tsx';
import { NameField } from '../parts/name-field.tsx';
import { ShelfMenu } from '../parts/shelf-menu.tsx';

export function ControllerFields({ document, verdict }: { document: BuildDocument; verdict: Verdict }) {
  const edit = useBuild((state) => state.edit);
  const change = (part: Partial<BuildDocument['controller']>, label: string, key = ''): void => {
    edit((d) => withSection(d, 'controller', part), label, key);
  };
  const { controller } = document;
  return (
    <FieldGroup title="Controller">
      <NameField section="controller" label="Which controller" />
      <PlainRow label="Copy a controller">
        <ShelfMenu type="controller" />
      </PlainRow>
      {(document.drive.commutation === 'brushes' || controller.commutation === 'brushes') && (
        <ChoiceField<BuildDocument['controller']['commutation']>
          label="Motors that it turns"
          value={controller.commutation}
          unknown={controller.commutation === 'unknown'}
          options={[
            { value: 'brushes', label: 'with brushes, two leads' },
            { value: 'electronic', label: 'without, three phases' },
            { value: 'unknown', label: 'not said' },
          ]}
          onChange={(commutation) => {
            change({ commutation }, 'motors that the controller turns');
          }}
        />
      )}
      <WorkedRow
        label="Input power"
        unit="W"
        sum
        from={[
          verdict.known.packs[0].nominalV,
          verdict.known.controller.batteryCurrentA,
          ...(controller.limitsPower ? [verdict.known.controller.powerLimitW] : []),
        ]}
      >
        <Num text={formatNumber(verdict.power.inputW, 0)} places={3} />
      </WorkedRow>
      <NumberField path="controller.phaseCurrentA" />
      <ChoiceField<BuildDocument['controller']['place']>
        label="Where it sits"
        value={controller.place}
        unknown={controller.place === 'unknown'}
        options={[
          { value: 'wind', label: 'open in the wind' },
          { value: 'box', label: 'in a bag or box' },
          { value: 'plate', label: 'bolted to metal' },
          { value: 'motor', label: 'in the motor' },
          {
            value: 'unknown',
            label: 'not said',
            note: 'taken as in a bag or box, or in the motor of a mid-drive',
          },
        ]}
        onChange={(place) => {
          change({ place }, 'place of the controller');
        }}
      />
      <NumberField path="controller.lowVoltageCutoffV" />
      <NumberField path="controller.lowVoltageFoldV" />
      <YesNoField
        label="Speed limit"
        value={controller.limitsSpeed}
        yes="set"
        no="none"
        onChange={(limitsSpeed) => {
          change({ limitsSpeed }, 'speed limit');
        }}
      />
      {controller.limitsSpeed && (
        <>
          <NumberField path="controller.assistCutoffKmh" />
          <NumberField path="controller.assistTaperKmh" label="It fades over" />
        </>
      )}
      <YesNoField
        label="Power limit"
        value={controller.limitsPower}
        yes="set"
        no="none"
        onChange={(limitsPower) => {
          change({ limitsPower }, 'power limit');
        }}
      />
      {controller.limitsPower && <NumberField path="controller.powerLimitW" />}
      {document.drive.commutation !== 'brushes' && (
        <AnswerField
          label="Weakens the field"
          value={controller.weakens}
          onChange={(weakens) => {
            change({ weakens }, 'field weakening');
          }}
        />
      )}
      {inUse(document, 'controller.weakeningA') && (
        <>
          <NumberField path="controller.weakeningA" label="With at most" />
          <NumberField path="drive.cancelA" label="Cancels the magnets" />
        </>
      )}
      <NumberField path="controller.resistanceMohm" label="Resistance" />
      <NumberField path="controller.standbyW" label="Standby, display" />
      <NumberField path="controller.massKg" label="Mass, with fittings" />
    </FieldGroup>
  );
}
