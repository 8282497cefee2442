import type { StageId } from '@apple-cart/core';

/** What each stage of the work order is called and what it asks. */
export const STAGES: Readonly<Record<StageId, { readonly name: string; readonly question: string }>> = {
  brief: { name: 'Brief', question: 'Who rides, with what, where and how far?' },
  donor: { name: 'Donor', question: 'Which bicycle is it, and what is still to measure?' },
  drive: { name: 'Drive', question: 'Which motor, in which gears?' },
  power: { name: 'Power', question: 'How many volts, amp-hours and amps?' },
  law: { name: 'Law', question: 'Which class is it, here?' },
  hill: { name: 'Hill', question: 'Will it climb, how fast, in which gear?' },
  range: { name: 'Range', question: 'How far, and how sure?' },
};
