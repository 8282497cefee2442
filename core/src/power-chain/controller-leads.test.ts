import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { newBuild } from '../document/template.ts';
import { stepsFor } from '../explore/change/gains.ts';
import { mended } from '../explore/change/mend.ts';
import { compareLayouts } from '../explore/layouts.ts';
import { usualAsked } from '../explore/search/asked.ts';
import { finalistsOf } from '../explore/search/finalists.ts';
import { gridOf } from '../explore/search/grid.ts';
import { searchShelf } from '../explore/search/search.ts';
import { voltsOrAmps } from '../explore/volts-or-amps.ts';
import { applyPart } from '../parts/apply-part.ts';
import { longtail } from '../test/demo.ts';
import { ended } from '../test/ended.ts';
import { book, partOf, shelf } from '../test/gains.ts';
import { study } from '../verdict/study.ts';

const fresh = newBuild('Chain drive', 'external');
const label = (value: number) => ({ source: 'label', value }) as const;
/** A motor with brushes on a chain, 24 V of lead-acid: its controller has two leads. */
const brushed: BuildDocument = {
  ...fresh,
  drive: { ...fresh.drive, name: 'Old', commutation: 'brushes', ratedPowerW: label(350), labelV: label(24) },
  controller: { ...fresh.controller, name: 'Own', batteryCurrentA: label(15), ratedV: label(35) },
  packs: [
    {
      ...fresh.packs[0],
      chemistry: 'lead-acid',
      nominalV: label(24),
      cellsInSeries: label(12),
      capacityAh: label(14),
    },
  ],
};
const turning = (
  build: BuildDocument,
  commutation: BuildDocument['controller']['commutation'],
): BuildDocument => ({ ...build, controller: { ...build.controller, commutation } });
const stateOf = (build: BuildDocument) =>
  study(build).powerChecks.find((c) => c.id === 'controller-leads')?.state;
const turns = ({ controller, drive }: BuildDocument): boolean => controller.commutation === drive.commutation;

// Two leads and a chopper, or three phases switched in turn: neither turns the other’s motor. Facts of the trade.
describe('a controller turns motors of its own kind', () => {
  it('stops where it is made for the other, and is not known where nobody has said', () => {
    expect(stateOf(turning(brushed, 'brushes'))).toBe('fine');
    expect(stateOf(turning(brushed, 'electronic'))).toBe('stop');
    expect(stateOf(turning(brushed, 'unknown'))).toBe('unknown');
    const three = { ...brushed, drive: { ...brushed.drive, commutation: 'electronic' as const } };
    expect(stateOf(turning(three, 'brushes'))).toBe('stop');
    expect(stateOf(turning(three, 'electronic'))).toBe('fine');
    // Nearly all are for three phases: it is asked of nobody.
    expect(stateOf(turning(three, 'unknown'))).toBeUndefined();
  });

  it('is said by the shelf', () => {
    expect(stateOf(applyPart(brushed, partOf('ctl-22')))).toBe('stop');
    expect(stateOf(applyPart(brushed, partOf('ctl-br-20-24')))).toBe('fine');
  });

  it('is kept to by every step that brings a controller', () => {
    const steps = stepsFor(brushed, shelf).filter((s) => s.kind === 'amps');
    expect(steps.map((s) => s.part?.name)).toContain('Marl 30 chopper, 24 V');
    for (const step of steps) expect(turns(step.change(brushed)), step.id).toBe(true);
    const amps = voltsOrAmps(brushed, shelf, book).find((s) => s.id === 'amps');
    expect(amps?.what).toBe('20 A, 20 A phase');
  });

  it('stops another motor of the other kind on the controller that stays', () => {
    const at48 = { ...brushed.packs[0], nominalV: label(48), cellsInSeries: label(24) };
    const layouts = compareLayouts(
      { ...brushed, packs: [at48] },
      shelf.filter((p) => p.type === 'motor'),
      book,
    );
    const titles = (name: string) => layouts.find((l) => l.name === name)?.stops.map((c) => c.title);
    expect(titles('rear')).toContain('Controller for the motor’s leads');
    expect(titles('external')).not.toContain('Controller for the motor’s leads');
    // Nobody has chosen a controller yet: one is bought with the motor.
    const open = { ...brushed, controller: { ...brushed.controller, name: '' } };
    expect(stateOf(applyPart(open, partOf('motor-dd500')))).toBeUndefined();
    expect(stateOf(applyPart(brushed, partOf('motor-dd500')))).toBe('stop');
  });

  it('is kept to where more volts ask for another controller', () => {
    const own = turning(brushed, 'brushes');
    const more = applyPart(own, partOf('pack-36-14'));
    const { build, also } = mended(more, study(own), shelf);
    expect(also.join()).toContain('controller Marl 20 chopper, 36 V');
    expect(turns(build)).toBe(true);
    // None of the shelf stands 72 V and turns it: it is left, and said.
    const most = mended(applyPart(own, partOf('pack-72-20')), study(own), shelf);
    expect(most.left).toContain('Full charge against the controller');
  });

  it('is not among what a search of other motors chooses from', () => {
    const { pairs } = gridOf(longtail, shelf, book, usualAsked(longtail));
    const names = new Set(pairs.map((p) => p.controller.name));
    expect(names.has('Marl 30 sine')).toBe(true);
    expect([...names].filter((name) => name.includes('chopper'))).toEqual([]);
  });

  it('is kept to by the search of the shelf, the motor kept', () => {
    const usual = usualAsked(brushed);
    const asked = {
      free: { ...usual.free, motor: false },
      held: { ...usual.held, lawful: false, hillKmh: null, rangeKm: null, hottestC: null },
      goals: ['price', 'hill'] as const,
    };
    const own = turning(brushed, 'brushes');
    const { standing } = ended(searchShelf(own, shelf, book, asked));
    const { finalists } = ended(finalistsOf(own, shelf, book, asked, standing));
    expect(finalists.length).toBeGreaterThan(0);
    for (const f of finalists) expect(turns(f.build), f.names.join()).toBe(true);
  });
});
