import { describe, expect, it } from 'vitest';
import { readyMade } from '../document/money-plans.ts';
import { readBuildText } from '../document/read.ts';
import { longtail } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';
import { phraseText } from '../quantity/phrase.ts';
import { withValue } from '../document/quantity-at.ts';
import { runningOf, worthOf } from './worth-of.ts';

const leaflet = (fields: object) => readyMade.parse(fields);
const first = leaflet({ price: 3000, energyWh: 500, features: ['warranty'], own: ['rack'] });
const other = leaflet({
  name: 'The other',
  price: 2000,
  energyWh: 400,
  features: ['lights'],
  own: ['mudguards'],
});
const build = { ...longtail, readyMade: first, moreReady: [other] };

describe('a build against the leaflets of ready-made bicycles', () => {
  const verdict = evaluate(build);
  const row = (told: ReturnType<typeof worthOf>, id: string) => told.rows.find((r) => r.id === id);

  it('is held against the first, or against another one (by hand: 3000 over 500 are 6 a watt-hour, 2000 over 400 are 5)', () => {
    expect(row(worthOf(verdict), 'perWh')?.ready).toEqual({ least: 6, most: 6 });
    expect(row(worthOf(verdict, other), 'perWh')?.ready).toEqual({ least: 5, most: 5 });
    // This build is the same beside either.
    expect(row(worthOf(verdict, other), 'perWh')?.own).toEqual(row(worthOf(verdict), 'perWh')?.own);
  });

  it('has its own features ticked once, whichever leaflet lies beside it', () => {
    expect(worthOf(verdict).readyHas).toContain('warranty');
    expect(worthOf(verdict).ownHas).toContain('rack');
    expect(worthOf(verdict, other).ownHas).toContain('rack');
    expect(worthOf(verdict, other).ownHas).not.toContain('mudguards');
  });

  it('keeps all of them in its file; a file from before there were several has one', () => {
    const back = readBuildText(JSON.stringify(build));
    expect(back.ok ? back.value.moreReady : []).toEqual([other]);
    const before: Record<string, unknown> = { ...build };
    delete before['moreReady'];
    const old = readBuildText(JSON.stringify(before));
    expect(old.ok ? [old.value.readyMade, old.value.moreReady] : []).toEqual([first, []]);
    const five = readBuildText(JSON.stringify({ ...build, moreReady: [other, other, other, other] }));
    expect(five.ok ? [] : five.issues.map((i) => i.path)).toEqual(['moreReady']);
  });
});

describe('what running it costs', () => {
  it('goes from the less to the more, also where legs that rest ride more slowly and take less', () => {
    for (const kmh of [20, 32, 40, 45]) {
      const asked = withValue(longtail, 'brief.cruiseSpeedKmh', kmh);
      const { costs } = runningOf(evaluate({ ...asked, money: { ...asked.money, pricePerKwh: 0.3 } }), []);
      for (const { id, perKm } of costs.lines)
        expect(perKm?.most ?? 0, `${id} at ${String(kmh)}`).toBeGreaterThanOrEqual(perKm?.least ?? 0);
    }
  });

  it('counts pads where there are any: not in a drum, nor at an end without a brake', () => {
    const pads = (brakeFront: 'rim' | 'drum', brakeRear: 'rim' | 'none') => {
      const donor = { ...longtail.donor, brakeFront, brakeRear };
      const { costs } = runningOf(evaluate({ ...longtail, donor }), []);
      const line = costs.lines.find((l) => l.id === 'pads');
      return line && phraseText(line.how);
    };
    expect(pads('rim', 'rim')).toContain('2 of them');
    expect(pads('rim', 'none')).not.toContain('of them');
    expect(pads('drum', 'none')).toBeUndefined();
  });
});
