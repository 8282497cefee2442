import { useFieldArray, useWatch } from 'react-hook-form';
import { DUTY_KINDS } from '@apple-cart/core';
import { TextButton } from '../ui/text-button.tsx';
import { ClauseList } from './clause-fields.tsx';
import {
  Block,
  CERTAINTIES,
  ChoiceCell,
  ChoiceLine,
  TextCell,
  TextLine,
  type RulesForm,
} from './form-parts.tsx';
import { newDuty } from './new-rules.ts';
import { categoryAt, dutiesAt, dutyAt } from './paths.ts';

const STATUS = [
  ['current', 'current'],
  ['changing', 'being changed'],
  ['superseded', 'superseded'],
  ['repealed', 'repealed'],
  ['future', 'not in force yet'],
] as const;
const APPROVAL = [
  ['none', 'none needed'],
  ['required', 'needed before use on a road'],
  ['closed', 'not open to conversions'],
] as const;
const ASKED = [
  ['yes', 'asked'],
  ['no', 'not asked'],
  ['varies', 'varies'],
  ['unknown', 'not remembered'],
] as const;
const DUTIES = DUTY_KINDS.map((k) => [k, k] as const);

function DutyList({ form, test, category }: { form: RulesForm; test: number; category: number }) {
  const name = dutiesAt(test, category);
  const { fields, append, remove } = useFieldArray({ control: form.control, name, keyName: 'key' });
  return (
    <>
      {fields.map((field, i) => (
        <div
          key={field.key}
          className="grid items-start gap-1.5 border-b border-hair py-1.5 tablet:grid-cols-[130px_minmax(0,1fr)] bench:grid-cols-[110px_130px_minmax(0,1fr)_130px_96px_auto]"
        >
          <ChoiceCell form={form} path={`${dutyAt(test, category, i)}.kind`} label="About" options={DUTIES} />
          <TextCell form={form} path={`${dutyAt(test, category, i)}.title`} label="Duty" />
          <TextCell form={form} path={`${dutyAt(test, category, i)}.text`} label="What is asked" />
          <ChoiceCell form={form} path={`${dutyAt(test, category, i)}.asked`} label="Asked" options={ASKED} />
          <ChoiceCell
            form={form}
            path={`${dutyAt(test, category, i)}.certainty`}
            label="Certainty"
            options={CERTAINTIES}
          />
          <TextButton
            onClick={() => {
              remove(i);
            }}
          >
            Remove
          </TextButton>
        </div>
      ))}
      <TextButton
        onClick={() => {
          append(newDuty());
        }}
      >
        Add a duty
      </TextButton>
    </>
  );
}

/** One class: what it is called, where it stands, its limits and duties. */
export function CategoryFields({
  form,
  test,
  category,
}: {
  form: RulesForm;
  test: number;
  category: number;
}) {
  const at = categoryAt(test, category);
  const name = useWatch({ control: form.control, name: `${at}.name` });
  return (
    <details className="mt-3 border-2 border-ink bg-sheet" open={category === 0}>
      <summary className="head cursor-pointer px-3 py-2 text-[17px] hover:bg-press max-bench:py-3.5">
        {name}
      </summary>
      <div className="px-3 pb-3">
        <TextLine form={form} path={`${at}.name`} label="Name" />
        <TextLine form={form} path={`${at}.shortName`} label="Short name" />
        <TextLine form={form} path={`${at}.instrument`} label="Instrument" />
        <TextLine form={form} path={`${at}.year`} label="Year of its text" />
        <ChoiceLine form={form} path={`${at}.status`} label="Status" options={STATUS} />
        <ChoiceLine form={form} path={`${at}.approval`} label="Approval" options={APPROVAL} />
        <TextLine form={form} path={`${at}.approvalNote`} label="About approval" />
        <Block title="Limits">
          <ClauseList form={form} test={test} category={category} />
        </Block>
        <Block title="Duties">
          <DutyList form={form} test={test} category={category} />
        </Block>
      </div>
    </details>
  );
}
