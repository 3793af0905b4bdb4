import Send from 'lucide-react-native/icons/send';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { listed } from '@slate-path/core/words/listed';
import { many } from '@slate-path/core/words/many';
import { contactTones, toneNames, type ContactTone } from '@slate-path/core/contact/tones';
import { blankNames, blanksIn, fillBlanks, unknownBlanks } from '@slate-path/core/phrases/blanks';
import { readersOf, type Reader } from '@slate-path/core/people/messages/readers';
import { displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Message } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { monthName } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Field } from '../../../parts/Field';
import { Page } from '../../../parts/Page';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { forgetTyped } from '../../../parts/typed';
import { Typing } from '../../../parts/Typing';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { useAllLessons } from '../../attendance/lesson/lessons';
import { useAccount } from '../../../sync/account';
import { now as presentMoment, useNow } from '../../../sync/clock';
import { makeChange, newId } from '../../../sync/outbox';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useTicksOwed } from '../../ticks/useTicksOwed';
import { useOwed } from '../../work/useOwed';
import { audiencesOf, type Asked } from './audiences';
import { CopyAddresses } from './CopyAddresses';
import { ReaderList } from './ReaderList';
import { templateFor } from './templates';
import { useMembers } from '../../phrases/members';
import { PhraseButton } from '../../phrases/PhraseButton';
import { useAsked } from '../../phrases/useBlankValues';
import { valuesFor } from '../../phrases/valuesFor';

const readers: { value: Message['toWhom']; label: string }[] = [
  { value: 'student', label: 'To the students' },
  { value: 'guardians', label: 'To their guardians' },
];

/** A message written once, with each one's own name and dates in it; or their addresses, to write elsewhere. */
export function WriteScreen() {
  const params = useLocalSearchParams<{
    lessonId?: string;
    sectionId?: string;
    owes?: string;
    column?: string;
    studentId?: string;
  }>();
  const now = useNow();
  const lesson = useAllLessons().find(({ id }) => id === params.lessonId);
  const sectionId = lesson?.sectionId ?? params.sectionId ?? '';
  const date = lesson?.date ?? now.date;
  const section = useRecords((state) => state.current.section[sectionId]);
  const month = useView(addressOf('month', { sectionId, month: date.slice(0, 7) }));
  const asking = useAsking('for the month, to say who was away how often');
  const offline = useRecords((state) => state.connection === 'offline');
  const outbox = useView(addressOf('outbox'));
  if (!section)
    return (
      <Page title="Write" back={{ to: '/people', name: 'All classes' }}>
        <Empty title="Whom about?">Open a lesson or a class, and write from there.</Empty>
      </Page>
    );
  if (month.state === 'loading' && !offline)
    return (
      <Page
        title={`Write, ${section.name}`}
        back={{ to: { pathname: '/classes/[sectionId]', params: { sectionId } }, name: 'Back to the class' }}
      >
        <Words tone="inkQuiet">{asking}</Words>
      </Page>
    );
  return (
    <Write
      key={`${sectionId} ${date}`}
      className={section.name}
      sectionId={sectionId}
      date={date}
      lesson={lesson}
      unsure={month.state === 'loading'}
      aboutWork={params.owes !== undefined}
      ticks={params.owes === 'ticks' ? (params.column ?? '') : null}
      studentId={params.studentId}
      isSent={outbox.answer?.isSent ?? true}
    />
  );
}

interface WriteProps extends Omit<Asked, 'times'> {
  className: string;
  /** The month is not known on this device as a whole. */
  unsure: boolean;
  /** To those who owe work. */
  aboutWork: boolean;
  /** To this one alone. */
  studentId: string | undefined;
  /** Whether a mail server is set up. */
  isSent: boolean;
}

function Write(props: WriteProps) {
  const { className, sectionId, date, lesson, unsure, aboutWork, ticks, studentId, isSent } = props;
  const wide = useWide();
  const router = useRouter();
  const { teacherName } = useAccount();
  const current = useRecords((state) => state.current);
  const [typedTimes, setTypedTimes] = useState('3');
  const times = Math.max(1, Math.round(Number(typedTimes)) || 1);
  const [written, setWritten] = useState<Record<string, { subject: string; body: string }>>({});
  const asksWork = Object.values(written).some(({ subject, body }) =>
    blanksIn(`${subject} ${body}`).includes('work'),
  );
  const ofWork = useOwed(sectionId, ticks === null && (aboutWork || asksWork));
  const ofTicks = useTicksOwed(sectionId, ticks || undefined, ticks !== null);
  const owed = ticks === null ? ofWork : ofTicks;
  const places = useMemo(() => [{ sectionId, date, lesson }], [sectionId, date, lesson]);
  const all = useMembers(places, owed);
  const members = studentId === undefined ? all : all.filter(({ student }) => student.id === studentId);
  const audiences = audiencesOf(members, { sectionId, date, lesson, times, ticks }).filter(
    ({ value }) => aboutWork || value !== 'owes',
  );
  const [chosen, setChosen] = useState<string>();
  const audience = audiences.find(({ value }) => value === chosen) ?? audiences[0];
  const [toWhom, setToWhom] = useState<Message['toWhom']>('student');
  const group = audience?.group ?? 'everyone';
  const template = templateFor(group, toWhom, teacherName);
  const textKey = `${group} ${toWhom}`;
  const form = `message ${sectionId} ${date} ${textKey}`;
  const text = written[textKey] ?? template;
  const [decided, setDecided] = useState<Record<string, boolean>>({});
  const [together, setTogether] = useState(false);
  const [toned, setTone] = useState<ContactTone | null>(null);
  const [sent, setSent] = useState(0);
  const people = readersOf(
    audience?.members.map(({ student }) => student) ?? [],
    listOf(current, 'guardian'),
    listOf(current, 'message'),
    { toWhom, occasion: audience?.occasion ?? '' },
  );
  const keyOf = ({ student }: Reader) => `${audience?.occasion ?? ''} ${toWhom} ${student.id}`;
  // Who was written to about this already is left out, unless it is said otherwise.
  const isIn = (reader: Reader) => reader.addresses.length > 0 && (decided[keyOf(reader)] ?? !reader.before);
  const filled = (reader: Reader) => {
    const member = audience?.members.find(({ student }) => student.id === reader.student.id);
    const values = member ? valuesFor(current, member) : {};
    const subject = fillBlanks(text.subject, values);
    const body = fillBlanks(text.body, values);
    return {
      ...{ subject: subject.text.slice(0, 200), body: body.text.slice(0, 5000) },
      missing: [...new Set([...subject.missing, ...body.missing])],
    };
  };
  // Who is away, or owes work, is written to about a worry, unless it is said otherwise.
  const tone = toned ?? (group === 'everyone' ? 'neutral' : 'worry');
  const ticked = people.filter(isIn);
  const going = ticked.filter((reader) => filled(reader).missing.length === 0);
  const unfilled = ticked.filter((reader) => !going.includes(reader));
  useAsked(null, blanksIn(`${text.subject} ${text.body}`));
  const unknown = unknownBlanks(`${text.subject} ${text.body}`);
  const empty = text.subject.trim() === '' || text.body.trim() === '';
  const first = going[0];
  const preview = first ? filled(first) : null;
  const send = () => {
    const noticeId = newId();
    const writtenAt = new Date(presentMoment()).toISOString();
    const messages = going.map((reader) => ({
      id: newId(),
      noticeId,
      studentId: reader.student.id,
      occasion: audience?.occasion ?? '',
      reason: `${audience?.reason ?? ''}, ${className}`.slice(0, 200),
      toWhom,
      addresses: reader.addresses.slice(0, 8),
      subject: filled(reader).subject,
      body: filled(reader).body,
      writtenAt,
      notBefore: null,
      showsAddresses: toWhom === 'guardians' && together,
      tone,
    }));
    makeChange('message.send', { messages }, 'outbox');
    forgetTyped(form);
    setSent(messages.length);
    setDecided({});
  };
  const edit = (part: 'subject' | 'body') => (value: string) => {
    setWritten((last) => ({ ...last, [textKey]: { ...(last[textKey] ?? text), [part]: value } }));
  };
  const whom = (
    <>
      <Choice name="To whom" value={audience?.value ?? ''} options={audiences} onChange={setChosen} />
      {audience?.value === 'times' ? (
        <Field
          label={`Away so many times in ${monthName(date.slice(0, 7))}, or more`}
          value={typedTimes}
          onChange={setTypedTimes}
          keyboard="numeric"
          width={320}
        />
      ) : null}
      <Choice name="Readers" value={toWhom} options={readers} onChange={setToWhom} />
      <ReaderList
        people={people}
        isIn={isIn}
        onDecide={(reader, decision) => {
          setDecided({ ...decided, [keyOf(reader)]: decision });
        }}
      />
      {toWhom === 'guardians' && going.some(({ addresses }) => addresses.length > 1) ? (
        <TickRow
          name="Guardians of one student see each other’s address"
          ticked={together}
          onChange={setTogether}
        >
          <Words>Guardians of one student see each other’s address</Words>
        </TickRow>
      ) : null}
      <CopyAddresses addresses={going.flatMap((reader) => reader.addresses)} />
    </>
  );
  const letter = (
    <Card style={{ gap: space(3) }}>
      <Typing key={form} about={form}>
        <Field label="Subject" value={text.subject} onChange={edit('subject')} />
        <Field
          label="Message"
          value={text.body}
          onChange={edit('body')}
          multiline
          end={<PhraseButton about={null} text={text.body} onChange={edit('body')} />}
          hint={`Blanks are filled for each one: ${blankNames.map((name) => `{${name}}`).join(' ')}`}
        />
      </Typing>
      {unknown.length > 0 ? (
        <Words
          tone="ember"
          live
        >{`Nothing fills {${unknown.join('}, {')}}. Correct it before sending.`}</Words>
      ) : null}
      {unfilled.length > 0 && unknown.length === 0 ? (
        <Words tone="ember" live>
          {`Left out, for nothing fills {${[...new Set(unfilled.flatMap((one) => filled(one).missing))].join('}, {')}}: ${listed(unfilled.map(({ student }) => displayName(student)))}.`}
        </Words>
      ) : null}
      {first && preview && unknown.length === 0 ? (
        <View style={{ gap: space(1) }} testID="preview">
          <Words size="small" tone="inkQuiet">{`As ${displayName(first.student)} will read it`}</Words>
          <Words bold>{preview.subject}</Words>
          <Words>{preview.body}</Words>
        </View>
      ) : null}
      {sent > 0 ? (
        <Words bold live>{`${sent === 1 ? '1 message is' : `${sent} messages are`} in the outbox.`}</Words>
      ) : null}
      {toWhom === 'guardians' ? (
        <Choice
          name="What home hears"
          value={tone}
          options={contactTones.map((value) => ({ value, label: toneNames[value] }))}
          onChange={setTone}
        />
      ) : null}
      {isSent ? null : (
        <Words tone="inkQuiet">
          No mail server is set up: letters are kept in the outbox, and go nowhere. Copy the addresses, or
          open a letter there in your mail program.
        </Words>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label={`${isSent ? 'Send' : 'Keep'} ${many(going.length, 'message')}`}
          kind="main"
          icon={Send}
          disabled={going.length === 0 || unknown.length > 0 || empty}
          onPress={send}
        />
        <Action
          label="To the outbox"
          onPress={() => {
            router.push('/desk/outbox');
          }}
        />
      </View>
    </Card>
  );
  const back = lesson
    ? {
        to: { pathname: '/lessons/[lessonId]' as const, params: { lessonId: lesson.id } },
        name: 'Back to the lesson',
      }
    : { to: { pathname: '/classes/[sectionId]' as const, params: { sectionId } }, name: 'Back to the class' };
  return (
    <Page title={`Write, ${className}`} note="Once, with each one’s own name and dates in it" back={back}>
      {unsure ? (
        <Words tone="inkQuiet" live>
          There is no connection: who was away how often is counted from what this device knows.
        </Words>
      ) : null}
      {wide ? (
        <View style={{ flexDirection: 'row', gap: space(5), alignItems: 'flex-start' }}>
          <View style={{ flex: 1, gap: space(4) }}>{whom}</View>
          <View style={{ flex: 1 }}>{letter}</View>
        </View>
      ) : (
        <>
          {whom}
          {letter}
        </>
      )}
    </Page>
  );
}
