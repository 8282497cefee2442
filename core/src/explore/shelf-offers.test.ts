import { describe, expect, it } from 'vitest';
import partsFile from '../../../demo/parts.json' with { type: 'json' };
import { shippedRules } from '../law/rules.ts';
import { applyPart } from '../parts/apply-part.ts';
import { readPart } from '../parts/read-part.ts';
import { evaluate } from '../test/evaluate.ts';
import type { BuildDocument } from '../document/document.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { longtail } from '../test/demo.ts';
import { sample } from '../test/sample.ts';
import { isOffered, ratingOf, shelfOffers } from './shelf-offers.ts';

const parts = (partsFile as readonly unknown[]).flatMap((file) => {
  const part = readPart(file);
  return part.ok ? [part.value] : [];
});
const motors = parts.filter((p) => p.type === 'motor');

describe('what the build would be with a part of the shelf', () => {
  const build = sample({ brief: { place: 'gb' } });
  const offers = shelfOffers(build, motors, 0, shippedRules());

  it('is what it is once the part is taken', () => {
    for (const { id, className, hillKmh, plannedKm } of offers) {
      const part = motors.find((m) => m.id === id);
      if (part === undefined) throw new Error(id);
      const { figures } = evaluate(applyPart(build, part));
      const figure = (name: string) => figures.find((f) => f.id === name);
      expect(figure('class')?.words).toBe(className);
      expect(figure('hill')?.value).toBe(hillKmh);
      expect(figure('range')?.value).toBe(plannedKm?.low);
    }
  });

  it('names the worst that stands in the way of a motor', () => {
    // A bottom bracket unit cannot be fitted to a shell that it is not made for; at least one of the shelf says so.
    const wide = sample({ donor: { shellWidthMm: 120 } });
    const mid = shelfOffers(wide, motors, 0, shippedRules()).filter(
      (o) => motors.find((m) => m.id === o.id)?.kind === 'mid-drive',
    );
    expect(mid.some((o) => o.fit === 'stop' && o.fitWords !== '')).toBe(true);
  });

  const offerOf = (b: BuildDocument, id: string) => {
    const [offer] = shelfOffers(
      b,
      parts.filter((one) => one.id === id),
      0,
      shippedRules(),
    );
    if (offer === undefined) throw new Error(id);
    return offer;
  };

  it('names what the power chain stops at: volts, leads, and a link that is too small', () => {
    const high = offerOf(longtail, 'pack-72-20');
    expect(high.fit).toBe('stop');
    expect(high.fitWords).toContain('Full charge against the controller');
    expect(offerOf(longtail, 'pack-48-24').fitWords).not.toMatch(/controller|Charger/);
    expect(offerOf(longtail, 'ctl-br-20-24').fit).toBe('stop');
    // A board of 25 A opens under 30 A for minutes.
    const strong = offerOf(longtail, 'ctl-30');
    expect(strong.fit).toBe('stop');
    expect(strong.fitWords).toMatch(/too small/);
  });

  it('asks for another charger where a pack ends at other volts', () => {
    const other = offerOf(longtail, 'pack-52-20');
    expect(other.fit).toBe('look');
    expect(other.fitWords).toContain('Charger');
  });

  it('does not call in order what nobody has read and is asked more', () => {
    const bare = withQuantity(longtail, 'controller.ratedV', { source: 'unknown' });
    const offer = offerOf(bare, 'pack-52-20');
    expect(offer.fit).toBe('unknown');
    expect(offer.fitWords).toContain('to be found out: Full charge against the controller');
  });

  it('ranks every part of the shelf by a figure of its own', () => {
    for (const part of parts) expect(ratingOf(part)).toBeGreaterThan(0);
    expect(isOffered('motor')).toBe(true);
    expect(isOffered('wire')).toBe(false);
  });
});
