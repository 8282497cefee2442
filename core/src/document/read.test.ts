import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import published from '../../../docs/build.schema.json' with { type: 'json' };
import { anyBuild, RUNS, sample } from '../test/sample.ts';
import { buildJsonSchema } from './document.ts';
import { readBuild, readBuildText } from './read.ts';

const issuesOf = (data: unknown) => {
  const result = readBuild(data);
  return result.ok ? [] : result.issues;
};
const changed = (change: (copy: Record<string, Record<string, unknown>>) => void): unknown => {
  const copy = JSON.parse(JSON.stringify(sample())) as unknown as Record<string, Record<string, unknown>>;
  change(copy);
  return copy;
};

describe('readBuild', () => {
  it('takes every plausible build and gives it back unchanged', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const result = readBuildText(JSON.stringify(build));
        expect(result.ok && result.value).toEqual(JSON.parse(JSON.stringify(build)));
      }),
      RUNS,
    );
  });

  it('takes a count with a fraction as the whole one that its field shows, and pieces as a shop cuts them', () => {
    const data = changed((b) => {
      b['gearing'] = { ...b['gearing'], ringTeeth: { source: 'measured', value: 43.6 } };
      b['donor'] = { ...b['donor'], tyreMm: { source: 'measured', value: 43.6 } };
      const added = [7.7e-20, 1.254, 3].map((quantity, i) => ({
        key: `added/${String(i)}`,
        what: 'Cable',
        quantity,
      }));
      b['purchase'] = { ...b['purchase'], added };
    });
    const read = readBuild(data);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const { gearing, donor, purchase } = read.value;
    expect(gearing.ringTeeth).toEqual({ source: 'measured', value: 44 });
    expect(donor.tyreMm).toEqual({ source: 'measured', value: 43.6 });
    expect(purchase.added.map((line) => line.quantity)).toEqual([0.01, 1.25, 3]);
  });

  it.each([null, 3, 'text', [], undefined])('refuses %s as a document', (data) => {
    expect(issuesOf(data)[0]).toMatchObject({ code: 'type', path: '', limit: 'a build document' });
  });

  it('names the path, the value found and the limit', () => {
    const data = changed((b) => {
      b['brief'] = { ...b['brief'], riderMassKg: { source: 'measured', value: 4 } };
    });
    expect(issuesOf(data)).toEqual([
      { code: 'range', path: 'brief.riderMassKg.value', actual: 4, limit: 'at least 10' },
    ]);
  });

  it('reports every fault at once', () => {
    const data = changed((b) => {
      b['drive'] = { ...b['drive'], kind: 'steam', wheel: 7 };
      b['packs'] = [
        { ...sample().packs[0], capacityAh: { source: 'measured', value: 'lots' }, colour: 'red' },
      ] as never;
    });
    expect(issuesOf(data).map((i) => [i.code, i.path])).toEqual(
      expect.arrayContaining([
        ['choice', 'drive.kind'],
        ['choice', 'drive.wheel'],
        ['type', 'packs.0.capacityAh.value'],
        ['unknown-key', 'packs.0.colour'],
      ]),
    );
  });

  it('says what is missing', () => {
    const data = changed((b) => {
      delete b['controls'];
    });
    expect(issuesOf(data)[0]).toMatchObject({ code: 'missing', path: 'controls' });
  });

  it('refuses a source that is none of the four', () => {
    const data = changed((b) => {
      b['packs'] = [{ ...sample().packs[0], massKg: { source: 'guessed', value: 4 } }] as never;
    });
    expect(issuesOf(data)[0]).toMatchObject({ code: 'choice', path: 'packs.0.massKg.source' });
  });

  it('refuses a document of a later schema rather than dropping what it does not know', () => {
    expect(issuesOf({ ...sample(), schemaVersion: 99 })[0]).toMatchObject({ code: 'version', actual: 99 });
  });

  it('refuses numbers that JSON can write but no bicycle can have', () => {
    const data = changed((b) => {
      b['packs'] = [{ ...sample().packs[0], cellsInSeries: { source: 'label', value: 1000 } }] as never;
    });
    expect(issuesOf(data)[0]).toMatchObject({
      code: 'range',
      path: 'packs.0.cellsInSeries.value',
      limit: 'at most 60',
    });
  });
});

describe('readBuildText', () => {
  it.each(['', '{', '{"a":}', 'hello'])(
    'turns broken JSON (%s) into an issue, never an exception',
    (text) => {
      const result = readBuildText(text);
      expect(result.ok).toBe(false);
      expect(!result.ok && result.issues[0]?.code).toBe('json');
    },
  );
});

describe('JSON Schema', () => {
  it('stands in docs as it is now: run npm run schema after a change', () => {
    expect(published).toEqual(JSON.parse(JSON.stringify(buildJsonSchema())));
  });

  it('is draft 2020-12, closed, and describes each quantity with its unit and default', () => {
    const schema = buildJsonSchema() as {
      $schema: string;
      additionalProperties: boolean;
      properties: { brief: { properties: { riderMassKg: { description: string } } } };
    };
    expect(schema.$schema).toContain('2020-12');
    expect(schema.additionalProperties).toBe(false);
    expect(schema.properties.brief.properties.riderMassKg.description).toContain('kg');
  });
});
