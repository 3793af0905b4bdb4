import { useEffect, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { ApiProblem, post } from '../../../sync/api';
import type { PageToMake } from './form';

export type Preview = AnswerOf<'previewPage'>;

/** What was typed or tapped is waited for so long before the page is made anew. */
const settleMs = 400;

interface Previewing {
  /** The last that was made. */
  preview: Preview | null;
  /** It is of what stands in the form now: what is sent was seen. */
  isCurrent: boolean;
  problem: ApiProblem | null;
}

/** The page as its reader would get it, made anew whenever something of it is changed. */
export function usePreview(page: PageToMake): Previewing {
  const [shownNow, setShownNow] = useState<{ asked: string; preview: Preview } | null>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const { email: _email, ...shown } = page;
  // Until somebody has a name the page is shown all the same.
  const asked = JSON.stringify({
    ...shown,
    settings: { ...shown.settings, reader: shown.settings.reader || '…' },
  });
  useEffect(() => {
    let isLatest = true;
    const timer = setTimeout(() => {
      post(addressOf('previewPage'), JSON.parse(asked) as typeof shown).then(
        (made) => {
          if (!isLatest) return;
          setShownNow({ asked, preview: made });
          setProblem(null);
        },
        (error: unknown) => {
          if (isLatest && error instanceof ApiProblem) setProblem(error);
        },
      );
    }, settleMs);
    return () => {
      isLatest = false;
      clearTimeout(timer);
    };
  }, [asked]);
  return { preview: shownNow?.preview ?? null, isCurrent: shownNow?.asked === asked, problem };
}
