import { useState } from 'react';
import { enterCode } from '../state/share.ts';

/** The code that a QR picture carries behind the #, which is in no log; empty without one. */
const codeOfAddress = (): string => /^#code=(\d{8})$/.exec(window.location.hash)?.[1] ?? '';
/** Once it has been used nobody needs to see it. */
function forgetCode(): void {
  if (codeOfAddress() !== '')
    window.history.replaceState(null, '', window.location.pathname + window.location.search);
}

/** Asks for the code that the computer of the workshop shows. */
export function SignIn() {
  const [code, setCode] = useState(codeOfAddress);
  const [trouble, setTrouble] = useState('');
  const enter = (typed: string): void => {
    setTrouble('');
    enterCode(typed).then(forgetCode, (problem: unknown) => {
      setTrouble(problem instanceof Error ? problem.message : 'The code was not taken.');
    });
  };
  return (
    <main className="mx-auto grid min-h-dvh max-w-[420px] content-center gap-4 p-6">
      <h1 className="head text-[30px] font-extrabold">Apple Cart</h1>
      <p className="text-[17px] leading-snug">
        Enter the eight digits that the computer of the workshop shows, under Help.
      </p>
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          enter(code);
        }}
      >
        <input
          aria-label="Code"
          inputMode="numeric"
          autoComplete="one-time-code"
          autoFocus
          value={code}
          maxLength={11}
          className="num h-16 w-full border-2 border-ink bg-field px-3 text-center text-[32px]"
          onChange={(event) => {
            setCode(event.target.value);
          }}
        />
        <button type="submit" className="h-14 bg-ink text-[18px] font-bold text-on-ink">
          Let me in
        </button>
      </form>
      <p role="alert" className="min-h-6 text-[15px] text-stop">
        {trouble}
      </p>
      <p className="text-[13px] text-ink2">
        What is sent over this network is not encrypted. Use it in a workshop’s own network only.
      </p>
    </main>
  );
}
