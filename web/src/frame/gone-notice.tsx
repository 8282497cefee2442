import { Notice } from '../ui/notice.tsx';

/** Another window has put away what this one has open. */
export function GoneNotice({
  word,
  onBringBack,
}: {
  readonly word: string;
  readonly onBringBack: () => void;
}) {
  return (
    <Notice kind="trouble" action={{ words: 'Bring it back', act: onBringBack }}>
      <b>This {word} was put away in another window.</b> What you typed here waits, and is kept once it is
      back.
    </Notice>
  );
}
