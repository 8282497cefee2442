import { DropdownMenu } from 'radix-ui';
import type { ComponentProps, ReactNode } from 'react';

const ITEM =
  'flex min-h-9 w-full cursor-pointer items-center gap-3 px-3 py-1 leading-tight text-[14px] outline-none select-none data-[highlighted]:bg-press data-[disabled]:opacity-45 max-bench:min-h-11';

interface MenuProps {
  readonly trigger: ReactNode;
  readonly children: ReactNode;
  readonly align?: 'start' | 'end';
}

/** A drop-down menu; its trigger is any button. */
export function Menu({ trigger, children, align = 'start' }: MenuProps) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={2}
          collisionPadding={8}
          className="z-50 max-h-[70vh] min-w-48 overflow-y-auto border-[1.5px] border-ink bg-sheet text-ink"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export const MenuItem = (props: ComponentProps<typeof DropdownMenu.Item>) => (
  <DropdownMenu.Item className={ITEM} {...props} />
);

export const MenuHeading = ({ children }: { children: ReactNode }) => (
  <DropdownMenu.Label className="border-b border-hair px-3 py-2 text-[12px] text-ink2">
    {children}
  </DropdownMenu.Label>
);

export const MenuRule = () => <DropdownMenu.Separator className="h-px bg-hair" />;

interface ChoiceProps<T extends string> {
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly options: readonly { readonly value: T; readonly label: ReactNode; readonly note?: string }[];
}

/** One of several, as radio items of a menu. */
export function MenuChoice<T extends string>({ value, onChange, options }: ChoiceProps<T>) {
  return (
    <DropdownMenu.RadioGroup
      value={value}
      onValueChange={(next) => {
        const option = options.find((o) => o.value === next);
        if (option !== undefined) onChange(option.value);
      }}
    >
      {options.map((option) => (
        <DropdownMenu.RadioItem key={option.value} value={option.value} className={ITEM}>
          <span className="grid w-3 place-items-center">
            <DropdownMenu.ItemIndicator>
              <span className="block size-2 bg-ink" />
            </DropdownMenu.ItemIndicator>
          </span>
          <span className="flex-1">
            {option.label}
            {option.note !== undefined && <span className="block text-[12px] text-ink2">{option.note}</span>}
          </span>
        </DropdownMenu.RadioItem>
      ))}
    </DropdownMenu.RadioGroup>
  );
}
