import { Tabs as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export interface Tab {
  readonly id: string;
  readonly label: string;
  readonly content: ReactNode;
}

/** A few views of one sheet; only the chosen one is made. */
export function Tabs({ tabs, label }: { tabs: readonly Tab[]; label: string }) {
  return (
    <Radix.Root defaultValue={tabs[0]?.id ?? ''}>
      <Radix.List aria-label={label} className="no-print flex flex-wrap gap-x-1 border-b border-rule pt-1.5">
        {tabs.map((tab) => (
          <Radix.Trigger
            key={tab.id}
            value={tab.id}
            className="min-h-8 border-[1.5px] border-b-0 border-transparent px-3 text-[13.5px] text-ink2 hover:bg-press data-[state=active]:border-ink data-[state=active]:bg-field data-[state=active]:font-semibold data-[state=active]:text-ink max-bench:min-h-11"
          >
            {tab.label}
          </Radix.Trigger>
        ))}
      </Radix.List>
      {tabs.map((tab) => (
        <Radix.Content key={tab.id} value={tab.id} className="outline-none">
          {tab.content}
        </Radix.Content>
      ))}
    </Radix.Root>
  );
}
