import { join } from 'node:path';
import { evenHill, newBuild, shippedRules } from '@apple-cart/core';
import { chance, type Bounds, type Chance, type Report } from './report.ts';
import { ask, inFolder, start, toldIn, type Victim } from './server.ts';

/** Documents of every kind that only a number tells apart. */
const KINDS = [
  { address: '/api/builds', make: (n: number) => newBuild(`Torture ${String(n)}`) },
  { address: '/api/routes', make: (n: number) => evenHill(`Torture ${String(n)}`, 500, 5) },
  {
    address: '/api/parts',
    make: (n: number, id: string) => ({
      id,
      type: 'ring',
      name: `Torture ${String(n)}`,
      maker: 'Test',
      teeth: 38,
      ringLineMm: 13,
      massKg: 0.18,
      price: 36,
      currency: 'GBP',
    }),
  },
  {
    address: '/api/rules',
    make: (n: number, id: string) => ({ ...shippedRules()[0], id, name: `Torture ${String(n)}` }),
  },
] as const;
type Kind = (typeof KINDS)[number];

/** What its writer knows of a document. */
interface Known {
  readonly kind: Kind;
  readonly id: string;
  /** As the server acknowledged it last; 0 where it never did. */
  version: number;
  n: number;
  away: boolean;
  /** What was asked for and not answered: it may have been done, or not. */
  asked: { readonly n: number; readonly away: boolean } | undefined;
  /** A version that was acknowledged to be kept. */
  kept: number | undefined;
}

interface Stored {
  readonly version: number;
  readonly document: { readonly name: string };
}
const markOf = ({ document }: Stored): number => Number(/\d+$/.exec(document.name)?.[0]);

/** One thing that a writer does with its document; only what is answered counts. */
async function act(url: string, known: Known, random: Chance): Promise<boolean> {
  const at = `${url}${known.kind.address}/${known.id}`;
  const what = random.next();
  if (known.version > 0 && what < 0.08) {
    const document = known.kind.make(known.n, known.id);
    const answer = await ask(`${at}/revisions`, 'POST', { reason: 'named', name: 'kept', document });
    if (answer?.status === 201) known.kept = known.n;
    return answer !== undefined;
  }
  if (known.version > 0 && what < 0.16) {
    known.asked = { n: known.n, away: !known.away };
    const answer = known.away ? await ask(`${at}/restore`, 'POST', {}) : await ask(at, 'DELETE');
    if (answer === undefined) return false;
    if (answer.status < 300) known.away = !known.away;
    known.asked = undefined;
    return true;
  }
  if (known.away) return true;
  const n = known.n + 1;
  known.asked = { n, away: false };
  const answer = await ask(at, 'PUT', {
    baseVersion: known.version,
    document: known.kind.make(n, known.id),
  });
  if (answer === undefined) return false;
  if (answer.status === 200) {
    known.version = (answer.body as { version: number }).version;
    known.n = n;
  }
  known.asked = undefined;
  return answer.status === 200;
}

/** What a document has lost against what its writer was told; and what it has become is what its writer goes on from. */
async function check(url: string, known: Known): Promise<string | undefined> {
  const at = `${url}${known.kind.address}/${known.id}`;
  const answer = await ask(at, 'GET');
  const { asked } = known;
  known.asked = undefined;
  if (answer === undefined) return `${at} does not answer`;
  const mayBe = [{ n: known.n, away: known.away }, ...(asked === undefined ? [] : [asked])];
  if (answer.status === 410 || answer.status === 404) {
    if (known.version === 0 && answer.status === 404) return undefined;
    if (!mayBe.some((m) => m.away)) return `${at} was acknowledged (${String(known.n)}) and is away or gone`;
    known.away = true;
    return undefined;
  }
  if (answer.status !== 200) return `${at} answers ${String(answer.status)}`;
  const stored = answer.body as Stored;
  const mark = markOf(stored);
  if (!mayBe.some((m) => m.n === mark && !m.away))
    return `${at} is ${String(mark)}, acknowledged was ${JSON.stringify(mayBe)}`;
  if (stored.version < known.version) return `${at} went back from version ${String(known.version)}`;
  Object.assign(known, { version: stored.version, n: mark, away: false });
  if (known.kept !== undefined) {
    const versions = await ask(`${at}/revisions`, 'GET');
    const { revisions } = toldIn(versions) as { revisions: readonly { name: string | null }[] };
    if (!revisions.some((r) => r.name === 'kept')) return `${at} lost a version that was acknowledged`;
  }
  return undefined;
}

/** Writers that write until the server is killed under them. */
async function write(victim: Victim, all: readonly Known[], random: Chance, counts: { acks: number }) {
  const writer = async (known: Known): Promise<void> => {
    while (await act(victim.url, known, random)) counts.acks += 1;
  };
  await Promise.all(all.map(writer));
}

/** Servers that are killed at any moment while they are written to: whatever they acknowledged is there afterwards. */
export async function kills({ seed, untilMs, rounds }: Bounds): Promise<Report> {
  const random = chance(seed);
  const counts = { acks: 0, kills: 0, checked: 0, restartMs: 0 };
  const wrong: string[] = [];
  await inFolder(async (folder) => {
    const file = join(folder, 'a.sqlite');
    const all: Known[] = [];
    while (Date.now() < untilMs && counts.kills < rounds && wrong.length === 0) {
      // A few documents more each time, and the old ones stay to be looked at.
      if (all.length < 40)
        for (const kind of KINDS)
          all.push({
            kind,
            id: `t-${String(all.length)}`,
            version: 0,
            n: 0,
            away: false,
            asked: undefined,
            kept: undefined,
          });
      const began = Date.now();
      const victim = await start(file);
      counts.restartMs = Math.max(counts.restartMs, Date.now() - began);
      const lost = await Promise.all(all.map((known) => check(victim.url, known)));
      for (const one of lost) if (one !== undefined) wrong.push(`after kill ${String(counts.kills)}: ${one}`);
      counts.checked += all.length;
      const killing = new Promise<void>((done) =>
        setTimeout(() => void victim.kill().then(done), random.below(500)),
      );
      await write(victim, all.slice(-16), random, counts);
      await killing;
      counts.kills += 1;
    }
  });
  return { name: 'kills', seed, figures: counts, wrong };
}
