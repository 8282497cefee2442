import { MoreHorizontal } from 'lucide-react';
import { Link } from 'react-router';
import type { ComponentType } from 'react';
import type { BuildDocument } from '@apple-cart/core';
import { copyBuild, type StoredBuild } from '../state/builds.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { downloadBuild } from '../files/download.ts';
import { Menu, MenuItem } from '../ui/menu.tsx';
import { pictureHeight } from './card-picture.ts';

const CUT = '[clip-path:polygon(0_0,calc(100%-20px)_0,100%_20px,100%_100%,0_100%)]';

interface Props {
  readonly build: StoredBuild;
  /** What judges the card; undefined until it and the rule book have come. */
  readonly Verdict: ComponentType<{ readonly id: string; readonly document: BuildDocument }> | undefined;
  readonly onPutAway: () => void;
}

/** One build: name, drawing, what it needs, three figures and the state of its stages. */
export function BuildCard({ build, Verdict, onPutAway }: Props) {
  const [trouble, attempt] = useAttempt();
  const { document } = build;
  const copy = (): void => {
    void attempt(async () => {
      await copyBuild(document);
    });
  };
  return (
    <article className={`relative bg-ink p-[1.5px] ${CUT}`} data-build={document.name}>
      <div className={`relative flex h-full flex-col bg-sheet px-4 pt-3 pb-3 ${CUT}`}>
        <Link
          to={`/builds/${build.id}/brief`}
          className="absolute inset-0 z-0 hover:bg-press"
          aria-label={`Open ${document.name}`}
        />
        <div className="pointer-events-none relative flex h-full flex-col">
          <div className="flex items-baseline justify-between gap-3 pr-11">
            <h2 className="head truncate text-[20px]">{document.name}</h2>
            <span className="num text-[13px] text-ink2">{document.job}</span>
          </div>
          <p className="min-h-[19px] truncate text-[13px] text-ink2">{document.summary}</p>
          {trouble !== undefined && (
            <p role="alert" className="pt-1.5 text-[13px] text-stop">
              {trouble}
            </p>
          )}
          {Verdict === undefined ? (
            <p
              className="grid place-items-center text-[13px] text-ink2"
              style={{ minHeight: pictureHeight(document) + 92 }}
            >
              Working it out…
            </p>
          ) : (
            <Verdict id={build.id} document={document} />
          )}
        </div>
        <span className="absolute top-2 right-5">
          <Menu
            align="end"
            trigger={
              <button
                type="button"
                aria-label={`More about ${document.name}`}
                className="grid size-9 place-items-center hover:bg-press max-bench:size-11"
              >
                <MoreHorizontal size={18} strokeWidth={1.6} aria-hidden />
              </button>
            }
          >
            <MenuItem onSelect={copy}>Make a copy</MenuItem>
            <MenuItem
              onSelect={() => {
                downloadBuild(document);
              }}
            >
              Save as a file (JSON)
            </MenuItem>
            <MenuItem onSelect={onPutAway}>Put away</MenuItem>
          </Menu>
        </span>
      </div>
    </article>
  );
}
