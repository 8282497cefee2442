import type { CurveFact, LawFacts } from '../law/facts.ts';
import { number, say } from './law-facts.ts';

/**
 * Worked examples of the rule table that the files were written from (from memory, no source consulted): they hold
 * the files and the judge together, and are no evidence that the table is the law.
 */
const MPH = 1.609344;

const curve = (...corners: readonly (readonly [number, number])[]): CurveFact => ({
  kind: 'curve',
  corners: [{ kmh: 0, ratio: corners[0]?.[1] ?? 0 }, ...corners.map(([kmh, ratio]) => ({ kmh, ratio }))],
  how: '',
});

export type Example = readonly [
  id: string,
  place: string,
  ratedW: number,
  cutKmh: number,
  motorKmh: number,
  stopsWithPedals: 'yes' | 'no',
  other: Partial<LawFacts>,
  fits: readonly string[],
];

export const EXAMPLES: readonly Example[] = [
  ['T01', 'eu', 250, 25, 0, 'yes', {}, ['EU-EPAC', 'EU-L1e-A', 'EU-L1e-B']],
  ['T02', 'eu', 250, 25, 6, 'yes', {}, ['EU-EPAC', 'EU-L1e-A', 'EU-L1e-B']],
  ['T04', 'eu', 250, 25, 25, 'no', {}, ['EU-L1e-A', 'EU-L1e-B']],
  ['T05', 'eu', 251, 25, 0, 'yes', {}, ['EU-L1e-A', 'EU-L1e-B']],
  ['T07', 'eu', 1000, 25, 0, 'yes', {}, ['EU-L1e-A', 'EU-L1e-B']],
  ['T08', 'eu', 1001, 25, 0, 'yes', {}, ['EU-L1e-B']],
  ['T10', 'eu', 250, 45, 45, 'no', {}, ['EU-L1e-B']],
  ['T11', 'eu', 4000, 45, 45, 'no', {}, ['EU-L1e-B']],
  ['T13', 'eu', 250, 25, 0, 'yes', { helpFades: say('no') }, ['EU-L1e-A', 'EU-L1e-B']],
  ['T14', 'gb', 250, 15.5 * MPH, 0, 'yes', {}, ['UK-EAPC', 'UK-EAPC-TWIST']],
  ['T16', 'gb', 250, 15.5 * MPH, 15.5 * MPH, 'no', {}, ['UK-EAPC-TWIST']],
  ['T17', 'gb', 500, 15.5 * MPH, 0, 'yes', {}, []],
  ['T19', 'us-fed', 749, 28 * MPH, 19.9 * MPH, 'no', {}, ['US-FED-LSEB']],
  ['T20', 'us-fed', 750, 20 * MPH, 19.9 * MPH, 'no', {}, []],
  ['T22', 'us-fed', 500, 20 * MPH, 19 * MPH, 'no', { wheelCount: number(4) }, []],
  ['T23', 'us-fed', 500, 20 * MPH, 19 * MPH, 'no', { operablePedals: say('no') }, []],
  ['T25', 'us', 500, 20 * MPH, 20 * MPH, 'no', {}, ['US-MODEL-2']],
  ['T26', 'us', 500, 28 * MPH, 0, 'yes', {}, ['US-MODEL-3']],
  ['T28', 'us', 500, 28 * MPH, 20 * MPH, 'no', {}, []],
  ['T29', 'us', 500, 28.1 * MPH, 0, 'yes', {}, []],
  ['T31', 'us-ny', 750, 20 * MPH, 0, 'yes', {}, []],
  ['T32', 'us-ca', 700, 28 * MPH, 3.7 * MPH, 'yes', {}, ['US-CA-3']],
  ['T34', 'us-ny', 700, 25 * MPH, 25 * MPH, 'no', {}, ['US-NY-3']],
  ['T35', 'us-ny', 700, 28 * MPH, 0, 'yes', {}, []],
  ['T37', 'us-pa', 750, 20 * MPH, 20 * MPH, 'no', { massKg: number(45.3) }, ['US-PA-PEA']],
  ['T38', 'us-pa', 750, 20 * MPH, 20 * MPH, 'no', { massKg: number(45.9) }, []],
  ['T40', 'ca-on', 500, 32, 32, 'no', { massKg: number(120) }, ['CA-ON-PAB']],
  ['T41', 'ca-on', 500, 32, 32, 'no', { massKg: number(121) }, []],
  ['T43', 'ca-bc', 250, 25, 0, 'yes', {}, ['CA-BC-LIGHT', 'CA-BC-STD']],
  ['T44', 'ca-bc', 250, 25, 25, 'no', {}, ['CA-BC-STD']],
  ['T46', 'au-nsw', 500, 25, 0, 'yes', {}, ['AU-NSW-EPAC']],
  ['T47', 'au-vic', 500, 25, 0, 'yes', {}, []],
  ['T49', 'nz', 301, 25, 0, 'yes', {}, []],
  [
    'T50',
    'jp',
    250,
    23.9,
    0,
    'yes',
    { assistRatio: curve([5, 2], [9.9, 2], [17, 1], [23, 1 / 7], [24, 0]) },
    ['JP-ASSIST'],
  ],
  [
    'T52',
    'jp',
    250,
    23.9,
    0,
    'yes',
    { wheelCount: number(3), assistRatio: curve([5, 3], [9.9, 3], [17, 1.5], [23, 3 / 14], [24, 0]) },
    ['JP-ASSIST-TOW'],
  ],
  ['T53', 'jp', 250, 25, 0, 'yes', { assistRatio: curve([5, 2], [17, 1], [24.5, 0.1]) }, []],
  ['T55', 'ch', 500, 25, 20, 'no', {}, ['CH-LIGHT', 'CH-FAST']],
  ['T56', 'ch', 500, 25, 25, 'no', {}, ['CH-FAST']],
  ['T58', 'ch', 1000, 45, 30, 'no', {}, ['CH-FAST']],
  ['T59', 'no', 250, 25, 0, 'yes', {}, ['NO-ELSYKKEL']],
  ['T61', 'cn', 400, 25, 25, 'no', { massKg: number(55), nominalV: number(60) }, []],
  ['T62', 'in', 249, 24.9, 24.9, 'no', {}, ['IN-BOV']],
  ['T64', 'kr', 250, 24.9, 0, 'yes', { massKg: number(29.9) }, ['KR-PAS', 'KR-PM']],
  ['T65', 'kr', 250, 24.9, 0, 'yes', { massKg: number(30) }, []],
  ['T67', 'sg', 250, 25, 0, 'yes', { massKg: number(20) }, ['SG-PAB']],
  ['T68', 'sg', 250, 25, 0, 'yes', { massKg: number(20.5) }, []],
  ['T70', 'us-nj', 500, 20 * MPH, 20 * MPH, 'no', {}, ['US-NJ-2']],
  ['T71', 'us-nc', 750, 20 * MPH, 20 * MPH, 'no', {}, ['US-NC-EAB']],
  ['T73', 'ca-ab', 501, 32, 0, 'yes', {}, []],
  ['T74', 'au-qld', 250, 25, 6, 'yes', {}, ['AU-QLD-PEDELEC']],
  ['T76', 'il', 250, 25, 0, 'yes', {}, ['IL-EBIKE']],
];
