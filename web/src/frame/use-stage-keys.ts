import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import { STAGE_IDS } from '@apple-cart/core';
import { useWindowKey } from '../ui/use-window-key.ts';

/** Alt+1 to Alt+7 go to a stage. */
export function useStageKeys(buildId: string | undefined): void {
  const navigate = useNavigate();
  useWindowKey(
    useCallback(
      (event: KeyboardEvent) => {
        const stage = event.altKey ? STAGE_IDS[Number(event.code.replace('Digit', '')) - 1] : undefined;
        if (stage === undefined || buildId === undefined) return;
        event.preventDefault();
        void navigate(`/builds/${buildId}/${stage}`);
      },
      [buildId, navigate],
    ),
  );
}
