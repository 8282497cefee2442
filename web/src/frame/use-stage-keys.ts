import { useCallback, useRef } from 'react';
import { useNavigate } from 'react-router';
import { STAGE_IDS, type StageId } from '@apple-cart/core';
import { stageOfKey } from '../screens/registry.ts';
import { isTyping, useWindowKey } from '../ui/use-window-key.ts';

/** A letter counts as the second of two for so long, ms. */
const PAIR_MS = 1500;

/** Alt and a digit for the first nine; there are more stages than digits. */
const byDigit = ({ altKey, code }: KeyboardEvent): StageId | undefined =>
  altKey ? STAGE_IDS[Number(code.replace('Digit', '')) - 1] : undefined;

/** G and then a stage's own letter go to it, and so does Alt with the digits 1 to 9. */
export function useStageKeys(buildId: string | undefined): void {
  const navigate = useNavigate();
  const wentAt = useRef(-Infinity);
  useWindowKey(
    useCallback(
      (event: KeyboardEvent) => {
        if (buildId === undefined || event.ctrlKey || event.metaKey) return;
        const plain = !event.altKey && !isTyping(event.target);
        const paired = plain && event.timeStamp - wentAt.current < PAIR_MS;
        wentAt.current = plain && event.key.toLowerCase() === 'g' ? event.timeStamp : -Infinity;
        const stage = paired ? stageOfKey(event.key) : byDigit(event);
        if (stage === undefined) return;
        event.preventDefault();
        void navigate(`/builds/${buildId}/${stage}`);
      },
      [buildId, navigate],
    ),
  );
}
