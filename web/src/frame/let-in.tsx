import { Suspense, lazy, type ReactNode } from 'react';
import { useLetIn } from '../state/share.ts';

/** The computer of the workshop never asks itself for a code. */
const SignIn = lazy(() => import('./sign-in.tsx').then((m) => ({ default: m.SignIn })));

/** The application for a device that was let in, the question for the code for every other. */
export function LetIn({ children }: { children: ReactNode }) {
  const letIn = useLetIn();
  if (letIn === undefined) return <p className="p-6">Asking the server.</p>;
  return letIn ? (
    children
  ) : (
    <Suspense>
      <SignIn />
    </Suspense>
  );
}
