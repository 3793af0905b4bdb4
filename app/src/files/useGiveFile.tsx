import { useState, type ReactNode } from 'react';
import type { Address } from '@slate-path/core/api/address';
import { Action } from '../parts/Action';
import { Sheet } from '../parts/Sheet';
import { Words } from '../parts/Words';
import { ApiProblem, request } from '../sync/api';
import { saveFile } from './give';

interface Wanted {
  /** Where the server gives the file. */
  address: Address;
  /** A page to look at and print, in a tab of its own. */
  print: boolean;
}

const noServer =
  'Files are made by the server, which does not answer now. Nothing is lost. Try again when there is a network.';

/** The name that the server gave the file. */
function fileName(response: Response): string {
  const said = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '');
  return said?.[1] ?? 'slate-path';
}

/**
 * Saves files that the server makes, or shows pages; where that fails, a sheet says so and offers it again.
 * @returns the sheet is put on the page where it is used
 */
export function useGiveFile(): {
  busy: boolean;
  give: (address: Address, print?: boolean) => void;
  sheet: ReactNode;
} {
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<(Wanted & { problem: string }) | null>(null);
  const tryIt = async ({ address, print }: Wanted) => {
    setBusy(true);
    try {
      const response = await request(address);
      if (print) window.open(address, '_blank', 'noopener');
      else saveFile(await response.blob(), fileName(response));
      setFailed(null);
    } catch (error) {
      const answered = error instanceof ApiProblem && error.status !== 0;
      setFailed({ address, print, problem: answered ? error.detail : noServer });
    }
    setBusy(false);
  };
  const sheet = failed ? (
    <Sheet
      title={failed.print ? 'The page could not be made' : 'The file could not be saved'}
      onClose={() => {
        setFailed(null);
      }}
    >
      <Words live>{failed.problem}</Words>
      <Action
        label="Try again"
        kind="main"
        onPress={() => {
          void tryIt(failed);
        }}
      />
    </Sheet>
  ) : null;
  return {
    busy,
    give: (address, print = false) => {
      void tryIt({ address, print });
    },
    sheet,
  };
}
