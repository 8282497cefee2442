/** How each member of an object is worked out. */
export type Makers<T> = { readonly [K in keyof T]: () => T[K] };

/**
 * An object whose members are worked out when they are first read, and remembered. They are its own and enumerable:
 * written out or spread, all of them are worked out.
 */
export function lazily<T extends object>(makers: Makers<T>): T {
  const target = {} as T;
  for (const key of Object.keys(makers) as (keyof T)[]) {
    let memo: { readonly value: T[keyof T] } | undefined;
    Object.defineProperty(target, key, {
      enumerable: true,
      get: () => (memo ??= { value: makers[key]() }).value,
    });
  }
  return target;
}

/** An object with more members; those it has stay as they are, worked out or not. */
export const lazilyMore = <T extends object, M extends object>(base: T, makers: Makers<M>): T & M =>
  Object.defineProperties(
    lazily(makers) as T & M,
    Object.getOwnPropertyDescriptors(base) as PropertyDescriptorMap,
  );
