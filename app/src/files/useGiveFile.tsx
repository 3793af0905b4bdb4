import { useRef, useState, type ReactNode } from 'react';
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
  print?: boolean;
  /** What it is made of, where that does not go into an address. */
  body?: unknown;
  /** The file is here. */
  onGiven?: () => void;
}

const noServer =
  'Files are made by the server, which does not answer now. Nothing is lost. Try again when there is a network.';

/** The name that the server gave the file. */
function fileName(response: Response): string {
  const said = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '');
  return said?.[1] ?? 'slate-path';
}

function ask({ address, body }: Wanted, signal: AbortSignal): Promise<Response> {
  if (body === undefined) return request(address, { signal });
  const headers = { 'Content-Type': 'application/json' };
  return request(address, { method: 'POST', headers, body: JSON.stringify(body), signal });
}

/**
 * Saves files that the server makes, or shows pages; where that fails, a sheet says so and offers it again.
 * @returns the sheet is put on the page where it is used; `stop` gives up what is being made
 */
export function useGiveFile(): {
  busy: boolean;
  give: (address: Address, print?: boolean) => void;
  giveMade: (wanted: Wanted) => void;
  stop: () => void;
  sheet: ReactNode;
} {
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<(Wanted & { problem: string }) | null>(null);
  const making = useRef<AbortController | null>(null);
  const tryIt = async (wanted: Wanted) => {
    const controller = new AbortController();
    making.current = controller;
    setBusy(true);
    try {
      const response = await ask(wanted, controller.signal);
      if (wanted.print) window.open(wanted.address, '_blank', 'noopener');
      else saveFile(await response.blob(), fileName(response));
      setFailed(null);
      wanted.onGiven?.();
    } catch (error) {
      const answered = error instanceof ApiProblem && error.status !== 0;
      if (!controller.signal.aborted)
        setFailed({ ...wanted, problem: answered ? (error.errors[0]?.message ?? error.detail) : noServer });
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
    giveMade: (wanted) => {
      void tryIt(wanted);
    },
    stop: () => {
      making.current?.abort();
    },
    sheet,
  };
}
