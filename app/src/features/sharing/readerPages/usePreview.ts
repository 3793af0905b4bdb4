import { useEffect, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { ApiProblem, post } from '../../../sync/api';
import type { PageToMake } from './form';

export type Preview = AnswerOf<'previewPage'>;

/** What was typed or tapped is waited for so long before the page is made anew. */
const settleMs = 400;

/** The page as its reader would get it, made anew whenever something of it is changed. */
export function usePreview(page: PageToMake): { preview: Preview | null; problem: ApiProblem | null } {
  const [preview, setPreview] = useState<Preview | null>(null);
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
          setPreview(made);
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
  return { preview, problem };
}
