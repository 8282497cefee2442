import type { Check } from '../../check/check.ts';
import { isWorse } from '../../check/state.ts';
import { sameLink } from '../../power-chain/link.ts';
import { highestVolts } from '../../power-chain/subject.ts';
import type { Study } from '../../verdict/study.ts';

/** Amps that grow by less than this share are the same: another motor’s own drag. */
const SAME_AMPS = 1.02;

const openChecks = ({ checks, powerChecks }: Study): readonly Check[] =>
  [...checks, ...powerChecks].filter((c) => c.state === 'unknown');

const volts = ({ build, known }: Study): number => highestVolts(build, known);

/** Whether a change asks more of what a check waits for, than the build did before. */
function asksMore(now: Study, then: Study, was: Check, is: Check): boolean {
  if (is.id === 'controller-volts' && volts(then) > volts(now)) return true;
  return isWorse(is.would, was.would);
}

/**
 * What has to be found out after a change: what nobody can answer then and did not wait for anything before, and what waited
 * already and is asked more, so that “it went before” says nothing of it.
 */
export function opensBy(now: Study, then: Study): readonly string[] {
  const waited = openChecks(now);
  const checks = openChecks(then).filter((is) => {
    const was = waited.find((c) => c.id === is.id);
    return was === undefined || asksMore(now, then, was, is);
  });
  const links = then.chain.unknown.filter((is) => {
    const was = now.chain.unknown.find((l) => sameLink(l, is));
    if (was === undefined) return true;
    const [before, after] = [was.demand, is.demand];
    return after.peakA > SAME_AMPS * before.peakA || after.continuousA > SAME_AMPS * before.continuousA;
  });
  return [...new Set([...checks.map((c) => c.title), ...links.map((l) => l.name)])];
}
