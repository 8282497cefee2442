import type { Rule } from '../../line.ts';

/** A crimp tool for the contacts. */
export const crimpTool: Rule = {
  id: 'crimp-tool',
  group: 'tools',
  origin: 'common practice: a crimp made with pliers comes off',
  lines: ({ build: { cabling } }) =>
    cabling.passes.includes('rings')
      ? [{ what: ['Crimp tool for tinned ring terminals'], why: ['a crimp made with pliers comes off'] }]
      : [],
};
