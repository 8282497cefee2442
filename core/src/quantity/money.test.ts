import { describe, expect, it } from 'vitest';
import { readBuild } from '../document/read.ts';
import { sample } from '../test/sample.ts';
import { CURRENCIES } from '../document/currency.ts';
import { currencySign, moneyText } from './money.ts';

describe('money', () => {
  it('is written with its sign before it, in every currency of ISO 4217 that the platform knows', () => {
    expect(moneyText(1234, 'GBP')).toBe('£1,234');
    expect(moneyText(12, 'EUR')).toBe('€12');
    expect(moneyText(12.5, 'USD', 2)).toBe('$12.50');
    expect(moneyText(12, 'CHF')).toBe('CHF\u00a012');
    expect(moneyText(12, 'JPY')).toBe('¥12');
    expect(CURRENCIES.length).toBeGreaterThan(140);
    for (const code of CURRENCIES) expect(currencySign(code).trim().length).toBeGreaterThan(0);
  });

  it('of a document is in any of them and in nothing else', () => {
    const at = (currency: string) => {
      const build = sample();
      const result = readBuild({ ...build, money: { ...build.money, currency, budget: 250_000_000 } });
      return result.ok ? [] : result.issues.map((i) => i.path);
    };
    expect(at('IDR')).toEqual([]);
    expect(at('XQX')).toEqual(['money.currency']);
    expect(at('pounds')).toEqual(['money.currency']);
  });
});
