import { useLocalSearchParams, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { AnswerOf } from '@slate-path/core/api/contract';
import { many } from '@slate-path/core/words/many';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { longDay } from '../../../parts/dates';
import { Field } from '../../../parts/Field';
import { Page } from '../../../parts/Page';
import { forgetTypedWith } from '../../../parts/typed';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { ApiProblem, ask, post } from '../../../sync/api';
import { useRecords } from '../../../sync/useRecords';
import { erasedWords } from './words';

export type ErasureAnswer = AnswerOf<'erase'>;

/** What erasing a student takes away; then, the name typed out, it is done for good. */
export function EraseScreen() {
  const { studentId } = useLocalSearchParams<{ studentId: string }>();
  const student = useRecords((state) => state.current.student[studentId]);
  const [erased, setErased] = useState<ErasureAnswer | null>(null);
  if (erased) return <Erased answer={erased} />;
  return (
    <Page
      title={student ? `Erase ${displayName(student)}` : 'Erase a student'}
      tab="Erase a student"
      note="From the records, for good: this cannot be taken back"
      back={{ to: { pathname: '/students/[studentId]', params: { studentId } }, name: 'Path' }}
    >
      <Preview studentId={studentId} onErased={setErased} />
    </Page>
  );
}

function Preview({ studentId, onErased }: { studentId: string; onErased: (answer: ErasureAnswer) => void }) {
  const [answer, setAnswer] = useState<ErasureAnswer | null>(null);
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState('');
  const [working, setWorking] = useState(false);
  useEffect(() => {
    // Asked once and kept nowhere on this device.
    ask(addressOf('previewErasure', { studentId })).then(setAnswer, (error: unknown) => {
      setProblem(error instanceof ApiProblem ? error.detail : String(error));
    });
  }, [studentId]);
  if (!answer)
    return (
      <Words tone={problem === '' ? 'inkQuiet' : 'ember'} live>
        {problem === '' ? 'Looking up what there is…' : `${problem} Erasing needs the server.`}
      </Words>
    );
  const erase = async () => {
    setWorking(true);
    setProblem('');
    try {
      onErased(await post(addressOf('erase', { studentId }), { name: typed }));
      forgetTypedWith(studentId);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(
        error.status === 0 ? 'The server does not answer. Nothing was erased; try again.' : error.detail,
      );
    } finally {
      setWorking(false);
    }
  };
  return (
    <>
      <Card style={{ gap: space(2), maxWidth: 640 }}>
        <Words bold heading={2}>
          What goes
        </Words>
        {answer.gone.map((line) => (
          <Words key={line.table} figures>{`${line.count} ${erasedWords(line)}`}</Words>
        ))}
        {answer.letters > 0 ? (
          <Words figures>{`${many(answer.letters, 'copy', 'copies')} of messages in the outbox`}</Words>
        ) : null}
        <Words figures>{`${answer.lines} lines of the log are cleaned, and the search index.`}</Words>
      </Card>
      <Card style={{ gap: space(2), maxWidth: 640 }}>
        <Words bold heading={2}>
          What stays, without the name
        </Words>
        {answer.cleaned.length === 0 ? <Words tone="inkQuiet">Nothing else has the name in it.</Words> : null}
        {answer.cleaned.map((line) => (
          <Words key={line.table} figures>{`${line.count} ${erasedWords(line)} of others`}</Words>
        ))}
        {answer.shared.length > 0 ? (
          <Words tone="inkQuiet">
            {`Others are called ${answer.shared.join(', ')} too: where that stands alone in a text and nobody said who is meant, it stays.`}
          </Words>
        ) : null}
        <Words tone="inkQuiet">
          {`${backupsWords(answer)} Other devices of yours forget it when they next reach the server.`}
        </Words>
      </Card>
      <View style={{ gap: space(3), maxWidth: 640 }}>
        <Field
          label={`Type ${answer.name} to erase everything about this student`}
          value={typed}
          error={problem === '' ? undefined : problem}
          onChange={setTyped}
        />
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={working ? 'Erasing…' : 'Erase for good'}
            kind="main"
            disabled={working || typed.trim() !== answer.name}
            onPress={() => void erase()}
          />
        </View>
      </View>
    </>
  );
}

/** What still has everything, so that nobody believes it gone. */
function backupsWords({ backups, lastBackup }: ErasureAnswer): string {
  const files = 'Files that you saved and archives have everything still.';
  if (lastBackup === null) return `This server has no backups. ${files}`;
  const since = `the last of ${longDay(lastBackup.slice(0, 10))}`;
  return `${many(backups, 'backup')} on this server, ${since}, still ${backups === 1 ? 'has' : 'have'} everything: going back to one brings the student back. Each goes when newer ones replace it, or when whoever keeps the server deletes it from the folder “backups”. ${files}`;
}

function Erased({ answer }: { answer: ErasureAnswer }) {
  const router = useRouter();
  const count = answer.gone.reduce((sum, line) => sum + line.count, 0);
  return (
    <Page title="Erased" back={{ to: '/people', name: 'People' }}>
      <Words>
        {answer.unfinished
          ? `${many(count, 'record')} are gone. Traces of them are left in free space of the server’s file, where no page shows them: there was no room to pack it. The server tries again every minute, until it is done.`
          : `${many(count, 'record')} are gone, ${many(answer.lines, 'line')} of the log were cleaned. The name is in no record, log or index of this server any more.`}
      </Words>
      <Words>{backupsWords(answer)}</Words>
      <View style={{ alignItems: 'flex-start' }}>
        <Action
          label="To the classes"
          kind="main"
          onPress={() => {
            router.replace('/people');
          }}
        />
      </View>
    </Page>
  );
}
