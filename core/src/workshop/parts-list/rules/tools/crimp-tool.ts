import type { Draft, Rule } from '../../line.ts';

const WHY = 'a crimp made with pliers comes off';

/** A crimp tool for the contacts: of the plugs where they are crimped, of ring terminals in any case. */
export const crimpTool: Rule = {
  id: 'crimp-tool',
  group: 'tools',
  origin: `common practice: ${WHY}`,
  lines: ({ build: { cabling } }) => {
    const plugs = cabling.joints === 'crimped' || cabling.joints === 'both';
    return [
      ...(cabling.passes.includes('rings')
        ? [{ what: ['Crimp tool for tinned ring terminals'], why: [WHY] }]
        : []),
      ...(plugs
        ? [
            {
              key: 'crimp-tool/contacts',
              what: ['Crimp tool for the contacts of the plugs, with the die of their maker'],
              why: [WHY],
              ask: 'Ask which die the contacts want: one that is near makes a crimp that looks right.',
            },
          ]
        : []),
    ] satisfies readonly Draft[];
  },
};
