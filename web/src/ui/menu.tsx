import type { DropdownMenu } from 'radix-ui';
import {
  Children,
  Fragment,
  cloneElement,
  createContext,
  isValidElement,
  use,
  useState,
  type ComponentProps,
  type ReactElement,
  type ReactNode,
} from 'react';

const ITEM =
  'flex min-h-9 w-full cursor-pointer items-center gap-3 px-3 py-1 leading-tight text-[14px] outline-none select-none data-[highlighted]:bg-press data-[disabled]:opacity-45 max-bench:min-h-11';

type Parts = typeof DropdownMenu;

let parts: Parts | undefined;
let loading: Promise<Parts> | undefined;

/** What menus are made of, fetched when the first one is opened, or ahead of that. */
export const fetchMenus = (): Promise<Parts> =>
  (loading ??= import('./menu-parts.ts').then(
    (m) => (parts = m.DropdownMenu),
    (problem: unknown) => {
      // Tried again at the next click.
      loading = undefined;
      throw problem;
    },
  ));

const PartsContext = createContext<Parts | undefined>(undefined);
function useParts(): Parts {
  const found = use(PartsContext);
  if (found === undefined) throw new Error('an item stands outside of its menu');
  return found;
}

interface MenuProps {
  readonly trigger: ReactNode;
  readonly children: ReactNode;
  readonly align?: 'start' | 'end';
}

type Trigger = ReactElement<ComponentProps<'button'>>;

/** A drop-down menu; its trigger is any button. */
export function Menu({ trigger, children, align = 'start' }: MenuProps) {
  const [ready, setReady] = useState(parts);
  const [opened, setOpened] = useState(false);
  if (ready === undefined) {
    const button: unknown = Children.only(trigger);
    if (!isValidElement(button)) return trigger;
    return cloneElement(button as Trigger, {
      'aria-haspopup': 'menu',
      'aria-expanded': false,
      onClick: () => {
        setOpened(true);
        fetchMenus()
          .then((found) => {
            setReady(() => found);
          })
          .catch(() => {
            setOpened(false);
          });
      },
    });
  }
  return (
    <PartsContext value={ready}>
      <ready.Root defaultOpen={opened}>
        <ready.Trigger asChild>{trigger}</ready.Trigger>
        <ready.Portal>
          <ready.Content
            align={align}
            sideOffset={2}
            collisionPadding={8}
            className="z-50 max-h-[70vh] min-w-48 overflow-y-auto border-[1.5px] border-ink bg-sheet text-ink"
          >
            {children}
          </ready.Content>
        </ready.Portal>
      </ready.Root>
    </PartsContext>
  );
}

export function MenuItem(props: ComponentProps<Parts['Item']>) {
  const { Item } = useParts();
  return <Item className={ITEM} {...props} />;
}

export function MenuHeading({ children }: { children: ReactNode }) {
  const { Label } = useParts();
  return <Label className="border-b border-hair px-3 py-2 text-[12px] text-ink2">{children}</Label>;
}

export function MenuRule() {
  const { Separator } = useParts();
  return <Separator className="h-px bg-hair" />;
}

interface ChoiceProps<T extends string> {
  readonly value: T;
  readonly onChange: (value: T) => void;
  readonly options: readonly {
    readonly value: T;
    readonly label: ReactNode;
    readonly note?: string;
    readonly group?: string;
  }[];
}

/** One of several, as radio items of a menu. */
export function MenuChoice<T extends string>({ value, onChange, options }: ChoiceProps<T>) {
  const { RadioGroup, RadioItem, ItemIndicator } = useParts();
  return (
    <RadioGroup
      value={value}
      onValueChange={(next) => {
        const option = options.find((o) => o.value === next);
        if (option !== undefined) onChange(option.value);
      }}
    >
      {options.map((option, i) => (
        <Fragment key={option.value}>
          {option.group !== undefined && option.group !== options[i - 1]?.group && (
            <MenuHeading>{option.group}</MenuHeading>
          )}
          <RadioItem value={option.value} className={ITEM}>
            <span className="grid w-3 place-items-center">
              <ItemIndicator>
                <span className="block size-2 bg-ink" />
              </ItemIndicator>
            </span>
            <span className="flex-1">
              {option.label}
              {option.note !== undefined && (
                <span className="block text-[12px] text-ink2">{option.note}</span>
              )}
            </span>
          </RadioItem>
        </Fragment>
      ))}
    </RadioGroup>
  );
}
