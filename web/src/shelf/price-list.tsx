import { counted, PRICE_FIELDS, describeIssue, readPriceList } from '@apple-cart/core';
import { useState } from 'react';
import { guessMapping, rememberMapping, rememberedMapping, type Mapping } from '../files/parts-file.ts';
import { readCsv, type CsvTable } from '../files/csv.ts';
import { takePartsIn, useParts } from '../state/shelf.ts';
import { Button } from '../ui/button.tsx';
import { BringInFile } from '../ui/bring-in-file.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { BadRows, ColumnChoice } from './column-choice.tsx';

interface Open {
  readonly file: string;
  readonly table: CsvTable;
  readonly mapping: Mapping;
}

/** The price list of a shop: its columns are matched, and prices and days of the parts that it names are filled in. */
export function PriceListIn() {
  const shelf = useParts();
  const [open, setOpen] = useState<Open>();
  const [trouble, setTrouble] = useState('');
  const take = async (file: File): Promise<readonly string[]> => {
    const table = readCsv(await file.text());
    if (!table.ok) return table.issues.map(describeIssue);
    const { columns } = table.value;
    setOpen({
      file: file.name,
      table: table.value,
      mapping: guessMapping(PRICE_FIELDS, columns, rememberedMapping('prices')),
    });
    return [];
  };
  const read = open === undefined ? undefined : readPriceList(shelf, open.table.rows, open.mapping);
  const close = (): void => {
    setOpen(undefined);
    setTrouble('');
  };
  return (
    <>
      <BringInFile
        name="prices"
        words="Prices of a shop"
        refused="is no table of prices."
        accept=".csv,text/csv"
        onFile={take}
      />
      {open !== undefined && read !== undefined && (
        <Dialog
          open
          onClose={close}
          title="Which column is which?"
          description={`${open.file}, ${counted(open.table.rows.length, 'row')}. Parts are found by id, else by name; the choice is remembered.`}
        >
          <ColumnChoice
            columns={open.table.columns}
            fields={PRICE_FIELDS}
            mapping={open.mapping}
            onMapping={(mapping) => {
              setOpen({ ...open, mapping });
            }}
          />
          <p className="py-2 leading-snug" data-testid="price-list-found">
            {read.changed.length} with another price or other days, {read.same} as on the shelf,{' '}
            {read.strange.length} that the shelf does not have
            {read.strange.length === 0
              ? ''
              : `: ${read.strange.slice(0, 5).join(', ')}${read.strange.length > 5 ? '…' : ''}`}
            .
          </p>
          <BadRows rows={read.bad} />
          {trouble !== '' && (
            <p role="alert" className="py-2 text-stop">
              {trouble}
            </p>
          )}
          <div className="flex flex-wrap gap-3 pt-3">
            <Button
              kind="go"
              disabled={read.changed.length === 0}
              onClick={() => {
                rememberMapping('prices', open.mapping);
                takePartsIn(read.changed).then(close, (problem: unknown) => {
                  setTrouble(problem instanceof Error ? problem.message : 'It could not be stored.');
                });
              }}
            >
              {read.bad.length === 0
                ? `Fill ${String(read.changed.length)} in`
                : `Skip the bad rows, fill ${String(read.changed.length)} in`}
            </Button>
            <Button kind="quiet" onClick={close}>
              Refuse the file
            </Button>
          </div>
        </Dialog>
      )}
    </>
  );
}
