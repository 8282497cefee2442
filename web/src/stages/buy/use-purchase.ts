import {
  ledgerOf,
  partsOf,
  purchaseList,
  withSaid,
  type BuildDocument,
  type Ledger,
  type Row,
  type Said,
  type Verdict,
} from '@apple-cart/core';
import { useMemo } from 'react';
import { useBuild } from '../../state/build-store.ts';
import { useStage } from '../parts/use-stage.ts';

export interface Purchasing {
  readonly document: BuildDocument;
  readonly rows: readonly Row[];
  readonly ledger: Ledger;
  /** Says something of a row; what is said of one thing by and by is one step of undo. */
  readonly say: (row: Row, said: Said) => void;
}

/** The rows of a build's list. */
export const rowsOf = (document: BuildDocument, verdict: Verdict): readonly Row[] =>
  purchaseList(document, partsOf(verdict.study));

/** The list of the open build, and what may be said of it. */
export function usePurchase(): Purchasing {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const rows = useMemo(() => rowsOf(document, verdict), [document, verdict]);
  const ledger = useMemo(() => ledgerOf(rows, document.money), [rows, document.money]);
  return {
    document,
    rows,
    ledger,
    say: (row, said) => {
      edit((d) => withSaid(d, row, said), row.what.toLowerCase(), `${row.key} ${Object.keys(said).join()}`);
    },
  };
}
