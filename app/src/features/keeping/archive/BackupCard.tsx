import DatabaseBackup from 'lucide-react-native/icons/database-backup';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { localMoment } from '@slate-path/core/calendar/zone';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { post } from '../../../sync/api';
import { zoneOf } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { reasonOf, useBackups, type Backup } from './backups';
import { GoBackSheet } from './GoBackSheet';

type State = 'idle' | 'making' | 'made' | 'back' | { failed: string };

const shown = 3;

const sizeWords = (bytes: number) =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** A copy of the whole database on the server: for the day on which its disk or a hand fails. */
export function BackupCard() {
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const [backups, setBackups] = useBackups();
  const [state, setState] = useState<State>('idle');
  const [chosen, setChosen] = useState<Backup | null>(null);
  const [all, setAll] = useState(false);
  const make = async () => {
    setState('making');
    try {
      setBackups((await post(addressOf('makeBackup'))).backups);
      setState('made');
    } catch (error) {
      setState({ failed: reasonOf(error, 'No backup was made.') });
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
        The whole database as it stands, copied on the server while everybody goes on. The last ten are kept,
        and the last one of each of the last thirty days with any. You can go back to one with your own
        records; with everybody’s, whoever keeps the server does.
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
      {state === 'back' ? (
        <Words live>Your records are as they were then. What they were before is the latest backup.</Words>
      ) : null}
      {typeof state === 'object' ? (
        <Words tone="ember" live>
          {state.failed}
        </Words>
      ) : null}
      {backups?.length === 0 ? <Words tone="inkQuiet">None has been made yet.</Words> : null}
      {(backups ?? []).slice(0, all ? undefined : shown).map((backup) => (
        <View key={backup.name} style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1 }}>
            <Words figures>{whenOf(backup)}</Words>
            <Words size="small" tone="inkQuiet" figures>
              {sizeWords(backup.bytes)}
            </Words>
          </View>
          <Action
            label="Go back"
            name={`Go back to ${whenOf(backup)}`}
            onPress={() => {
              setChosen(backup);
            }}
          />
        </View>
      ))}
      {backups && backups.length > shown && !all ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={`${backups.length - shown} earlier`}
            name={`Show ${backups.length - shown} earlier backups`}
            onPress={() => {
              setAll(true);
            }}
          />
        </View>
      ) : null}
      {chosen ? (
        <GoBackSheet
          key={chosen.name}
          backup={chosen}
          when={whenOf(chosen)}
          onBack={(next) => {
            setBackups(next);
            setState('back');
            setChosen(null);
          }}
          onClose={() => {
            setChosen(null);
          }}
        />
      ) : null}
    </Card>
  );
}
