import { useQuery } from '@tanstack/react-query';
import { toString as qrOf } from 'qrcode';
import { useState } from 'react';
import { api } from '../state/api.ts';
import { refresh } from '../state/query-client.ts';
import { isHere, leave } from '../state/share.ts';
import { Button } from '../ui/button.tsx';
import { TextButton } from '../ui/text-button.tsx';

const KEY = ['share'] as const;
const seen = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

interface Shown {
  readonly code: string;
  readonly until: string;
  readonly svg: string;
}

/** A code, once, with its picture for a camera; the devices that were let in. */
function AtTheComputer() {
  const { data } = useQuery({ queryKey: KEY, queryFn: () => api.share.state() });
  const [shown, setShown] = useState<Shown>();
  const [trouble, setTrouble] = useState('');
  if (data === undefined) return <p role="status">Asking the server.</p>;
  if (!data.on)
    return (
      <p className="py-1.5 leading-snug">
        Off: nothing but this computer reaches it. Started with{' '}
        <span className="num">npm run demo -- --share</span> it lets other devices of the local network in,
        each by a code.
      </p>
    );
  const [address] = data.addresses;
  const ask = async (): Promise<void> => {
    const { code, until } = await api.share.newCode();
    const svg = await qrOf(`${address ?? ''}#code=${code}`, { type: 'svg', margin: 1 });
    setShown({ code, until, svg });
  };
  const signOut = async (id: string): Promise<void> => {
    await api.share.signOut(id);
    await refresh(KEY);
  };
  /** Does it, and says so where it cannot be done. */
  const act = (what: Promise<void>, otherwise: string): void => {
    what.then(
      () => {
        setTrouble('');
      },
      (problem: unknown) => {
        setTrouble(problem instanceof Error ? problem.message : otherwise);
      },
    );
  };
  return (
    <div className="grid gap-2 py-1.5">
      <p>
        {data.addresses.length === 0
          ? 'This computer is in no network.'
          : `On the tablet: ${data.addresses.join(' or ')}`}
      </p>
      <p>
        <Button
          disabled={address === undefined}
          onClick={() => {
            act(ask(), 'No code was given.');
          }}
        >
          {shown === undefined ? 'Show a code' : 'Another code'}
        </Button>
      </p>
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
      {shown !== undefined && (
        <div className="flex items-center gap-4" data-testid="share-code">
          <img
            src={`data:image/svg+xml,${encodeURIComponent(shown.svg)}`}
            alt="The address with the code, for a camera"
            className="size-36 border border-rule bg-white"
          />
          <p>
            <b className="num block text-[26px]">{`${shown.code.slice(0, 4)} ${shown.code.slice(4)}`}</b>
            for one device, until {seen.format(new Date(shown.until))}
          </p>
        </div>
      )}
      {data.devices.length > 0 && (
        <ul>
          {data.devices.map((d) => (
            <li key={d.id} className="flex items-center gap-3 border-b border-hair py-1 text-[13px]">
              <span className="min-w-0 flex-1 truncate" title={d.name}>
                {d.address}, seen {seen.format(new Date(d.seen))}
              </span>
              <TextButton
                onClick={() => {
                  act(signOut(d.id), 'It is not signed out.');
                }}
              >
                Sign out
              </TextButton>
            </li>
          ))}
        </ul>
      )}
      <p className="text-[12.5px] text-ink2">
        A code keeps strangers of the network out; it does not hide what is sent: that is not encrypted.
        Behind a reverse proxy with TLS it is; the handbook says how.
      </p>
    </div>
  );
}

/** Another device of the network: how it is let in, or that it was. */
export function ShareLine() {
  return isHere ? (
    <AtTheComputer />
  ) : (
    <p className="flex items-center gap-3 py-1.5">
      This device was let in by a code.
      <TextButton
        onClick={() => {
          void leave();
        }}
      >
        Sign this device out
      </TextButton>
    </p>
  );
}
