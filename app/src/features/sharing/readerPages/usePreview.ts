import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { post, type ApiProblem } from '../../../sync/api';
import { useSettled } from '../useSettled';
import type { PageToMake } from './form';

export type Preview = AnswerOf<'previewPage'>;

interface Previewing {
  /** The last that was made. */
  preview: Preview | null;
  /** It is of what stands in the form now: what is sent was seen. */
  isCurrent: boolean;
  problem: ApiProblem | null;
}

/** The page as its reader would get it, made anew whenever something of it is changed. */
export function usePreview(page: PageToMake): Previewing {
  const { email: _email, ...shown } = page;
  // Until somebody has a name the page is shown all the same.
  const asked = JSON.stringify({
    ...shown,
    settings: { ...shown.settings, reader: shown.settings.reader || '…' },
  });
  const { answer, ...rest } = useSettled(asked, (text) =>
    post(addressOf('previewPage'), JSON.parse(text) as typeof shown),
  );
  return { preview: answer, ...rest };
}
