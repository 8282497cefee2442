/** odex: Hairer, Norsett and Wanner's extrapolation code for ordinary differential equations (registry), as it is used here. */
interface Odex {
  readonly Solver: new (equations: number) => {
    relativeTolerance: number;
    absoluteTolerance: number;
    solve(
      derivative: (x: number, y: readonly number[]) => number[],
      from: number,
      initial: readonly number[],
      to: number,
    ): { readonly y: readonly number[] };
  };
}
/** A plain string, so that the type check does not read the module's own, which do not fit this project's rules. */
const ODEX: string = 'odex';

/** The state at `to` of y' = f(x, y) from `initial`, to nine figures. */
export async function solved(
  derivative: (x: number, y: readonly number[]) => number[],
  from: number,
  initial: readonly number[],
  to: number,
): Promise<readonly number[]> {
  const { Solver } = (await import(ODEX)) as Odex;
  const solver = new Solver(initial.length);
  solver.relativeTolerance = 1e-9;
  solver.absoluteTolerance = 1e-9;
  return solver.solve(derivative, from, initial, to).y;
}
