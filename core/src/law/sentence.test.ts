import { describe, expect, it } from 'vitest';
import { CYCLE, number, say } from '../test/law-facts.ts';
import type { LawFacts } from './facts.ts';
import { judgePlace } from './judge.ts';
import { shippedRules } from './rules.ts';
import { saidOf, tellingDigits } from './sentence.ts';

const book = shippedRules();
function said(id: string, change: Partial<LawFacts> = {}) {
  const place = book.find((p) => p.id === id);
  if (place === undefined) throw new Error(id);
  return saidOf(judgePlace(place, [{ profile: '', facts: { ...CYCLE, ...change } }], book));
}

describe('what is said first', () => {
  it('is what it is, what decides and what to do', () => {
    expect(said('gb')).toEqual({
      what: 'EAPC in GB.',
      decides: 'Every clause that is remembered is met.',
      todo: 'See to the duties, and keep the class sheet.',
    });
    expect(said('gb', { ratedPowerW: number(500) })).toEqual({
      what: 'Motor vehicle in GB.',
      decides: 'Continuous rated power 500 W, where at most 250 W is allowed.',
      todo: '“Make it fit” shows what would bring it in, and what no setting mends.',
    });
    expect(said('gb', { motorStopsWithPedals: say('no') }).decides).toMatch(/^“[a-z ]+” is not met/);
    expect(said('gb', { ratedPowerW: undefined })).toMatchObject({
      what: 'Cannot tell yet what it is in GB.',
      decides: 'Continuous rated power: the value is not known.',
    });
    expect(said('gb', { classLabel: say('no') }).todo).toMatch(/Put the label on/);
  });

  it('gives each thing that is open its own reason, and one reason once', () => {
    const open = said('gb', { ratedPowerW: undefined, helpFades: say('unknown') });
    expect(open.decides).toBe(
      'Continuous rated power (the value is not known); help fades towards the cut-off (not checked yet).',
    );
    expect(said('gb', { operablePedals: say('unknown'), helpFades: say('unknown') }).decides).toMatch(
      /^[^(:;]+; [^(:;]+: not checked yet\.$/,
    );
  });

  it('is at best a class that needs approval, where it may be past that one too', () => {
    const alone = { throttle: say('yes'), motorStopsWithPedals: say('no') };
    const [inside, open] = [number(24), { ...number(24), unsure: { low: 20, high: 40, labels: ['Kv'] } }];
    const by = (speed: typeof inside) =>
      said('gb', { ...alone, motorAloneKmh: speed, throttleAloneKmh: speed }).what;
    expect(by(inside)).toMatch(/^EAPC, approved in GB: it needs/);
    expect(by(open)).toMatch(/^At best EAPC, approved in GB: it needs/);
  });

  it('shows digits enough to see on which side of a limit a value lies', () => {
    expect(tellingDigits(24.9, 25, 1)).toBe(1);
    expect(tellingDigits(20.004, 20, 1)).toBe(3);
    expect(tellingDigits(20, 20, 1)).toBe(1);
    expect(said('gb', { assistEndKmh: number(25.3) }).decides).toMatch(
      /15\.7 mph, where at most 15\.5 mph is allowed/,
    );
  });

  it('of a text that is being changed is that it may have, never that nothing is to be checked', () => {
    const moving = book.filter((place) =>
      place.tests.some(
        ({ about, categories }) => about === 'riding' && categories.some((c) => c.status === 'changing'),
      ),
    );
    expect(moving.length).toBeGreaterThan(0);
    for (const { id } of moving) {
      const { what, todo } = said(id);
      expect(what + todo, id).not.toMatch(/^.*something to check.*See to the duties/);
      if (/may have changed/.test(what)) expect(todo, id).toMatch(/^Read the text as it stands today/);
    }
    expect(said('us-or').what).toMatch(/Oregon, by a text that may have changed\.$/);
  });
});
