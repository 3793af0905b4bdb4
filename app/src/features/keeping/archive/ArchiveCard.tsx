import type { AnswerOf, Given } from '@slate-path/core/api/contract';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import Download from 'lucide-react-native/icons/download';
import FileUp from 'lucide-react-native/icons/file-up';
import Undo2 from 'lucide-react-native/icons/undo-2';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { space } from '../../../theme/tokens';
import { FileAction } from '../../../files/FileAction';
import { ApiProblem, postFile } from '../../../sync/api';
import { takeBackThere } from '../../../sync/outbox';
import { renewViews } from '../../../sync/views';
import { Bringing } from './Bringing';

type Reading = AnswerOf<'readArchive'>;

type OfErased = Given<'bringArchive', 'query'>['erased'];

type State =
  | { step: 'idle' }
  | { step: 'reading' | 'bringing' }
  | { step: 'read'; file: File; reading: Reading }
  | { step: 'brought'; records: number; changeIds: string[] }
  | { step: 'takenBack' }
  | { step: 'failed'; reason: string };

const reasonOf = (error: unknown) => {
  if (error instanceof ApiProblem)
    return error.status === 0 ? 'The server cannot be reached; nothing was brought in.' : error.detail;
  throw error;
};

/** What a file holds, and what is wrong with it, before anything is brought in. */
function ReadingWords({ reading, onBring }: { reading: Reading; onBring: (erased?: OfErased) => void }) {
  const { counts, errors, notes, erased } = reading;
  return (
    <View style={{ gap: space(1) }} aria-live="polite">
      {counts.map(({ file, rows }) => (
        <Words key={file} tone="inkQuiet" figures>
          {`${file}: ${rows} ${rows === 1 ? 'row' : 'rows'}`}
        </Words>
      ))}
      {notes.map((note) => (
        <Words key={note} tone="inkQuiet">
          {note}
        </Words>
      ))}
      {errors.length > 0 ? <Words bold>With these errors nothing of it is brought in:</Words> : null}
      {errors.slice(0, 20).map((error) => (
        <Words key={error} tone="ember">
          {error}
        </Words>
      ))}
      {errors.length === 0 && erased === 0 ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="Bring it in"
            kind="main"
            onPress={() => {
              onBring();
            }}
          />
        </View>
      ) : null}
      {errors.length === 0 && erased > 0 ? <AboutErased count={erased} onBring={onBring} /> : null}
    </View>
  );
}

/** Who was erased here would come back with the archive: that is asked, not done. */
function AboutErased({ count, onBring }: { count: number; onBring: (erased: OfErased) => void }) {
  return (
    <View style={{ gap: space(2) }}>
      <Words bold>
        {count === 1 ? 'One student in it was erased here.' : `${count} students in it were erased here.`}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label={count === 1 ? 'Bring it in without this student' : 'Bring it in without them'}
          kind="main"
          onPress={() => {
            onBring('leaveOut');
          }}
        />
        <Action
          label={count === 1 ? 'With this student again' : 'With them again'}
          onPress={() => {
            onBring('bringBack');
          }}
        />
      </View>
    </View>
  );
}

/** What was brought in, and the way back. */
function Brought({ records, onTakeBack }: { records: number; onTakeBack: () => void }) {
  return (
    <View style={{ gap: space(2), alignItems: 'flex-start' }}>
      <Words live>{`${many(records, 'record')} read in. What was here already stayed as it was.`}</Words>
      <Action label="Take it all back" icon={Undo2} onPress={onTakeBack} />
    </View>
  );
}

/** Everything out as an archive, and an archive in. */
export function ArchiveCard() {
  const picker = useRef<HTMLInputElement>(null);
  const [state, setState] = useState<State>({ step: 'idle' });
  const read = async (file: File) => {
    setState({ step: 'reading' });
    try {
      setState({ step: 'read', file, reading: await postFile(addressOf('readArchive'), file) });
    } catch (error) {
      setState({ step: 'failed', reason: reasonOf(error) });
    }
  };
  const bring = async (file: File, erased?: OfErased) => {
    setState({ step: 'bringing' });
    try {
      const brought = await postFile(addressOf('bringArchive', { erased }), file);
      setState({ step: 'brought', ...brought });
      renewViews();
    } catch (error) {
      setState({ step: 'failed', reason: reasonOf(error) });
    }
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        Everything, as a file
      </Words>
      <Words tone="inkQuiet">
        One zip of plain tables that any program reads, and that brings all of it back here or in another
        place. Keep it where children’s records may be kept.
      </Words>
      <input
        ref={picker}
        type="file"
        aria-label="Archive"
        data-testid="archive-file"
        accept=".zip"
        style={{ display: 'none' }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void read(file);
        }}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <FileAction label="Save everything" icon={Download} address={addressOf('archive')} />
        <Action label="Bring an archive" icon={FileUp} onPress={() => picker.current?.click()} />
      </View>
      {state.step === 'reading' ? <Words tone="inkQuiet">Reading the file…</Words> : null}
      {state.step === 'bringing' ? <Bringing /> : null}
      {state.step === 'read' ? (
        <ReadingWords
          reading={state.reading}
          onBring={(erased) => {
            void bring(state.file, erased);
          }}
        />
      ) : null}
      {state.step === 'brought' ? (
        <Brought
          records={state.records}
          onTakeBack={() => {
            state.changeIds.forEach(takeBackThere);
            setState({ step: 'takenBack' });
          }}
        />
      ) : null}
      {state.step === 'takenBack' ? (
        <Words live>Taken back: what came with the archive is away again, what was here is as it was.</Words>
      ) : null}
      {state.step === 'failed' ? (
        <Words tone="ember" live>
          {state.reason}
        </Words>
      ) : null}
    </Card>
  );
}
