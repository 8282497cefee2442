import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { NOTHING_SET, type ToldSetting } from '../document/settings.ts';
import { phraseText } from '../quantity/phrase.ts';
import { tourer as demo } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';
import { classLabel } from './class-label.ts';
import { customerPage } from './customer.ts';
import { anyBuild, runs } from '../test/sample.ts';

const set = (build: BuildDocument, lines: Readonly<Record<string, Partial<ToldSetting>>>): BuildDocument => ({
  ...build,
  settings: {
    ...build.settings,
    lines: Object.fromEntries(Object.entries(lines).map(([key, line]) => [key, { ...NOTHING_SET, ...line }])),
  },
});
/** The district nurse’s tourer with a limit that its controller holds. */
const tourer: BuildDocument = {
  ...demo,
  controls: { ...demo.controls, throttle: 'none', classLabel: 'yes' },
  controller: { ...demo.controller, limitsSpeed: true, assistCutoffKmh: { source: 'label', value: 24 } },
};
const finding = (build: BuildDocument) =>
  evaluate(build).findings.find(({ code }) => code === 'setting-class');
/** The tourer with a roll-out that was measured, of which a controller can hold another. */
const measured: BuildDocument = {
  ...tourer,
  donor: { ...tourer.donor, rolloutMm: { source: 'measured', value: 2100, plusMinus: 2 } },
  controller: { ...tourer.controller, setRolloutMm: { source: 'measured', value: 2100 } },
};

describe('the class of a machine as its controller is set', () => {
  it('is told apart from the plan’s only where it is another', () => {
    expect(evaluate(tourer).law.here.outcome).toBe('inside');
    expect(evaluate(tourer).law.asSet).toBeUndefined();
    const same = set(tourer, { 'help-ends': { entered: 24, readBack: 24 } });
    expect(evaluate(same).law.asSet).toBeUndefined();
    expect(finding(same)).toBeUndefined();
  });

  // SI 1983/1168 with Regulation (EU) 168/2013, 2(2)(h): help ends at 25 km/h.
  it('is outside where the controller shows a faster end of help than the plan has', () => {
    const fast = set(tourer, { 'help-ends': { entered: 24, readBack: 32 } });
    const { here, asSet } = evaluate(fast).law;
    expect(here.outcome).toBe('inside');
    expect(['outside', 'other-class']).toContain(asSet?.outcome);
    const said = finding(fast);
    expect(said?.state).toBe('stop');
    expect(said?.stage).toBe('setup');
    expect(said === undefined ? '' : phraseText(said.detail)).toMatch(/turns on help ends.*not legal advice/);
  });

  it('counts what was put in where nobody has read it back, and what is shown where both are there', () => {
    expect(finding(set(tourer, { 'help-ends': { entered: 32 } }))?.state).toBe('stop');
    expect(finding(set(tourer, { 'help-ends': { entered: 32, readBack: 24 } }))).toBeUndefined();
  });

  // A controller that holds a wheel one fifth too small believes itself a fifth slower than it is: 24 set is 30 ridden.
  it('rides faster by a wheel that is set too small, and by pulses that are counted too many', () => {
    const small = set(measured, { 'roll-out': { entered: 1680, readBack: 1680 } });
    expect(finding(small)?.state).toBe('stop');
    const { polePairs, reduction } = evaluate(measured).known.drive;
    const pulses = Math.round(polePairs.value * reduction.value);
    const counted: BuildDocument = {
      ...measured,
      drive: {
        ...measured.drive,
        polePairs: { source: 'label', value: polePairs.value },
        reduction: { source: 'label', value: reduction.value },
      },
    };
    expect(finding(set(counted, { poles: { entered: pulses } }))).toBeUndefined();
    expect(finding(set(counted, { poles: { entered: 2 * pulses } }))?.state).toBe('stop');
  });

  it('counts a profile that the rider can switch to as the controller holds it', () => {
    const trail = {
      name: 'Trail',
      reach: 'rider',
      limitsSpeed: true,
      batteryA: null,
      cutoffKmh: 24,
      throttle: 'same',
    } as const;
    const build: BuildDocument = { ...tourer, controller: { ...tourer.controller, profiles: [trail] } };
    expect(evaluate(build).law.here.outcome).toBe('inside');
    expect(finding(set(build, { 'profile-1/help-ends': { entered: 24, readBack: 24 } }))).toBeUndefined();
    expect(finding(set(build, { 'profile-1/help-ends': { entered: 24, readBack: 40 } }))?.state).toBe('stop');
  });

  it('bears no label of the plan’s class: a label must not state a class that the machine is not in', () => {
    expect(classLabel(evaluate(tourer)).lines?.join(' ')).toMatch(/250/);
    const fast = classLabel(evaluate(set(tourer, { 'help-ends': { entered: 32 } })));
    expect(fast.lines).toBeUndefined();
    expect(fast.lines === undefined ? fast.why : '').toContain('another class');
    const page = customerPage(evaluate(set(tourer, { 'help-ends': { entered: 32 } })));
    expect(page.label).toBeUndefined();
    expect(page.cautions[0]).toContain('may not be ridden on public roads');
    expect(customerPage(evaluate(tourer)).cautions.join(' ')).not.toContain('public roads');
  });

  it('names a simulated programmer', () => {
    const said = finding(set(tourer, { 'help-ends': { readBack: 32, simulated: true } }));
    expect(said === undefined ? '' : phraseText(said.detail)).toContain('simulated');
  });

  it('never changes what the plan is, whatever was put in', () => {
    fc.assert(
      fc.property(
        anyBuild,
        fc.dictionary(
          fc.constantFrom(
            'help-ends',
            'roll-out',
            'poles',
            'battery-amps',
            'power-limit',
            'walk-ends',
            'most-help',
            'odd',
          ),
          fc.record({ entered: fc.option(fc.double({ min: 0, max: 3000, noNaN: true })) }),
          { maxKeys: 4 },
        ),
        (build, lines) => {
          const plan = evaluate({ ...build, settings: { ...build.settings, lines: {} } }).law;
          const told = evaluate(set(build, lines)).law;
          expect(told.here.outcome).toBe(plan.here.outcome);
          expect(told.here.className).toBe(plan.here.className);
        },
      ),
      runs(30),
    );
  });
});
