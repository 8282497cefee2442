import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import type { PortDocument } from '../document/harness.ts';
import { harnessOf } from '../workshop/harness/components.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';
import { applyPart } from './apply-part.ts';
import { cellsOf, partFromCells } from './part-fields.ts';
import { part } from './part.ts';
import { partsOfPort, pinoutOf, withPinout } from './pinouts.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const half: PortDocument = {
  plug: 'sensor plug',
  sex: 'pins',
  shape: 'two-rows',
  tailMm: 900,
  tailMm2: null,
  pins: (['supply5', 'ground', 'hall-a', 'hall-b', 'hall-c', 'heat'] as const).map((work) => ({
    work,
    colour: 'GN',
  })),
};
const motor = shelf.find((p) => p.id === 'motor-g750');
if (motor === undefined) throw new Error('no motor');

describe('a pinout once found', () => {
  it('is kept with its part, and comes with it into the next build', () => {
    const kept = withPinout(motor, 'motor/halls', half);
    expect(pinoutOf(kept, 'motor/halls')).toEqual(half);
    const build = applyPart(sample({ drive: { name: 'Other' } }), kept);
    expect(build.harness.ports['motor/halls']).toEqual(half);
    const cable = harnessOf(build).cables.find((c) => c.key === 'motor-halls');
    expect(cable?.from).toMatchObject({ seen: true, tailMm: 900 });
    // Of the controller nobody has said anything.
    expect(cable?.to.seen).toBe(false);
  });

  it('goes with the part that is taken out: another motor has other plugs', () => {
    const build = applyPart(sample(), withPinout(motor, 'motor/halls', half));
    expect(applyPart(build, motor).harness.ports['motor/halls']).toEqual(pinoutOf(motor, 'motor/halls'));
    expect(applyPart(build, { ...motor, ports: {} }).harness.ports['motor/halls']).toBeUndefined();
  });

  it('is offered by the parts that may be there, small ones by their lines', () => {
    expect(partsOfPort(shelf, 'motor-2/halls').every((p) => p.type === 'motor')).toBe(true);
    expect(partsOfPort(shelf, 'throttle/plug').map((p) => p.id)).toContain('fit-throttle-thumb');
    expect(partsOfPort(shelf, 'brake-rear/plug').map((p) => p.id)).toContain('fit-brake-magnet');
    expect(partsOfPort(shelf, 'controller/motor-halls').every((p) => p.type === 'controller')).toBe(true);
    expect(pinoutOf(withPinout(motor, 'motor-2/halls', half), 'motor/halls')).toEqual(half);
  });

  it('survives the table of the shelf', () => {
    const kept = withPinout(motor, 'motor/halls', half);
    expect(partFromCells('motor', cellsOf(kept))).toEqual({ ok: true, value: kept });
    const broken = partFromCells('motor', { ...cellsOf(kept), ports: '{"halls": 4' });
    expect(broken.ok ? [] : broken.issues.map((i) => i.path)).toEqual(['ports']);
  });
});

describe('the shelf that ships', () => {
  const byId = (id: string) => {
    const found = shelf.find((p) => p.id === id);
    if (found === undefined) throw new Error(id);
    return found;
  };
  const PLUGGED = ['pack', 'charger', 'controller', 'motor'] as const;

  it('names the plugs of every part that has some; blocks have rings, a motor with its controller inside has none', () => {
    const bare = shelf
      .filter((p) => PLUGGED.some((type) => type === p.type) && Object.keys(p.ports).length === 0)
      .filter((p) => !(p.type === 'motor' && p.kind === 'mid-drive'));
    expect(bare.map((p) => p.id)).toEqual(['pack-lead-48-20']);
  });

  it('has them by the names that the harness asks for', () => {
    for (const id of ['motor-g750', 'motor-br-250', 'ctl-30', 'pack-52-14', 'chg-54-4']) {
      const build = applyPart(
        sample({
          controls: { throttle: 'full', assistSensor: 'cadence' },
          drive: { commutation: id === 'motor-br-250' ? 'brushes' : 'electronic' },
        }),
        byId(id),
      );
      const ports = new Set(harnessOf(build).cables.flatMap((c) => [c.from.key, c.to.key]));
      for (const key of Object.keys(build.harness.ports)) expect(ports, key).toContain(key);
    }
  });

  it('makes a machine whose plugs match pin by pin, from its sheet alone', () => {
    const build = ['motor-g750', 'ctl-30', 'pack-52-14'].reduce((b, id) => applyPart(b, byId(id)), sample());
    const { wires } = evaluate(build).wiring;
    for (const key of ['pack-controller', 'motor-phases', 'motor-halls'])
      expect(wires.find((w) => w.cable.key === key)?.plugState, key).toBe('fine');
  });

  it('has a lever whose supply lies where others have ground: seen before it is plugged in', () => {
    const lever = pinoutOf(byId('fit-throttle-twist'), 'throttle/plug');
    if (lever === undefined) throw new Error('no plug');
    const base = applyPart(sample({ controls: { throttle: 'full' } }), byId('ctl-30'));
    const build = {
      ...base,
      harness: { ...base.harness, ports: { ...base.harness.ports, 'throttle/plug': lever } },
    };
    const wire = evaluate(build).wiring.wires.find((w) => w.cable.key === 'throttle-controller');
    expect(wire?.plugState).toBe('stop');
  });
});
