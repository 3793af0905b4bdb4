import Check from 'lucide-react-native/icons/check';
import { useLocalSearchParams } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { foldName } from '@slate-path/core/people/names';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Field } from '../../../parts/Field';
import { useTabTitle } from '../../../parts/useTabTitle';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { ApiProblem } from '../../../sync/api';
import {
  askDoor,
  checkIn,
  sendWaiting,
  waitingFor,
  type CheckedIn,
  type DoorView,
  type Saying,
} from './phone';
import { SayingForm } from './SayingForm';

const retryMs = 4000;
/** On the tablet at the door the next one stands there already. */
const nextAfterMs = 5000;

type Now =
  | { at: 'asking' }
  | { at: 'nowhere'; words: string }
  | { at: 'names' }
  | { at: 'form'; studentId: string }
  | { at: 'kept' }
  | { at: 'in'; done: CheckedIn };

/** A student's page: find the own name, say how one is, and be here. Nothing of anybody is shown on it. */
export function StudentDoor() {
  const { token, shared } = useLocalSearchParams<{ token: string; shared?: string }>();
  const palette = usePalette();
  useTabTitle('Check in');
  const onTablet = shared === '1';
  const [door, setDoor] = useState<DoorView | null>(null);
  const [now, setNow] = useState<Now>({ at: 'asking' });
  const [problem, setProblem] = useState<string>();

  const ask = useCallback(async () => {
    try {
      setDoor(await askDoor(token));
      setNow(waitingFor(token) ? { at: 'kept' } : { at: 'names' });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      const gone = error.status === 0;
      setNow({ at: 'nowhere', words: gone ? 'There is no network at the moment. Try again.' : error.detail });
    }
  }, [token]);
  useEffect(() => void ask(), [ask]);

  // What is kept on the phone is sent as soon as it can be.
  useEffect(() => {
    if (now.at !== 'kept') return;
    const again = async () => {
      try {
        const done = await sendWaiting(token);
        if (done) setNow({ at: 'in', done });
      } catch (error) {
        if (!(error instanceof ApiProblem)) throw error;
        setProblem(error.detail);
        setNow({ at: 'names' });
      }
    };
    const timer = setInterval(() => void again(), retryMs);
    const atOnce = () => void again();
    window.addEventListener('online', atOnce);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', atOnce);
    };
  }, [now.at, token]);

  useEffect(() => {
    if (now.at !== 'in' || !onTablet) return;
    const timer = setTimeout(() => void ask(), nextAfterMs);
    return () => {
      clearTimeout(timer);
    };
  }, [now.at, onTablet, ask]);

  const say = async (saying: Saying) => {
    setProblem(undefined);
    try {
      const done = await checkIn(token, saying, onTablet);
      setNow(done ? { at: 'in', done } : { at: 'kept' });
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setProblem(error.detail);
    }
  };
  const names = () => {
    setNow({ at: 'names' });
  };
  return (
    <ScrollView style={{ flex: 1, backgroundColor: palette.ground }}>
      <View style={{ width: '100%', maxWidth: 520, alignSelf: 'center', padding: space(4), gap: space(4) }}>
        <View>
          <Words size="title" serif heading={1}>
            {door?.className ?? 'Check in'}
          </Words>
          {door ? <Words tone="inkQuiet">{doorWords(door)}</Words> : null}
        </View>
        {problem ? (
          <Words tone="ember" live>
            {problem}
          </Words>
        ) : null}
        {now.at === 'asking' ? <Words tone="inkQuiet">One moment…</Words> : null}
        {now.at === 'nowhere' ? (
          <Card style={{ gap: space(3) }}>
            <Words>{now.words}</Words>
            <Action label="Try again" onPress={() => void ask()} />
          </Card>
        ) : null}
        {now.at === 'names' && door?.open ? (
          <Names
            door={door}
            onChoose={(studentId) => {
              setNow({ at: 'form', studentId });
            }}
          />
        ) : null}
        {now.at === 'names' && door && !door.open ? (
          <Action label="Look again" onPress={() => void ask()} />
        ) : null}
        {now.at === 'form' && door ? (
          <Card>
            <SayingForm
              key={now.studentId}
              name={door.students.find(({ id }) => id === now.studentId)?.name ?? ''}
              studentId={now.studentId}
              lunchChoices={door.lunchChoices}
              busy={false}
              onSay={(saying) => void say(saying)}
              onOther={names}
            />
          </Card>
        ) : null}
        {now.at === 'kept' ? (
          <Card style={{ gap: space(2) }}>
            <Words size="large" serif heading={2}>
              Kept on this phone
            </Words>
            <Words live>
              There is no network. What you said is kept here and is sent by itself when there is one again.
              Leave this page open, and tell your teacher that you are here.
            </Words>
          </Card>
        ) : null}
        {now.at === 'in' ? <In done={now.done} onTablet={onTablet} onNext={() => void ask()} /> : null}
      </View>
    </ScrollView>
  );
}

function doorWords({ open, startsAt, closesAt, opensAt }: DoorView): string {
  if (open) return `Lesson at ${startsAt ?? ''}, check-in until ${closesAt ?? ''}`;
  return opensAt
    ? `Check-in opens at ${opensAt}.`
    : 'Check-in is closed. Tell your teacher that you are here.';
}

/** A name as one writes it in a hurry: "minjun" for Min-jun. */
const plain = (name: string) => foldName(name).replace(/[\s'-]/g, '');

function Names({ door, onChoose }: { door: DoorView; onChoose: (studentId: string) => void }) {
  const palette = usePalette();
  const [sought, setSought] = useState('');
  const found = door.students.filter(
    ({ name }) => foldName(name).includes(foldName(sought)) || plain(name).includes(plain(sought)),
  );
  return (
    <View style={{ gap: space(3) }}>
      <Field label="Find your name" value={sought} onChange={setSought} />
      <Card style={{ padding: 0 }}>
        {found.map(({ id, name }) => (
          <TouchableRipple
            key={id}
            role="button"
            aria-label={name}
            onPress={() => {
              onChoose(id);
            }}
            style={{
              minHeight: rowHeight,
              justifyContent: 'center',
              paddingHorizontal: space(4),
              borderBottomWidth: 1,
              borderColor: palette.line,
            }}
          >
            <Words size="name">{name}</Words>
          </TouchableRipple>
        ))}
        {found.length === 0 ? (
          <Words tone="inkQuiet" style={{ padding: space(4) }}>
            Nobody here is called so. Tell your teacher that you are here.
          </Words>
        ) : null}
      </Card>
    </View>
  );
}

function In({ done, onTablet, onNext }: { done: CheckedIn; onTablet: boolean; onNext: () => void }) {
  const palette = usePalette();
  return (
    <Card style={{ gap: space(3) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        <Check size={28} color={palette.slate} strokeWidth={2.4} />
        <Words size="large" serif heading={2} live>
          {`You are in, ${done.name}`}
        </Words>
      </View>
      <Words>{done.late ? `Late, ${done.at}` : done.at}</Words>
      {done.again ? (
        <Words live>
          Somebody had checked in under this name before, from another device. Your teacher sees both.
        </Words>
      ) : null}
      {done.shortened ? (
        <Words tone="inkQuiet">What you wrote was long; the first 500 characters are kept.</Words>
      ) : null}
      <Action label={onTablet ? 'Next' : 'Correct what I said'} onPress={onNext} />
    </Card>
  );
}
