import atRules from './rules/at.json' with { type: 'json' };
import auFedRules from './rules/au-fed.json' with { type: 'json' };
import auNswRules from './rules/au-nsw.json' with { type: 'json' };
import auQldRules from './rules/au-qld.json' with { type: 'json' };
import auVicRules from './rules/au-vic.json' with { type: 'json' };
import beRules from './rules/be.json' with { type: 'json' };
import brRules from './rules/br.json' with { type: 'json' };
import caAbRules from './rules/ca-ab.json' with { type: 'json' };
import caBcRules from './rules/ca-bc.json' with { type: 'json' };
import caFedRules from './rules/ca-fed.json' with { type: 'json' };
import caOnRules from './rules/ca-on.json' with { type: 'json' };
import caQcRules from './rules/ca-qc.json' with { type: 'json' };
import chRules from './rules/ch.json' with { type: 'json' };
import cnRules from './rules/cn.json' with { type: 'json' };
import deRules from './rules/de.json' with { type: 'json' };
import dkRules from './rules/dk.json' with { type: 'json' };
import euRules from './rules/eu.json' with { type: 'json' };
import fiRules from './rules/fi.json' with { type: 'json' };
import frRules from './rules/fr.json' with { type: 'json' };
import gbRules from './rules/gb.json' with { type: 'json' };
import ilRules from './rules/il.json' with { type: 'json' };
import inRules from './rules/in.json' with { type: 'json' };
import itRules from './rules/it.json' with { type: 'json' };
import jpRules from './rules/jp.json' with { type: 'json' };
import krRules from './rules/kr.json' with { type: 'json' };
import nlRules from './rules/nl.json' with { type: 'json' };
import noRules from './rules/no.json' with { type: 'json' };
import nzRules from './rules/nz.json' with { type: 'json' };
import plRules from './rules/pl.json' with { type: 'json' };
import seRules from './rules/se.json' with { type: 'json' };
import sgRules from './rules/sg.json' with { type: 'json' };
import usRules from './rules/us.json' with { type: 'json' };
import usCaRules from './rules/us-ca.json' with { type: 'json' };
import usFedRules from './rules/us-fed.json' with { type: 'json' };
import usMaRules from './rules/us-ma.json' with { type: 'json' };
import usNcRules from './rules/us-nc.json' with { type: 'json' };
import usNjRules from './rules/us-nj.json' with { type: 'json' };
import usNyRules from './rules/us-ny.json' with { type: 'json' };
import usOrRules from './rules/us-or.json' with { type: 'json' };
import usPaRules from './rules/us-pa.json' with { type: 'json' };
import { placeRules, type RuleBook } from './rule-schema.ts';

/** The files that ship with the product, in the order of a list of places. */
const FILES: readonly unknown[] = [
  gbRules,
  euRules,
  atRules,
  beRules,
  chRules,
  deRules,
  dkRules,
  fiRules,
  frRules,
  itRules,
  nlRules,
  noRules,
  plRules,
  seRules,
  usRules,
  usFedRules,
  usCaRules,
  usMaRules,
  usNcRules,
  usNjRules,
  usNyRules,
  usOrRules,
  usPaRules,
  caAbRules,
  caBcRules,
  caFedRules,
  caOnRules,
  caQcRules,
  auFedRules,
  auNswRules,
  auQldRules,
  auVicRules,
  nzRules,
  jpRules,
  krRules,
  cnRules,
  inRules,
  sgRules,
  ilRules,
  brRules,
];

let shipped: RuleBook | undefined;

/** The rules that ship with the product, validated when they are first asked for. @throws ZodError for a broken file. */
export function shippedRules(): RuleBook {
  shipped ??= FILES.map((file) => placeRules.parse(file));
  return shipped;
}
