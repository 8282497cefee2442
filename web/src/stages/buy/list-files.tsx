import { writeCsv } from '@apple-cart/contracts/csv';
import {
  describeIssue,
  fileName,
  purchaseTable,
  readPurchaseTable,
  type BuildDocument,
  type Row,
} from '@apple-cart/core';
import { Printer } from 'lucide-react';
import { Link } from 'react-router';
import { readCsv } from '../../files/csv.ts';
import { downloadText } from '../../files/download.ts';
import { useBuild } from '../../state/build-store.ts';
import { BringInFile } from '../../ui/bring-in-file.tsx';
import { Button } from '../../ui/button.tsx';

/** The list as a file, out and in, and on paper. */
export function ListFiles({ rows, document }: { rows: readonly Row[]; document: BuildDocument }) {
  const edit = useBuild((state) => state.edit);
  const take = async (file: File): Promise<readonly string[]> => {
    const table = readCsv(await file.text());
    const read = table.ok ? readPurchaseTable(document, rows, table.value) : table;
    if (!read.ok) return read.issues.map(describeIssue);
    // The file was read against this very build; an edit since then is not overwritten.
    if (read.value.changed > 0) edit((d) => (d === document ? read.value.build : d), 'list brought in');
    return [];
  };
  return (
    <span className="no-print flex flex-wrap gap-1.5">
      <Link
        to="../shopping-list"
        relative="path"
        className="flex h-8 items-center gap-1.5 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
      >
        <Printer size={14} strokeWidth={1.6} aria-hidden /> Shopping list
      </Link>
      <Button
        kind="quiet"
        onClick={() => {
          const { columns, rows: cells } = purchaseTable(document, rows);
          downloadText(fileName(`${document.name} parts`, 'csv'), writeCsv(columns, cells), 'text/csv');
        }}
      >
        Table (CSV)
      </Button>
      <BringInFile name="list" refused="is not a list of this build." accept=".csv,text/csv" onFile={take} />
    </span>
  );
}
