import { demoBuilds } from './demo.ts';
import { evaluate, shippedRules, phraseText } from '@apple-cart/core';
for (const b of demoBuilds()) { if(!new RegExp(process.env['ONLY']??'.').test(b.name)) continue; const v=evaluate(b, shippedRules()); console.log('##', b.name);
 for (const h of v.bench as any[]) console.log(`${h.group}/${h.id??h.key} | ${h.title} | ${h.how??h.do??''} | ${JSON.stringify(h.expect)} | why: ${h.why?phraseText(h.why):''} | ${h.caution??''} | ${h.otherwise??''} | ${h.instrument??''}`); }
