import * as fc from 'fast-check';
import { CAUSES, LOOKS } from '../road/faults/knowledge.ts';
import { OPEN_FAULT, OTHER_CAUSE, faultRecord } from '../road/faults/fault-record.ts';
import {
  RIDE_FIGURES,
  chargeRecord,
  rideRecord,
  rideTold,
  upkeepRecord,
  type RideRecord,
  type RideTold,
} from '../road/ride-record.ts';
import type { Kept, RecordData, RecordKind } from '../records/record-kinds.ts';
import { benchEntry, type BenchEntry, type BenchRun } from '../workshop/bench/entry.ts';
import type { HoldPoint } from '../workshop/bench/hold-point.ts';
import { trialRecord } from '../workshop/trials/trial.ts';
import { drawn } from './drawn.ts';

/** A record before it has a place among others. */
interface Said {
  readonly kind: RecordKind;
  readonly data: RecordData[RecordKind];
  readonly under: readonly Said[];
}
const said = <K extends RecordKind>(kind: K, data: RecordData[K], under: readonly Said[] = []): Said => ({
  kind,
  data,
  under,
});

/** Facts of the workshop as persons write them. */
const words = fc.constantFrom('', 'Left brake squeals', 'Rack bolt tightened', 'Wind from the side');
const reason = fc.constantFrom('Rubs at the chain stay', 'The plug was not home');
const who = fc.constantFrom('R. Quince', 'L. Ladder');
const on = fc
  .integer({ min: 0, max: 300 })
  .map((n) => new Date(Date.UTC(2026, 0, 2 + n)).toISOString().slice(0, 10));
const few = <T>(one: fc.Arbitrary<T>): fc.Arbitrary<T[]> => fc.array(one, { maxLength: 4 });

const ride: fc.Arbitrary<RideRecord> = fc
  .tuple(drawn(rideRecord), on, words, words, who)
  .map(([data, day, title, note, name]) =>
    rideRecord.parse({
      ...data,
      on: day,
      title,
      note,
      who: name,
      route: '',
      corrects: null,
      withdrawn: false,
    }),
  );
const told: fc.Arbitrary<RideTold> = fc
  .tuple(drawn(rideTold), fc.subarray([...RIDE_FIGURES]), fc.double({ min: 0.1, max: 900, noNaN: true }))
  .map(([data, ids, plan]) =>
    rideTold.parse({
      ...data,
      figures: ids.map((id, i) => ({
        id,
        measured: plan * (0.7 + 0.2 * i),
        plan,
        low: plan * 0.9,
        high: plan * 1.2,
      })),
      causes: ['Rolling resistance', 'Rider power'],
    }),
  );
const charge = fc
  .tuple(drawn(chargeRecord), on, words, who)
  .map(([data, day, note, name]) => chargeRecord.parse({ ...data, on: day, note, who: name }));
const upkeep = fc
  .tuple(drawn(upkeepRecord), on, fc.constantFrom('tyres', 'brakes', 'spokes', 'axle-nuts'), words, who)
  .map(([data, day, task, note, name]) => upkeepRecord.parse({ ...data, on: day, task, note, who: name }));
const trial = fc.tuple(drawn(trialRecord), on, reason, who).map(([data, day, why, name]) =>
  trialRecord.parse({
    ...data,
    on: day,
    what: 'A larger ring',
    reason: why,
    who: name,
    steps: [],
    corrects: null,
  }),
);
const fault = fc
  .tuple(
    drawn(faultRecord),
    fc.constantFrom(OPEN_FAULT, OTHER_CAUSE, ...CAUSES.map(({ id }) => id)),
    fc.subarray(
      LOOKS.map(({ id }) => id),
      { maxLength: 5 },
    ),
    on,
    reason,
    who,
  )
  .map(([data, cause, looks, day, cure, name]) =>
    faultRecord.parse({
      ...data,
      cause,
      answers: looks.map((look, i) => ({ look, says: i % 2 === 0 ? 'yes' : 'no' })),
      on: day,
      told: 'It stops on the hill',
      cure,
      who: name,
      corrects: null,
    }),
  );

/** What was found at a point: as it is meant, or anything at all. */
const entryAt = (point: HoldPoint): fc.Arbitrary<BenchEntry> =>
  fc
    .tuple(
      fc.constantFrom(...(['pass', 'pass', 'fail', 'note', 'waive'] as const)),
      fc.option(fc.double({ min: -1000, max: 1000, noNaN: true })),
      fc.boolean(),
      who,
    )
    .map(([says, reading, simulated, name]) => {
      const { evidence } = point;
      return benchEntry.parse({
        step: point.key,
        says: says === 'waive' && point.guards ? 'pass' : says,
        readings: evidence.kind === 'readings' ? evidence.names.map(() => reading) : [],
        ticks: evidence.kind === 'ticks' ? evidence.items.map(() => true) : [],
        words: 'Not in reach until the box is open',
        who: name,
        simulated,
        against: { planVersion: 1, evidence, part: point.part, guards: point.guards },
        corrects: null,
      });
    });
const runOf = (points: readonly HoldPoint[], name: string): BenchRun => ({
  name: 'First run',
  planVersion: 1,
  who: name,
  steps: points.map((p) => ({ ...p, why: [...p.why] })),
});
const run = (points: readonly HoldPoint[]): fc.Arbitrary<Said> =>
  fc.tuple(fc.subarray([...points]), who).chain(([some, name]) =>
    fc.tuple(...some.map(entryAt)).map((entries) =>
      said(
        'bench-run',
        runOf(points, name),
        entries.map((one) => said('bench-entry', one)),
      ),
    ),
  );

/**
 * Facts of a build as a workshop writes them down over a year, in the order that they were kept.
 * @param points the hold points of the build, of which its runs are made
 */
export const anyRecords = (points: readonly HoldPoint[]): fc.Arbitrary<readonly Kept[]> =>
  fc
    .tuple(
      few(
        fc
          .tuple(ride, fc.option(told))
          .map(([r, t]) => said('ride', r, t === null ? [] : [said('ride-told', t)])),
      ),
      few(charge.map((c) => said('charge', c))),
      few(upkeep.map((u) => said('upkeep', u))),
      few(trial.map((t) => said('trial', t))),
      few(fault.map((f) => said('fault', f))),
      points.length === 0 ? fc.constant([]) : fc.array(run(points), { maxLength: 2 }),
    )
    .map((all) => {
      const kept: Kept[] = [];
      const keep = (one: Said, parent: string | null): void => {
        const seq = kept.length + 1;
        const key = `record-${String(seq)}`;
        const at = new Date(Date.UTC(2026, 10, 1, 8, seq)).toISOString();
        kept.push({ key, kind: one.kind, seq, at, parent, data: one.data });
        for (const inner of one.under) keep(inner, key);
      };
      for (const one of all.flat()) keep(one, null);
      return kept;
    });
