import { create } from 'zustand';
import type { SimulatedFault } from '@apple-cart/core';

interface SimulatedState {
  /** What the simulated bench is asked to have wrong with it. */
  readonly fault: SimulatedFault;
  /** Another one gives other noise. */
  readonly seed: number;
  readonly set: (next: Partial<Pick<SimulatedState, 'fault' | 'seed'>>) => void;
}

/** The simulated instruments of this visit: nothing of them is kept but what is written down with a reading. */
export const useSimulated = create<SimulatedState>()((set) => ({
  fault: 'none',
  seed: 1,
  set: (next) => {
    set(next);
  },
}));
