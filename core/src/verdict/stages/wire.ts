import { isBegun } from '../../workshop/harness/begun.ts';
import { motorDecided } from '../../document/motor-decided.ts';
import { leftOverRows } from '../../workshop/harness/left-over.ts';
import type { Stage } from './stage.ts';

export const wireStage: Stage = {
  owns: [],
  checks: [],
  figures: [],
  stands: ({ study, wiring }) => {
    if (!motorDecided(study)) return { state: 'unknown', words: 'no motor chosen', begun: false };
    // Nobody has looked at a plug yet: what is usual is no finding.
    if (!isBegun(study.build)) return { state: 'unknown', words: 'not begun', begun: false };
    const wires = [...wiring().wires, ...leftOverRows(study.build)];
    const bad = wires.filter((w) => w.state === 'stop').length;
    if (bad > 0) return { state: 'stop', words: `${String(bad)} that cannot stay so` };
    const look = wires.filter((w) => w.state === 'look').length;
    const open = wires.filter((w) => w.state === 'unknown').length;
    if (look > 0) return { state: 'look', words: `${String(look)} to look at` };
    return open > 0
      ? { state: 'unknown', words: `${String(open)} of ${String(wires.length)} not looked at` }
      : { state: 'fine', words: 'every plug matches' };
  },
};
