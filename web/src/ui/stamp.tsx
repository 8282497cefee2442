import { firstOf } from '@apple-cart/core';
import type { State } from '@apple-cart/core';
import { STATE_TEXT } from './state-mark.tsx';

/** The sheet's answer, as a stamp: one a sheet. */
export function Stamp({
  state,
  word,
  under,
  large = false,
  asIs = false,
  faded = false,
}: {
  state: State;
  word: string;
  under: string;
  large?: boolean;
  /** Units keep their letters: no capitals are made of the word. */
  asIs?: boolean;
  /** What it rests on is old: its colour goes. */
  faded?: boolean;
}) {
  return (
    <div
      className={`stamp-worn inline-block -rotate-[1.8deg] border-[3px] border-current p-[1.5px] font-head ${faded ? 'text-ink3' : STATE_TEXT[state]}`}
      data-testid="stamp"
    >
      <div className={`border border-current text-center ${large ? 'px-6 py-3' : 'px-3 py-1'}`}>
        <b
          className={`block leading-none font-extrabold tracking-[.045em] ${asIs ? '' : 'uppercase'} ${firstOf(
            [
              [large && word.length > 8, 'text-[32px]'],
              [large, 'text-[44px]'],
              // Beside the name of the stage a telephone has room for no more.
              [word.length > 16, 'text-[18px] max-tablet:text-[14px]'],
            ],
            'text-[18px]',
          )}`}
        >
          {word}
        </b>
        <span className={`mt-0.5 block leading-tight font-semibold ${large ? 'text-[15px]' : 'text-[12px]'}`}>
          {under}
        </span>
      </div>
    </div>
  );
}
