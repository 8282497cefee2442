import type { BuildDocument } from './document.ts';
import { controllersBeside } from './motors.ts';

/** The id of the n-th of several like parts: the first keeps the plain one. */
export const numberedId = (id: string, i: number): string => (i === 0 ? id : `${id}-${String(i + 1)}`);

/** What the leads of the packs go to. */
export const packsFeed = ({ packs }: BuildDocument): 'combiner' | 'controller' =>
  packs.length > 1 ? 'combiner' : 'controller';

/** A cable of the harness that carries the battery's or a motor's current, by its keys. */
export interface CurrentCable {
  readonly key: string;
  readonly carries: 'battery' | 'phase';
  /** Of what the battery, or one motor, asks. */
  readonly share: number;
  /** As a sentence has it: "pack to controller". */
  readonly name: string;
  /** Both halves, by component and port. */
  readonly from: string;
  readonly to: string;
}

/** Cables in the way of the current from the packs to the motors, in its order. */
export function currentCables(build: BuildDocument): readonly CurrentCable[] {
  const feeds = packsFeed(build);
  const packs = build.packs.map((_, i): CurrentCable => {
    const id = numberedId('pack', i);
    return {
      key: `${id}-${feeds}`,
      carries: 'battery',
      share: 1,
      name: `${i === 0 ? 'pack' : `pack ${String(i + 1)}`} to ${feeds}`,
      from: `${id}/out`,
      to: `${feeds}/${numberedId('in', i)}`,
    };
  });
  const joined: readonly CurrentCable[] =
    feeds === 'combiner'
      ? [
          {
            key: 'combiner-controller',
            carries: 'battery',
            share: 1,
            name: 'combiner to controller',
            from: 'combiner/out',
            to: 'controller/in',
          },
        ]
      : [];
  const count = controllersBeside(build);
  // The lead goes on from the first controller to the second, which draws its own half.
  const branch: readonly CurrentCable[] =
    count === 2
      ? [
          {
            key: 'controller-controller-2',
            carries: 'battery',
            share: 0.5,
            name: 'branch to the second controller',
            from: 'controller/branch',
            to: 'controller-2/in',
          },
        ]
      : [];
  const motors = Array.from({ length: count }, (_, i): CurrentCable => {
    const id = numberedId('motor', i);
    return {
      key: `${id}-phases`,
      carries: 'phase',
      share: 1,
      name: `controller to ${i === 0 ? 'motor' : `motor ${String(i + 1)}`}`,
      from: `${numberedId('controller', i)}/${id}-phases`,
      to: `${id}/phases`,
    };
  });
  return [...packs, ...joined, ...branch, ...motors];
}
