import type { MotorValue } from './motor-asked.ts';
import type { FallbackContext } from './quantity-spec.ts';

/** A default that follows from what else is known of the motor; `origin` says it in general, `because` of a build. */
export const byMotor = (value: MotorValue, origin: string) => ({
  fallback: (context: FallbackContext): number => context.motor[value].value,
  origin,
  because: (context: FallbackContext): string => context.motor[value].how(),
  spread: (context: FallbackContext): number => context.motor[value].spread,
});
