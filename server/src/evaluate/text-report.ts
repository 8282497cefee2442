import {
  formatNumber,
  formatQuantity,
  phraseText,
  unitText,
  usualDigits,
  type Check,
  type Figure,
  type Verdict,
  type WorkingRow,
} from '@apple-cart/core';

const MARK = { fine: 'fine   ', look: 'look   ', stop: 'stop   ', unknown: 'unknown' } as const;

function valueText(figure: Figure): string {
  if (figure.value === undefined || figure.words !== undefined) return figure.words ?? '';
  const digits = usualDigits(figure.value, figure.unit);
  if (figure.upTo === undefined) return formatQuantity(figure.value, figure.unit);
  return `${formatNumber(figure.value, digits)} to ${formatQuantity(figure.upTo, figure.unit)}`;
}

const rowText = (row: WorkingRow): string => {
  const value = typeof row.value === 'number' ? formatQuantity(row.value, row.unit) : row.value;
  const origin = row.origin === '' ? row.source : `${row.source}; ${row.origin}`;
  return `    ${row.symbol.padEnd(8)} ${row.label.padEnd(44)} ${value.padStart(14)}  (${origin})`;
};

function workingText({ label, working }: Figure): readonly string[] {
  return [
    '',
    `Working: ${label}`,
    ...working.formulas.map((line) => `  ${line}`),
    ...(working.inputs.length > 0 ? ['  put in:', ...working.inputs.map(rowText)] : []),
    ...(working.steps.length > 0 ? ['  worked out:', ...working.steps.map(rowText)] : []),
    ...working.sources.map((line) => `  source: ${line}`),
    ...working.leftOut.map((line) => `  note: ${line}`),
  ];
}

function lawText({ law }: Verdict): readonly string[] {
  return law.here.tests.flatMap(({ test, resulting, categories }) => {
    const shown = resulting ?? categories[0];
    if (shown === undefined) return [];
    return [
      '',
      test.question,
      `  ${resulting === undefined ? test.otherwise.name : shown.category.name} (${shown.category.instrument}, ${shown.category.year})`,
      ...shown.clauses.map(({ clause, state, value, profile }) => {
        const unit = clause.kind === 'number' ? clause.unit : '1';
        const limit = clause.kind === 'number' ? `${clause.op} ${formatQuantity(clause.limit, unit)}` : '';
        const actual = value === undefined ? '' : formatNumber(value, usualDigits(value, unit));
        return `  ${state.padEnd(8)} ${clause.title.padEnd(38)} ${actual.padStart(8)} ${unitText(unit).padEnd(5)} ${limit}  [${clause.certainty}]${profile === '' ? '' : ` in "${profile}"`}`;
      }),
    ];
  });
}

const checksText = (title: string, checks: readonly Check[]): readonly string[] => [
  '',
  `${title}:`,
  ...checks.map((c) => {
    const value =
      c.value === undefined ? (c.words ?? 'cannot tell') : formatQuantity(c.value, c.unit, c.digits);
    return `  ${MARK[c.state]}  ${c.title.padEnd(44)} ${value.padStart(16)}  ${phraseText(c.limit)}  [${c.origin}]`;
  }),
];

const ampsText = (amps: number | undefined): string =>
  (amps === undefined ? '?' : formatQuantity(amps, 'A')).padStart(8);

/** Each link of the current chain: what it carries, what the hill and full throttle ask, what is in hand. */
const chainText = ({ chain }: Verdict['power']): readonly string[] => [
  '',
  'Current chain (carries, for a short time, hill asks, full throttle asks, in hand):',
  ...chain.links.map((l) => {
    const margin = l.margin === undefined ? '' : `${formatNumber(100 * l.margin, 0)} %`;
    const amps = [l.continuousA, l.peakA, l.demand.continuousA, l.demand.peakA].map(ampsText).join('');
    return `  ${MARK[l.state]}  ${l.name.padEnd(24)}${amps} ${margin.padStart(7)}${chain.weakest?.id === l.id ? '  weakest' : ''}`;
  }),
];

/**
 * The verdict as plain text for a terminal: figures, law, fit, findings, then every working.
 * @param judgedBy which rules it was judged by
 */
export function textReport(verdict: Verdict, judgedBy: string): string {
  const lines = [
    verdict.name,
    '='.repeat(verdict.name.length),
    ...verdict.figures.map(
      (f) => `${MARK[f.state]}  ${f.label.padEnd(15)} ${valueText(f).padEnd(26)} ${phraseText(f.condition)}`,
    ),
    ...lawText(verdict),
    '',
    `Judged by ${judgedBy}.`,
    'Planning aid, not legal advice. The vehicle authority decides.',
    ...checksText('Fit', verdict.fit.checks),
    ...chainText(verdict.power),
    ...checksText('Beside the current', verdict.power.checks),
    ...(verdict.findings.length > 0 ? ['', 'To look at:'] : []),
    ...verdict.findings.map((f) => `  ${f.state}: ${f.title}. ${phraseText(f.detail)}`),
    ...verdict.figures.flatMap(workingText),
  ];
  return `${lines.join('\n')}\n`;
}
