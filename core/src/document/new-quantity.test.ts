import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import courier from '../../../demo/builds/0405-kiln-courier.json' with { type: 'json' };
import longtail from '../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import tandem1 from '../../../demo/older/choir-tandem-v1.json' with { type: 'json' };
import trike2 from '../../../demo/older/tide-flat-trike-v2.json' with { type: 'json' };
import longtail3 from '../../../demo/older/orchard-longtail-v3.json' with { type: 'json' };
import tandem4 from '../../../demo/older/choir-tandem-v4.json' with { type: 'json' };
import type { Result } from '../quantity/result.ts';
import type * as briefSection from './brief.ts';
import { quantities, type QuantitySpec } from './quantity-spec.ts';

/**
 * What CONTRIBUTING promises of a new quantity: its spec in one file, and all else follows. A quantity is added to the
 * brief as that file would, and every stored document is read from the files as they lie there.
 */
const STORED = { courier, longtail, tandem1, trike2, longtail3, tandem4 };

const trailerMassKg = {
  label: 'Trailer, with load',
  unit: 'kg',
  min: 0,
  max: 200,
  plausible: [5, 100],
  step: 1,
  fallback: 12,
  origin: 'common practice, an empty trailer',
} as const satisfies QuantitySpec;
const PATH = 'brief.trailerMassKg' as never;

const freshCore = () => import('../index.ts');
type Core = Awaited<ReturnType<typeof freshCore>>;
function value<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(JSON.stringify(result.issues));
  return result.value;
}
let before: Core;
let core: Core;

beforeAll(async () => {
  vi.resetModules();
  before = await freshCore();
  vi.resetModules();
  vi.doMock('./brief.ts', async (original) => {
    const was = await original<typeof briefSection>();
    return {
      briefSpecs: { ...was.briefSpecs, trailerMassKg },
      brief: was.brief.extend(quantities({ trailerMassKg })),
    };
  });
  core = await freshCore();
});
afterAll(() => {
  vi.doUnmock('./brief.ts');
  vi.resetModules();
});

describe('a quantity added to its section', () => {
  it('is not there before it is added', () => {
    expect(before.QUANTITY_PATHS).not.toContain(PATH);
    expect(core.QUANTITY_PATHS).toContain(PATH);
    expect(core.SCHEMA_VERSION).toBe(before.SCHEMA_VERSION);
  });

  it.each(Object.entries(STORED))(
    'is unknown in %s, which is read as it is, and no figure changes',
    (_, file) => {
      const build = value(core.readBuild(file));
      expect(core.quantityAt(build, PATH)).toEqual({ source: 'unknown' });
      const book = before.shippedRules();
      expect(core.evaluate(build, book).figures).toEqual(
        before.evaluate(value(before.readBuild(file)), book).figures,
      );
    },
  );

  it('has its default, said to be one, a stage that asks for it, and a place in the shape of the file', () => {
    const build = value(core.readBuild(courier));
    const known = core.knownAt(core.knownBuild(build), PATH);
    expect(known).toMatchObject({ value: 12, source: 'unknown' });
    expect(core.stageOf(PATH)).toBe('brief');
    expect(JSON.stringify(core.buildJsonSchema())).toContain('trailerMassKg');
    expect(JSON.stringify(before.buildJsonSchema())).not.toContain('trailerMassKg');
  });

  it('keeps what is entered through file and back, and says where a wrong one was made', () => {
    const build = value(core.readBuild(courier));
    const towed = core.withQuantity(build, PATH, { source: 'measured', value: 31 });
    const back = value(core.readBuildText(JSON.stringify(towed)));
    expect(core.quantityAt(back, PATH)).toEqual({ source: 'measured', value: 31 });
    const wrong = core.readBuild(core.withQuantity(build, PATH, { source: 'measured', value: 900 }));
    expect(wrong).toMatchObject({
      ok: false,
      issues: [{ code: 'range', path: 'brief.trailerMassKg.value' }],
    });
  });
});
