import { parseArgs } from 'node:util';
import { LANES } from './all.ts';
import { reportText, type Report } from './report.ts';

const USAGE = `Usage: npm run torture -- [--minutes N] [--seed N] [--only NAME,NAME]
  --minutes N  how long, 20 where nothing is said
  --seed N     where chance begins; printed with what went wrong, so that it can be repeated
  --only       some of: ${LANES.flatMap((lane) => Object.keys(lane)).join(', ')}
`;

function wanted() {
  try {
    const { values } = parseArgs({
      options: { minutes: { type: 'string' }, seed: { type: 'string' }, only: { type: 'string' } },
    });
    const [minutes, seed] = [Number(values.minutes ?? 20), Number(values.seed ?? Date.now() % 1_000_000)];
    return minutes > 0 && Number.isInteger(seed)
      ? { minutes, seed, only: values.only?.split(',') }
      : undefined;
  } catch {
    return undefined;
  }
}

const asked = wanted();
if (asked === undefined) {
  process.stderr.write(USAGE);
  process.exit(2);
}
const { minutes, seed, only } = asked;
const began = Date.now();
const all = minutes * 60_000;

/** One lane: each kind for its share of the time, its report printed when it ends. */
async function lane(kinds: (typeof LANES)[number]): Promise<readonly Report[]> {
  const chosen = Object.entries(kinds).filter(([name]) => only === undefined || only.includes(name));
  const whole = chosen.reduce((sum, [, { share }]) => sum + share, 0);
  const reports: Report[] = [];
  let until = began;
  for (const [name, { run, share }] of chosen) {
    until += (all * share) / whole;
    const report = await run({ seed, untilMs: until, rounds: Infinity }).catch(
      (problem: unknown): Report => ({
        name,
        seed,
        figures: {},
        wrong: [problem instanceof Error ? (problem.stack ?? problem.message) : String(problem)],
      }),
    );
    process.stdout.write(reportText(report));
    reports.push(report);
  }
  return reports;
}

process.stdout.write(`Torture of ${String(minutes)} minutes, seed ${String(seed)}\n`);
const reports = (await Promise.all(LANES.map(lane))).flat();
const sum = (figure: string): number => reports.reduce((n, r) => n + (r.figures[figure] ?? 0), 0);
const wrong = reports.reduce((n, r) => n + r.wrong.length, 0);
process.stdout.write(
  `${String(sum('kills') + sum('killed'))} kills, ${String(sum('inputs') + sum('requests'))} generated inputs, ` +
    `${String(wrong)} wrong, ${((Date.now() - began) / 60_000).toFixed(1)} minutes\n`,
);
process.exit(wrong === 0 ? 0 : 1);
