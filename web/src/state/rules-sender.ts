import type { ListedRules } from '@apple-cart/contracts';
import { readRules, type PlaceRules } from '@apple-cart/core';
import { api } from './api.ts';
import { drafts } from './drafts.ts';
import { held } from './held.ts';
import { loadRules } from './rules.ts';
import { Sender } from './sender.ts';

/** What is typed into the form of a place's rules. */
export const rulesTyped = held('typed-rules');

/** Adds rules, or replaces the version that the form began from. */
export const rulesSender = new Sender<PlaceRules, ListedRules>({
  api: api.rules,
  drafts: drafts('rules', readRules),
  kept: (id) => {
    rulesTyped.keep(id, undefined);
    void loadRules();
  },
});
