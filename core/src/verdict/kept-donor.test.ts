import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import type { KeptPart } from '../document/kept.ts';
import { newBuild } from '../document/template.ts';
import { readBuild } from '../document/read.ts';
import { phraseText } from '../quantity/phrase.ts';
import { applyPart } from '../parts/apply-part.ts';
import { part } from '../parts/part.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample, type Changes } from '../test/sample.ts';

/** A town bicycle that was electric already: a hub of 250 W at 36 V, its pack worn out. From memory of such machines. */
const electric = (keeps: readonly KeptPart[], changes: Changes = {}): BuildDocument =>
  sample({
    ...changes,
    donor: {
      keeps: [...keeps],
      massKg: 26,
      frameMaterial: 'aluminium',
      brakeRear: 'cable-disc',
      brakeFront: 'cable-disc',
      ...changes.donor,
    },
    drive: { name: 'Hub', ratedPowerW: 250, massKg: 3, torqueArms: 0, ...changes.drive },
    controller: { massKg: 0.6, ...changes.controller },
    controls: { assistSensor: 'torque', ...changes.controls },
    pack: { massKg: 3.4, ...changes.pack },
  });
const shelf = shelfFile.map((file) => part.parse(file));
const ALL_BUT_PACK = ['motor', 'controller', 'display', 'levers', 'sensors', 'leads'] as const;

const row = (build: BuildDocument, key: string) => evaluate(build).list.rows.find((r) => r.key === key);
const keys = (build: BuildDocument): readonly string[] => evaluate(build).list.rows.map((r) => r.key);
const checkIds = (build: BuildDocument): readonly string[] => evaluate(build).study.checks.map((c) => c.id);
const mass = (build: BuildDocument): number =>
  evaluate(build).figures.find((f) => f.id === 'mass')?.value ?? 0;

describe('a donor that was electric already', () => {
  it('is weighed with what stays bolted to it: its motor counts once', () => {
    // By hand: 26 as weighed, and the new pack.
    expect(mass(electric(['motor', 'controller']))).toBeCloseTo(29.4, 9);
    expect(mass(electric(['motor']))).toBeCloseTo(30, 9);
    expect(mass(electric([]))).toBeCloseTo(33, 9);
    // The sums of the drawing and of the axles are the same machine.
    const whole = evaluate(electric(['motor', 'controller']));
    const { rear, front } = whole.axlesKg;
    expect(rear + front).toBeCloseTo(whole.study.machine.road.massKg, 6);
    // A donor that nobody has weighed is a usual bicycle, which has no motor.
    const unweighed = electric(['motor', 'controller']);
    const donor = { ...unweighed.donor, massKg: { source: 'unknown' as const } };
    expect(mass({ ...unweighed, donor })).toBeGreaterThan(mass({ ...electric([]), donor }) - 1e-9);
  });

  it('says in the working what was weighed together', () => {
    const working = evaluate(electric(['motor', 'controller'])).figures.find((f) => f.id === 'mass')?.working;
    expect(working?.formulas[0]).toBe('machine = donor, weighed with its motor and controller, + pack');
    expect(working?.inputs.map((r) => r.label).join()).not.toMatch(/Motor|Controller/);
  });

  it('buys nothing that stays, nor what only a motor that goes in needs', () => {
    const kept = electric(ALL_BUT_PACK);
    for (const key of ['motor', 'controller', 'display', 'brake-sensors', 'assist-sensor'])
      expect(row(kept, key)).toMatchObject({ broughtBy: 'donor', price: 0, state: 'owned' });
    expect(row(kept, 'pack')).toMatchObject({ broughtBy: undefined, state: 'needed' });
    expect(row(kept, 'charger')?.state).toBe('needed');
    for (const key of ['axle-washers', 'rim-tape', 'torque-arms', 'cog-tool', 'crank-puller', 'brake-cables'])
      expect(keys(kept)).not.toContain(key);
    const none = electric([]);
    for (const key of ['axle-washers', 'rim-tape', 'torque-arms', 'cog-tool', 'crank-puller'])
      expect(keys(none)).toContain(key);
    // A kept motor comes in no box: what a kit brought is not taken off.
    const boxed = { ...kept, purchase: { ...kept.purchase, brings: { motor: { charger: 1 }, pack: null } } };
    expect(row(boxed, 'charger')?.broughtBy).toBeUndefined();
  });

  it('has the arms that are on its axle, and what joins its motor to its controller', () => {
    const armed = electric(['motor', 'controller'], { drive: { torqueArms: 1 } });
    expect(row(armed, 'torque-arms')).toMatchObject({ broughtBy: 'donor', state: 'owned' });
    expect(row(armed, 'motor-plug')?.broughtBy).toBe('donor');
    // A stronger controller asks for more arms than are there, and is joined anew.
    const stronger = electric(['motor'], {
      drive: { torqueArms: 1, wheel: 'front' },
      donor: { forkMaterial: 'aluminium' },
      controller: { phaseCurrentA: 90, regenerates: 'yes' },
    });
    const asked = row(stronger, 'torque-arms');
    expect(asked?.line?.quantity).toBe(2);
    expect(asked).toMatchObject({ broughtBy: undefined, quantity: 1 });
    expect(row(stronger, 'motor-plug')?.broughtBy).toBeUndefined();
  });

  it('is not bought a holder, a lock or bolts for a pack that stays, nor owns plugs for a motor that it never had', () => {
    const held = ['cradle', 'rack-plate', 'pack-lock', 'rail-bolts', 'rivet-nuts'];
    const at = (place: 'rear-rack' | 'down-tube', keeps: readonly KeptPart[]) => {
      const build = electric(keeps);
      return keys({ ...build, packs: [{ ...build.packs[0], boxes: [{ place, at: null }] }] });
    };
    for (const place of ['rear-rack', 'down-tube'] as const) {
      expect(at(place, []).filter((key) => held.includes(key)).length).toBeGreaterThan(2);
      expect(at(place, ['pack']).filter((key) => held.includes(key))).toEqual([]);
    }
    expect(row(electric(['pack', 'leads']), 'motor-plug')?.broughtBy).toBeUndefined();
    expect(row(electric(['pack', 'leads']), 'plugs')?.broughtBy).toBe('donor');
    expect(row(electric(['motor', 'leads']), 'motor-plug')?.broughtBy).toBe('donor');
  });

  it('is not asked whether its motor goes in; what pulls harder than its maker meant is asked still', () => {
    const goesIn = ['slot-width', 'hub-width', 'disc-mount', 'cog-body'];
    for (const id of goesIn) expect(checkIds(electric([]))).toContain(id);
    for (const id of goesIn) expect(checkIds(electric(['motor']))).not.toContain(id);
    expect(checkIds(electric(['motor']))).toContain('torque-arms');
    const asMade = evaluate(electric(['motor', 'controller', 'display']));
    expect(asMade.study.checks.map((c) => c.id)).not.toContain('torque-arms');
    const told = asMade.study.checks.find((c) => c.id === 'kept-parts');
    expect(phraseText(told?.why ?? [])).toContain('stay as their maker put them');
    // Another rim is another matter, whoever laced it.
    const rims = electric(['motor'], { donor: { bothRims: true } });
    expect(checkIds(rims)).toContain('ride-height');
  });

  it('is not taken apart for a motor that stays: bench, work and harness', () => {
    const kept = evaluate(electric(ALL_BUT_PACK));
    const steps = kept.bench.map((p) => p.key).join();
    expect(steps).not.toMatch(/removal|seat/);
    expect(steps).toContain('nuts');
    expect(
      evaluate(electric([]))
        .bench.map((p) => p.key)
        .join(),
    ).toMatch(/removal.*seat/);
    // A display that stays is still joined to its controller.
    expect(kept.wiring.components.some((c) => c.name === 'Display')).toBe(true);
  });

  it.each([
    [['sensors', 'motor', 'pack'], 'look'],
    [['charger'], 'look'],
    [['charger', 'pack', 'controller', 'display', 'motor'], 'fine'],
  ] as const)('says of %s what mixes badly (common practice, no source)', (keeps, state) => {
    const check = evaluate(electric(keeps)).study.checks.find((c) => c.id === 'kept-parts');
    expect(check?.state).toBe(state);
  });

  it('keeps no longer what another part takes the place of: it is bought, and the old one is off the scales', () => {
    const motor = shelf.find((p) => p.type === 'motor' && p.kind === 'geared-hub');
    const pack = shelf.find((p) => p.type === 'pack');
    if (motor?.type !== 'motor' || pack === undefined) throw new Error('no such part');
    const kept = electric([...ALL_BUT_PACK, 'pack', 'charger']);
    const other = applyPart(kept, motor);
    expect(other.donor.keeps).not.toContain('motor');
    expect(row(other, 'motor')).toMatchObject({ broughtBy: undefined, state: 'needed' });
    // By hand: 26 on the scales, the hub of 3 off.
    expect(other.donor.massKg).toMatchObject({ value: 23, source: 'measured' });
    expect(mass(other)).toBeCloseTo(23 + motor.massKg + 3.4, 6);
    const packed = applyPart(kept, pack);
    expect(row(packed, 'pack')?.state).toBe('needed');
    expect(packed.donor.massKg).toEqual(kept.donor.massKg);
    expect(row(packed, 'charger')?.broughtBy).toBe('donor');
  });

  it('is read back with all that may stay', () => {
    const raw = {
      ...newBuild('Kept'),
      donor: { ...newBuild('Kept').donor, keeps: ['sensors', 'charger', 'throttle'] },
    };
    expect(readBuild(JSON.parse(JSON.stringify(raw))).ok).toBe(true);
  });
});
