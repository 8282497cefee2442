import type { HoldPoint } from '@apple-cart/core';
import { Camera } from 'lucide-react';
import { useCallback, useState } from 'react';
import { api } from '../../state/api.ts';
import { keepPhoto, usePhotos, useWaitingPhotos } from '../../state/records.ts';
import { shrunk } from '../../state/shrink-photo.ts';
import type { Bench } from '../parts/use-bench.ts';

function photoWords(busy: boolean, wanted: boolean): string {
  if (busy) return 'being made smaller…';
  return wanted ? 'Photograph, wanted here' : 'Photograph';
}

const PICTURE = 'h-16 w-20 border border-rule object-cover';
const told = (number: number, of: string): string => `Photograph ${String(number)} of ${of}`;

/** A picture that lies in this browser: its address is given back once it is shown no more. */
function Waiting({ picture, alt }: { picture: Blob; alt: string }) {
  const show = useCallback(
    (image: HTMLImageElement) => {
      const address = URL.createObjectURL(picture);
      image.src = address;
      return () => {
        URL.revokeObjectURL(address);
      };
    },
    [picture],
  );
  return <img ref={show} alt={alt} className={PICTURE} />;
}

/** Pictures of a step, those that have not reached the server among them, and one more. */
export function Photographs({ bench, point }: { bench: Bench; point: HoldPoint }) {
  const [trouble, setTrouble] = useState('');
  const [busy, setBusy] = useState(false);
  const photos = usePhotos(bench.build).filter((p) => p.parent === bench.run?.key && p.step === point.key);
  const run = bench.run?.key;
  const waiting = useWaitingPhotos(bench.build).filter((p) => p.parent === run && p.step === point.key);
  return (
    <div>
      <label className="flex min-h-12 cursor-pointer items-center justify-center gap-2 border-[1.5px] border-ink bg-field px-3 text-[15px] font-semibold focus-within:outline-2 hover:bg-press">
        <Camera size={18} strokeWidth={1.6} aria-hidden />
        {photoWords(busy, point.photograph)}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file === undefined || run === undefined) return;
            setBusy(true);
            shrunk(file)
              .then((picture) => keepPhoto(bench.build, run, point.key, picture))
              .then(
                () => {
                  setTrouble('');
                },
                (problem: unknown) => {
                  setTrouble(problem instanceof Error ? problem.message : 'It could not be kept.');
                },
              )
              .finally(() => {
                setBusy(false);
              });
          }}
        />
      </label>
      {trouble !== '' && (
        <p role="alert" className="pt-1 text-[13.5px] text-stop">
          {trouble}
        </p>
      )}
      {photos.length + waiting.length > 0 && (
        <ul className="flex flex-wrap gap-1.5 pt-1.5" data-testid="photographs">
          {photos.map((p, i) => (
            <li key={p.key}>
              <a href={api.photos.address(bench.build, p.key)} target="_blank" rel="noreferrer">
                <img
                  src={api.photos.address(bench.build, p.key)}
                  alt={told(i + 1, point.title)}
                  className={PICTURE}
                />
              </a>
            </li>
          ))}
          {waiting.map((p, i) => (
            <li key={p.key} data-photo="waiting" className="relative">
              <Waiting picture={p.picture} alt={told(photos.length + i + 1, point.title)} />
              {/* On the picture: as it is sent, nothing moves that a finger aims at. */}
              <span className="absolute inset-x-px bottom-px bg-look-tint px-1 text-[11.5px] leading-[1.25] text-ink">
                not sent yet
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
