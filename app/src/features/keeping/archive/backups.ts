import { useEffect, useState } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { ApiProblem, ask } from '../../../sync/api';

/** A copy of the whole database on the server. */
export type Backup = AnswerOf<'backups'>['backups'][number];

/** Why the server did not do it. @param kept what became of it, where it could not be reached @throws what is no answer */
export function reasonOf(error: unknown, kept: string): string {
  if (!(error instanceof ApiProblem)) throw error;
  return error.status === 0 ? `The server cannot be reached. ${kept}` : error.detail;
}

/** The backups on the server; null until it has answered. */
export function useBackups() {
  const [backups, setBackups] = useState<Backup[] | null>(null);
  useEffect(() => {
    let isShown = true;
    // Without the server there is nothing to list; a new backup says by itself that it cannot be reached.
    ask(addressOf('backups')).then(
      (answer) => {
        if (isShown) setBackups(answer.backups);
      },
      () => undefined,
    );
    return () => {
      isShown = false;
    };
  }, []);
  return [backups, setBackups] as const;
}
