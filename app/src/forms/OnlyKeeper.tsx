import type { ReactNode } from 'react';
import { Words } from '../parts/Words';
import { useAccount } from '../sync/account';

/** What is changed for the whole school: shown to its keeper; others read who does it. */
export function OnlyKeeper({ children }: { children: ReactNode }) {
  const isKeeper = useAccount((account) => account.isKeeper);
  if (isKeeper) return children;
  return (
    <Words size="small" tone="inkQuiet">
      This is the whole school’s, so its keeper changes it.
    </Words>
  );
}
