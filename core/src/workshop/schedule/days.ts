import { addDays, differenceInCalendarDays, format, getISODay, isValid, parseISO } from 'date-fns';
import { utc } from '@date-fns/utc';

/** Days as ISO 8601 writes them, free of clocks and of where the machine stands. Dates by date-fns, in universal time. */
const at = (day: string): Date => parseISO(day, { in: utc });

/** A day that exists. */
export const isDay = (day: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(day) && isValid(at(day));

/** Days from one to another; negative backwards. */
export const daysBetween = (from: string, to: string): number => differenceInCalendarDays(at(to), at(from));

/** A day so many days later. */
export const dayAfter = (day: string, days: number): string => format(addDays(at(day), days), 'yyyy-MM-dd');

/** 0 for Monday. */
export const weekdayOf = (day: string): number => getISODay(at(day)) - 1;

/** A day in words: "27 March", "Fri 27 March", or with its year where it is another than that of a reference. */
export function dayWords(day: string, form: 'short' | 'weekday' = 'short', year?: string): string {
  const pattern = form === 'weekday' ? 'EEE d MMMM' : 'd MMMM';
  return format(at(day), year !== undefined && !day.startsWith(year) ? `${pattern} yyyy` : pattern);
}
