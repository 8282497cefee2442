import { ChevronDown } from 'lucide-react';
import type { ReactNode } from 'react';
import type { Answer, PlannedAnswer } from '@apple-cart/core';
import { Menu, MenuChoice } from '../ui/menu.tsx';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly {
    readonly value: T;
    readonly label: string;
    readonly note?: string;
    readonly group?: string;
  }[];
  readonly onChange: (value: T) => void;
  readonly unknown?: boolean;
}

export const CHOICE_ROW =
  'grid min-h-[30px] grid-cols-[minmax(0,1fr)_minmax(0,218px)] items-center border-b border-hair max-bench:min-h-[46px] print:min-h-6! @max-[345px]:grid-cols-[minmax(0,1fr)_minmax(0,149px)]';

/** One of a few words. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  unknown = false,
}: Props<T>) {
  const current = options.find((o) => o.value === value)?.label ?? value;
  return (
    <div className={CHOICE_ROW}>
      <span className="py-0.5 pr-2 leading-[1.15]">{label}</span>
      <Menu
        align="end"
        trigger={
          <button
            type="button"
            aria-label={`${label}: ${current}`}
            className={`flex h-[24px] items-center justify-between gap-2 bg-field px-2 text-left max-bench:h-11 print:h-6! ${unknown ? 'border-b-2 border-dotted border-slate text-slate' : 'border-b border-ink3'} hover:bg-press`}
          >
            <span className="truncate">{current}</span>
            <ChevronDown size={14} strokeWidth={1.6} className="shrink-0" aria-hidden />
          </button>
        }
      >
        <MenuChoice value={value} options={options} onChange={onChange} />
      </Menu>
    </div>
  );
}

const ANSWERS = [
  { value: 'yes', label: 'yes' },
  { value: 'no', label: 'no' },
  { value: 'unknown', label: 'not checked' },
] as const;

interface AnswerProps<T> {
  readonly label: string;
  readonly value: T;
  readonly onChange: (value: T) => void;
}

/** A yes-or-no fact that may not have been checked. */
export const AnswerField = ({ value, ...props }: AnswerProps<Answer>) => (
  <ChoiceField<Answer> {...props} value={value} options={ANSWERS} unknown={value === 'unknown'} />
);

/**
 * A yes-or-no fact that may be ordered or set so, and not looked at yet.
 * @param planned what that is called here
 */
export const PlannedField = ({
  value,
  planned = 'planned',
  ...props
}: AnswerProps<PlannedAnswer> & { readonly planned?: string }) => (
  <ChoiceField<PlannedAnswer>
    {...props}
    value={value}
    options={[
      ...ANSWERS.filter((one) => one.value !== 'unknown'),
      { value: 'planned', label: planned, note: 'as it is ordered or to be set; nobody has looked yet' },
      { value: 'unknown', label: 'not checked' },
    ]}
    unknown={value === 'unknown' || value === 'planned'}
  />
);

/** A yes-or-no choice that is always made. */
export function YesNoField({
  label,
  value,
  onChange,
  yes = 'yes',
  no = 'no',
}: {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
  yes?: string;
  no?: string;
}) {
  return (
    <ChoiceField
      label={label}
      value={value ? 'yes' : 'no'}
      options={[
        { value: 'yes', label: yes },
        { value: 'no', label: no },
      ]}
      onChange={(next) => {
        onChange(next === 'yes');
      }}
    />
  );
}

/** A row with anything at its right. */
export const PlainRow = ({ label, children }: { label: string; children: ReactNode }) => (
  <div className={CHOICE_ROW}>
    <span className="py-0.5 pr-2 leading-[1.15]">{label}</span>
    <span className="min-w-0">{children}</span>
  </div>
);
