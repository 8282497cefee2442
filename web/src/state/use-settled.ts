import { useEffect, useState } from 'react';

/** A value once it has stayed the same for a while: for what is too slow to follow every step of a drag. */
export function useSettled<T>(value: T, quietMs: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => {
      setSettled(() => value);
    }, quietMs);
    return () => {
      clearTimeout(timer);
    };
  }, [value, quietMs]);
  return settled;
}
