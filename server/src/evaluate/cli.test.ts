import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { shippedRules, type ToldVerdict } from '@apple-cart/core';

const root = resolve(import.meta.dirname, '../../..');
const folder = mkdtempSync(join(tmpdir(), 'apple-cart-cli-'));
afterAll(() => {
  rmSync(folder, { recursive: true });
});
const run = (...args: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'server/src/evaluate/cli.ts', ...args], {
    cwd: root,
    encoding: 'utf8',
  });
const LONGTAIL = 'demo/builds/0412-orchard-longtail.json';

describe('npm run evaluate', () => {
  it('prints figures, clauses and workings as text', () => {
    const { status, stdout } = run(LONGTAIL);
    expect(status).toBe(0);
    expect(stdout).toContain('Orchard longtail');
    expect(stdout).toMatch(/Test hill\s+\d+\.\d\skm\/h/);
    expect(stdout).toContain('SI 1983/1168');
    expect(stdout).toContain('Planning aid, not legal advice');
    expect(stdout).toContain('Working: Range');
  });

  it('prints the verdict as JSON', () => {
    const { status, stdout } = run(LONGTAIL, '--json');
    expect(status).toBe(0);
    expect((JSON.parse(stdout) as ToldVerdict).figures.map((f) => f.id)).toContain('hill');
  });

  it('says what is wrong with a file, on the error stream, with exit code 1', () => {
    const file = join(folder, 'broken.json');
    writeFileSync(file, '{"schemaVersion": 1, "name": ""');
    const broken = run(file);
    expect(broken.status).toBe(1);
    expect(broken.stderr).toContain('JSON');
    expect(broken.stdout).toBe('');
    writeFileSync(file, '{"schemaVersion": 1}');
    expect(run(file).stderr).toContain('brief: wanted');
    expect(run('nowhere.json')).toMatchObject({ status: 1 });
  });

  it('says how it is used when it is used wrongly, with exit code 2', () => {
    expect(run()).toMatchObject({ status: 2 });
    expect(run('a', 'b').stderr).toContain('Usage');
    expect(run(LONGTAIL, '--yaml').status).toBe(2);
    expect(run(LONGTAIL, '--rules').status).toBe(2);
  });

  it('judges by the rules of a folder where one is given, and says which it used', () => {
    expect(run(LONGTAIL).stdout).toContain('Judged by the rules that ship, 40 places.');
    const rules = join(folder, 'rules');
    mkdirSync(rules);
    expect(run(LONGTAIL, '--rules', rules)).toMatchObject({ status: 1 });
    const gb = shippedRules().find((p) => p.id === 'gb');
    writeFileSync(join(rules, 'gb.json'), JSON.stringify({ ...gb, name: 'Great Britain, corrected' }));
    const { status, stdout } = run(LONGTAIL, '--json', '--rules', rules);
    expect(status).toBe(0);
    const told = JSON.parse(stdout) as ToldVerdict & { judgedBy: string };
    expect(told.law.here.place.name).toBe('Great Britain, corrected');
    expect(told.judgedBy).toContain('gb');
    writeFileSync(join(rules, 'us.json'), '{"format": "apple-cart-rules"}');
    const broken = run(LONGTAIL, '--rules', rules);
    expect(broken.status).toBe(1);
    expect(broken.stderr).toContain('us.json');
  });
});
