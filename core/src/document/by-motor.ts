import type { MotorValue } from './motor-asked.ts';
import type { FallbackContext } from './quantity-spec.ts';

/** A default that follows from what else is known of the motor; `origin` says it in general, `because` of a build. */
export const byMotor = (value: MotorValue, origin: string) => ({
  fallback: (context: FallbackContext): number => context.motor[value].value,
  origin,
  because: (context: FallbackContext): string => context.motor[value].how(),
  spread: (context: FallbackContext): number => context.motor[value].spread,
});

/** A count of teeth between an external drive's motor and its wheel, which follows from the motor. */
export const byGearing = (which: 'motorTeeth' | 'wheelTeeth') => ({
  fallback: ({ sprockets }: FallbackContext): number => sprockets[which],
  origin: 'geared for the road speed that hubs of its rating are wound for, from memory',
  because: ({ sprockets }: FallbackContext): string => sprockets.how(),
});
