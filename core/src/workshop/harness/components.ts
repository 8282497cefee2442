import type { BuildDocument } from '../../document/document.ts';
import { joinsOf, type JoinSpec } from './joins.ts';
import { portOf, type Port } from './ports.ts';

/** A box of the harness. */
export interface Component {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  readonly ports: readonly Port[];
}

/** A cable: two plug halves face to face, pin by pin. */
export interface Cable {
  readonly key: string;
  readonly number: number;
  readonly name: string;
  readonly carries: string;
  readonly kind: JoinSpec['kind'];
  readonly from: Port;
  readonly to: Port;
  readonly fromComponent: string;
  readonly toComponent: string;
  readonly spec: JoinSpec;
}

/** Components and cables of a build, numbered in the order of the work. */
export function harnessOf(build: BuildDocument): {
  readonly components: readonly Component[];
  readonly cables: readonly Cable[];
} {
  const { boxes, joins } = joinsOf(build);
  const cables = joins.map((spec, i): Cable => {
    const half = (side: JoinSpec['from'], name: string, far: boolean): Port =>
      portOf(
        build,
        side.component,
        { port: side.port, name, set: spec.set, plug: spec.plug, sex: side.sex, live: side.live === true },
        far,
      );
    return {
      key: spec.key,
      number: i + 1,
      name: spec.name,
      carries: spec.carries,
      kind: spec.kind,
      from: half(spec.from, spec.carries, false),
      to: half(spec.to, spec.carries, true),
      fromComponent: spec.from.component,
      toComponent: spec.to.component,
      spec: { ...spec, adapter: build.harness.cables[spec.key]?.adapter === true },
    };
  });
  return {
    components: boxes.map(({ id, name, note }) => ({
      id,
      name,
      note,
      ports: cables.flatMap((c) => [
        ...(c.fromComponent === id ? [c.from] : []),
        ...(c.toComponent === id ? [c.to] : []),
      ]),
    })),
    cables,
  };
}
