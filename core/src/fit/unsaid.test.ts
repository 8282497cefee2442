import { describe, expect, it } from 'vitest';
import { evaluate } from '../test/evaluate.ts';
import { hub, type Changes } from '../test/fit-builds.ts';

const UNSAID = { source: 'unknown' } as const;
/** What the speed of a machine rests on beside its limit, its motor and its amps. */
const LEVEL: Changes = {
  donor: { permittedKg: 140, cdaM2: 0.6, crr: 0.007 },
  drive: { resistanceOhm: 0.15, efficiency: 0.9, hysteresisNm: 0.1, eddyNms: 0.002, massKg: 4 },
  controller: {
    batteryCurrentA: 20,
    phaseCurrentA: 40,
    massKg: 0.5,
    resistanceMohm: 8,
    standbyW: 2,
    place: 'plate',
  },
  pack: {
    nominalV: 48,
    cellsInSeries: 13,
    capacityAh: 15,
    healthPct: 95,
    wiringMohm: 40,
    boxLengthMm: 340,
    boxHeightMm: 86,
    boxWidthMm: 90,
    massKg: 4,
  },
};
const machine = (changes: Changes) =>
  hub({
    donor: { ...LEVEL.donor, ...changes.donor },
    drive: { ...LEVEL.drive, ...changes.drive },
    controller: { ...LEVEL.controller, ...changes.controller },
    pack: { ...LEVEL.pack },
  });
const check = (id: string, changes: Changes) => {
  const found = evaluate(machine(changes)).fit.checks.find((c) => c.id === id);
  if (found === undefined) throw new Error(`no check ${id}`);
  return found;
};

describe('brakes of a machine whose speed nobody has read', () => {
  const rims = { brakeFront: 'rim', brakeRear: 'rim' } as const;
  const limited = (assistCutoffKmh: number | typeof UNSAID): Changes => ({
    donor: rims,
    controller: { limitsSpeed: true, assistCutoffKmh },
  });

  it('are not fine by a limit at a speed that is a default: rims end at 32 km/h', () => {
    expect(check('brake-kind', limited(25)).state).toBe('fine');
    expect(check('brake-kind', limited(40)).state).toBe('stop');
    expect(check('brake-kind', limited(UNSAID))).toMatchObject({
      state: 'unknown',
      missing: ['controller.assistCutoffKmh'],
    });
    // Discs are borne at any speed.
    expect(
      check('brake-kind', {
        donor: { brakeFront: 'cable-disc', brakeRear: 'cable-disc' },
        controller: { limitsSpeed: true, assistCutoffKmh: UNSAID },
      }).state,
    ).toBe('fine');
  });

  it('are not fine by a winding that is a default, unless a limit holds whatever it is', () => {
    const wound = (kvRpmPerV: number | typeof UNSAID, limitsSpeed: boolean): Changes => ({
      donor: rims,
      drive: { kvRpmPerV, noLoadRpm: UNSAID, reduction: 5 },
      controller: { limitsSpeed, assistCutoffKmh: 25 },
    });
    expect(check('brake-kind', wound(22, false)).state).toBe('fine');
    expect(check('brake-kind', wound(70, false)).state).toBe('stop');
    expect(check('brake-kind', wound(UNSAID, false)).state).not.toBe('fine');
    expect(check('brake-kind', wound(UNSAID, true)).state).toBe('fine');
  });

  it('take the energy that the fast end would have', () => {
    expect(check('brake-energy', limited(25)).state).toBe('fine');
    expect(check('brake-energy', limited(UNSAID)).missing).toEqual(['controller.assistCutoffKmh']);
  });
});

describe('torque arms of a motor that nobody has read', () => {
  // From 40 N m on even a steel dropout asks for an arm. About 24 N m by the usual values; 35 with the most amps that an 8 A
  // controller usually has in a phase, 34 with the slowest winding usual for it, 50 with both.
  it('are open where amps and winding only together would make it strong', () => {
    const of = (phaseCurrentA: number | typeof UNSAID, kvRpmPerV: number | typeof UNSAID) =>
      check('torque-arms', {
        drive: { kvRpmPerV, noLoadRpm: UNSAID, reduction: 4, torqueArms: 0, wheel: 'rear' },
        controller: { batteryCurrentA: 8, phaseCurrentA },
      });
    expect(of(20, 30).state).toBe('fine');
    expect(of(UNSAID, 30).state).toBe('fine');
    expect(of(20, UNSAID).state).toBe('fine');
    expect(of(UNSAID, UNSAID)).toMatchObject({
      state: 'unknown',
      missing: ['controller.phaseCurrentA', 'drive.kvRpmPerV'],
    });
  });
});

describe('a grip that nobody has said', () => {
  // Statics by hand: a front drive on 1.05 m, its mass half a metre ahead of the rear axle and 1.05 m up, slips at a grade of
  // grip 0.5 / (1.05 + grip 1.05): 19.6 % by 0.7, 17.9 % by 0.6; three more than the hill are asked.
  const front = (tyreGrip: number | typeof UNSAID, hillGradePct: number) => {
    const build = machine({
      donor: { tyreGrip, massAheadMm: 500, massHeightMm: 1050 },
      drive: { wheel: 'front' },
    });
    const steep = {
      ...build,
      brief: { ...build.brief, hillGradePct: { source: 'measured' as const, value: hillGradePct } },
    };
    return evaluate(steep).fit.checks.find(({ id }) => id === 'slip-dry');
  };

  it('leaves open whether the wheel slips where it hangs on that', () => {
    expect(front(UNSAID, 8)?.state).toBe('fine');
    expect(front(0.6, 16)?.state).not.toBe('fine');
    expect(front(0.7, 16)?.state).toBe('fine');
    expect(front(UNSAID, 16)).toMatchObject({ state: 'unknown', missing: ['donor.tyreGrip'] });
    expect(front(UNSAID, 35)?.state).toBe('stop');
  });
});

describe('a trailer that nobody has weighed', () => {
  it('pulls back by what is not known', () => {
    const build = machine({});
    const towing = evaluate({ ...build, brief: { ...build.brief, trailer: 'child' } });
    const slip = towing.fit.checks.find(({ id }) => id === 'slip-dry');
    expect(slip?.state).toBe('unknown');
    expect(slip?.missing).toEqual(expect.arrayContaining(['brief.trailerKg', 'brief.trailerLoadKg']));
  });
});
