import type { Chance } from './report.ts';

/** What hurts parsers: borders of numbers, of types, of encodings, of nesting, and of quotes. */
const PIECES: readonly string[] = [
  '',
  'null',
  'true',
  '""',
  '[]',
  '{}',
  '-0',
  '1e999',
  '-1e-999',
  '0.1e+',
  '9007199254740993',
  'NaN',
  'Infinity',
  '"__proto__"',
  '{"__proto__":{"a":1}}',
  '"constructor"',
  '\u0000',
  '\uFEFF',
  '\uD800',
  '\u202E',
  '🚲',
  '"',
  "'",
  ',',
  ';',
  '\t',
  '\r',
  '\n',
  '\\',
  '\\u0000',
  '<',
  '&',
  '&amp;',
  '&#x110000;',
  '<![CDATA[',
  ']]>',
  '<!DOCTYPE a [<!ENTITY b "c">]>',
  '<trkpt lat="90" lon="-180"><ele>0</ele></trkpt>',
  '<a xmlns="b">',
  '=1+1',
];

/** Long ones, of a kind. */
const LONG: readonly ((n: number) => string)[] = [
  (n) => '['.repeat(n),
  (n) => '{"a":'.repeat(n),
  (n) => '<a>'.repeat(n),
  (n) => '"'.repeat(n),
  (n) => ','.repeat(n),
  (n) => '\n'.repeat(n),
  (n) => '9'.repeat(n),
  (n) => ' '.repeat(n),
  (n) => `"${'x'.repeat(n)}"`,
  (n) => `[${'0,'.repeat(n)}0]`,
  (n) => '&lt;'.repeat(n),
  (n) => '" '.repeat(n),
];

/** One change of a text, anywhere in it. */
function spoilOnce(text: string, random: Chance): string {
  const at = random.below(text.length + 1);
  const span = random.next() < 0.7 ? random.below(12) : random.below(Math.max(1, text.length >> 1));
  const end = Math.min(text.length, at + span);
  switch (random.below(9)) {
    case 0:
      return text.slice(0, at) + text.slice(end);
    case 1:
      return text.slice(0, at) + random.of(PIECES) + text.slice(at);
    case 2:
      return text.slice(0, at) + random.of(PIECES) + text.slice(end);
    case 3:
      return text.slice(0, end) + text.slice(at, end) + text.slice(end);
    case 4:
      return text.slice(0, at);
    case 5:
      return text.slice(0, at) + String.fromCharCode(random.below(0x3000)) + text.slice(at + 1);
    case 6: {
      // A number somewhere behind becomes another.
      const other = random.of(['-1', '0', '1e308', '5e-324', '1e21', '2147483648', '0.30000000000000004']);
      const [found] = /-?\d+(\.\d+)?/.exec(text.slice(at)) ?? [];
      return found === undefined ? text : text.slice(0, at) + text.slice(at).replace(found, other);
    }
    case 7: {
      // Two pieces change places.
      const to = random.below(text.length + 1);
      const [a, b] = [Math.min(at, to), Math.max(at, to)];
      const width = Math.min(40, b - a);
      return (
        text.slice(0, a) +
        text.slice(b, b + width) +
        text.slice(a + width, b) +
        text.slice(a, a + width) +
        text.slice(b + width)
      );
    }
    default:
      // Rarely, since long ones take long: thousands of a kind.
      return random.next() < 0.02
        ? text.slice(0, at) + random.of(LONG)(random.below(200_000)) + text.slice(at)
        : text;
  }
}

/** A text spoilt in one place to four, or left as it is. */
export function spoiled(text: string, random: Chance): string {
  let now = text;
  for (let times = random.below(5); times > 0; times -= 1) now = spoilOnce(now, random);
  return now;
}
