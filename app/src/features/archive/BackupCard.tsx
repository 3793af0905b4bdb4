import DatabaseBackup from 'lucide-react-native/icons/database-backup';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { localMoment } from '@slate-path/core/calendar/zone';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { longDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import { ApiProblem, postJson, request } from '../records/api';
import { zoneOf } from '../records/clock';
import { useRecords } from '../records/useRecords';

interface Backup {
  name: string;
  madeAt: string;
  bytes: number;
}

type State = 'idle' | 'making' | 'made' | { failed: string };

const shown = 3;

const reasonOf = (error: unknown) => {
  if (!(error instanceof ApiProblem)) throw error;
  return error.status === 0 ? 'The server cannot be reached; no backup was made.' : error.detail;
};

const sizeWords = (bytes: number) =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** The backups on the server; null until it has answered. */
function useBackups() {
  const [backups, setBackups] = useState<Backup[] | null>(null);
  useEffect(() => {
    let isShown = true;
    const ask = async () => {
      const answer = (await (await request('/api/backups')).json()) as { backups: Backup[] };
      if (isShown) setBackups(answer.backups);
    };
    // Without the server there is nothing to list; a new backup says by itself that it cannot be reached.
    ask().catch(() => undefined);
    return () => {
      isShown = false;
    };
  }, []);
  return [backups, setBackups] as const;
}

/** A copy of the whole database on the server: for the day on which its disk or a hand fails. */
export function BackupCard() {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const [backups, setBackups] = useBackups();
  const [state, setState] = useState<State>('idle');
  const make = async () => {
    setState('making');
    try {
      setBackups((await postJson<{ backups: Backup[] }>('/api/backups', {})).backups);
      setState('made');
    } catch (error) {
      setState({ failed: reasonOf(error) });
    }
  };
  const whenOf = ({ madeAt }: Backup) => {
    const { date, time } = localMoment(Date.parse(madeAt), zone);
    return `${longDay(date)}, ${time}`;
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Backups
      </Words>
      <Words tone="inkQuiet">
        The whole database as it stands, copied on the server while everybody goes on. The last ten are kept.
        To go back to one, whoever keeps the server stops it and runs “slate restore” with its file.
      </Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label="Back up now"
          icon={DatabaseBackup}
          disabled={state === 'making'}
          onPress={() => {
            void make();
          }}
        />
      </View>
      {state === 'making' ? <Words tone="inkQuiet">Copying…</Words> : null}
      {state === 'made' ? <Words live>The backup is made.</Words> : null}
      {typeof state === 'object' ? (
        <Words tone="ember" live>
          {state.failed}
        </Words>
      ) : null}
      {backups?.length === 0 ? <Words tone="inkQuiet">None has been made yet.</Words> : null}
      {(backups ?? []).slice(0, shown).map((backup) => (
        <View key={backup.name}>
          <Words figures>{`${whenOf(backup)}, ${sizeWords(backup.bytes)}`}</Words>
          <Words size="small" tone="inkQuiet">
            {backup.name}
          </Words>
        </View>
      ))}
      {backups && backups.length > shown ? (
        <Words size="small" tone="inkQuiet" figures>{`and ${backups.length - shown} earlier`}</Words>
      ) : null}
    </Card>
  );
}
