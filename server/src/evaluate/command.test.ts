import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { shippedRules, type ToldVerdict } from '@apple-cart/core';
import { evaluateCommand } from './command.ts';

const root = resolve(import.meta.dirname, '../../..');
const folder = mkdtempSync(join(tmpdir(), 'apple-cart-cli-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});
const run = (...args: string[]) => evaluateCommand(args);
const LONGTAIL = join(root, 'demo/builds/0412-orchard-longtail.json');

describe('npm run evaluate', () => {
  it('is a command that writes to both streams and ends with a code', () => {
    const command = (...args: string[]) =>
      spawnSync(process.execPath, ['server/dist/evaluate.mjs', ...args], {
        cwd: root,
        encoding: 'utf8',
      });
    const good = command(LONGTAIL);
    expect(good).toMatchObject({ status: 0, stderr: '' });
    expect(good.stdout).toContain('Orchard longtail');
    const bad = command();
    expect(bad).toMatchObject({ status: 2, stdout: '' });
    expect(bad.stderr).toContain('Usage');
    // What reads it may have had enough: that is no fault of the command.
    const cut = spawnSync(
      'sh',
      ['-c', `"$0" server/dist/evaluate.mjs "$1" --json | head -c 20`, process.execPath, LONGTAIL],
      { cwd: root, encoding: 'utf8' },
    );
    expect(cut).toMatchObject({ status: 0, stderr: '' });
    expect(cut.stdout).toHaveLength(20);
  });

  it('prints figures, clauses and workings as text', async () => {
    const { code, out } = await run(LONGTAIL);
    expect(code).toBe(0);
    expect(out).toContain('Orchard longtail');
    expect(out).toMatch(/Test hill\s+\d+\.\d\skm\/h/);
    expect(out).toContain('SI 1983/1168');
    expect(out).toContain('Planning aid, not legal advice');
    expect(out).toContain('Working: Range');
  });

  it('reads a file with a mark, in UTF-8 or UTF-16, and names another encoding', async () => {
    const text = readFileSync(LONGTAIL, 'utf8');
    const { out } = await run(LONGTAIL);
    for (const bytes of [Buffer.from(`\uFEFF${text}`), Buffer.from(`\uFEFF${text}`, 'utf16le')]) {
      writeFileSync(join(folder, 'marked.json'), bytes);
      expect(await run(join(folder, 'marked.json'))).toEqual({ code: 0, out, error: '' });
    }
    writeFileSync(join(folder, 'latin.json'), Buffer.from('{"é"}', 'latin1'));
    expect((await run(join(folder, 'latin.json'))).error).toContain('UTF-8 or UTF-16');
  });

  it('prints the verdict as JSON', async () => {
    const { code, out } = await run(LONGTAIL, '--json');
    expect(code).toBe(0);
    expect((JSON.parse(out) as ToldVerdict).figures.map((f) => f.id)).toContain('hill');
  });

  it('says what is wrong with a file, on the error stream, with exit code 1', async () => {
    const file = join(folder, 'broken.json');
    writeFileSync(file, '{"schemaVersion": 1, "name": ""');
    const broken = await run(file);
    expect(broken.code).toBe(1);
    expect(broken.error).toContain('JSON');
    expect(broken.out).toBe('');
    writeFileSync(file, '{"schemaVersion": 1}');
    expect((await run(file)).error).toContain('brief: wanted');
    expect(await run('nowhere.json')).toMatchObject({ code: 1, out: '' });
  });

  it('says how it is used when it is used wrongly, with exit code 2', async () => {
    for (const args of [[], ['a', 'b'], [LONGTAIL, '--yaml'], [LONGTAIL, '--rules']]) {
      const said = await run(...args);
      expect(said).toMatchObject({ code: 2, out: '' });
      expect(said.error).toContain('Usage');
    }
  });

  it('judges by the rules of a folder where one is given, and says which it used', async () => {
    expect((await run(LONGTAIL)).out).toContain('Judged by the rules that ship, 40 places.');
    const rules = join(folder, 'rules');
    mkdirSync(rules);
    expect(await run(LONGTAIL, '--rules', rules)).toMatchObject({ code: 1 });
    const gb = shippedRules().find((p) => p.id === 'gb');
    writeFileSync(join(rules, 'gb.json'), JSON.stringify({ ...gb, name: 'Great Britain, corrected' }));
    const { code, out } = await run(LONGTAIL, '--json', '--rules', rules);
    expect(code).toBe(0);
    const told = JSON.parse(out) as ToldVerdict & { judgedBy: string };
    expect(told.law.here.place.name).toBe('Great Britain, corrected');
    expect(told.judgedBy).toContain('gb');
    writeFileSync(join(rules, 'us.json'), '{"format": "apple-cart-rules"}');
    const broken = await run(LONGTAIL, '--rules', rules);
    expect(broken.code).toBe(1);
    expect(broken.error).toContain('us.json');
  });
});
