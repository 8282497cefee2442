import {
  withSaid,
  type BuildDocument,
  type Ledger,
  type Purchase,
  type Row,
  type Said,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { useStage } from '../parts/use-stage.ts';

export interface Purchasing {
  readonly document: BuildDocument;
  readonly rows: readonly Row[];
  readonly ledger: Ledger;
  /** Says something of a row; what is said of one thing by and by is one step of undo. */
  readonly say: (row: Row, said: Said) => void;
  /** Changes what is said beside the lines. */
  readonly change: (changes: Partial<Purchase>, label: string, key?: string) => void;
}

/** The list of the open build, and what may be said of it. */
export function usePurchase(): Purchasing {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  return {
    document,
    ...verdict.list,
    say: (row, said) => {
      edit((d) => withSaid(d, row, said), row.what.toLowerCase(), `${row.key} ${Object.keys(said).join()}`);
    },
    change: (changes, label, key) => {
      edit((d) => ({ ...d, purchase: { ...d.purchase, ...changes } }), label, key);
    },
  };
}
