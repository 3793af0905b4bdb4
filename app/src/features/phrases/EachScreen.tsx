import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { blanksIn, unknownBlanks, type BlankName } from '@slate-path/core/phrases/blanks';
import type { ContactTone } from '@slate-path/core/contact/tones';
import { shortName } from '@slate-path/core/people/names';
import { listed } from '@slate-path/core/words/listed';
import { many } from '@slate-path/core/words/many';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { SeveralOf } from '../../parts/SeveralOf';
import { forgetTyped } from '../../parts/typed';
import { Typing } from '../../parts/Typing';
import { Words } from '../../parts/Words';
import { useAccount } from '../../sync/account';
import { useNow } from '../../sync/clock';
import { useSections } from '../../sync/sections';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useAllLessons } from '../attendance/lesson/lessons';
import { useReader } from '../notes/useReader';
import { useLevelNames } from '../observation/sweep/sweeping';
import { useOwedIn } from '../work/useOwed';
import { AskOf } from './AskOf';
import { ChooseBoard } from './ChooseBoard';
import { goes, keepNotes, linesOf, tellHome } from './each';
import { groupsOf, lessonBeside } from './groups';
import { LineCard } from './LineCard';
import { useMembers, type Place } from './members';
import { markUsed } from './offers';
import { SentenceCard, type Sentenced } from './SentenceCard';
import { TellCard } from './TellCard';

/** The first group of a lesson that somebody may want to write about. */
const usual = 'level0';
const nothing: Sentenced = { text: '', words: '', phraseId: null };

/** What home hears of those of a group, unless somebody says otherwise. */
function toneOf(group: string | undefined): ContactTone {
  if (group === 'level3') return 'good';
  return group === 'level0' || group === 'away' || group === 'owes' ? 'worry' : 'neutral';
}

/** One sentence to each of several students, with each one's own name and figures in it. */
export function EachScreen() {
  const params = useLocalSearchParams<{ lessonId?: string; sectionId?: string; group?: string }>();
  const lessons = useAllLessons();
  const sections = useRecords((state) => state.current.section);
  const now = useNow();
  const lesson = lessons.find(({ id }) => id === params.lessonId);
  const sectionId = lesson?.sectionId ?? params.sectionId ?? '';
  const date = lesson?.date ?? now.date;
  const first = useMemo(() => ({ sectionId, date, lesson }), [sectionId, date, lesson]);
  if (!sections[sectionId])
    return (
      <Page title="A sentence to each" back={{ to: '/people', name: 'All classes' }}>
        <Empty title="Whom about?">Open a lesson or a class, and write from there.</Empty>
      </Page>
    );
  return <Each key={`${sectionId} ${params.lessonId}`} first={first} asked={params.group ?? usual} />;
}

/** The classes that are written about together, each in its lesson. */
function usePlaces(first: Place, sectionIds: ReadonlySet<string>): Place[] {
  const lessons = useAllLessons();
  return useMemo(
    () =>
      [...sectionIds].map((sectionId) => {
        if (sectionId === first.sectionId) return first;
        const lesson = first.lesson && lessonBeside(lessons, sectionId, first.date);
        return { sectionId, date: lesson?.date ?? first.date, lesson };
      }),
    [lessons, first, sectionIds],
  );
}

function Each({ first, asked }: { first: Place; asked: string }) {
  const wide = useWide();
  const { teacherName } = useAccount();
  const records = useRecords((state) => state.current);
  const levelNames = useLevelNames();
  const sections = useSections().filter(({ endedOn }) => endedOn === null);
  const [sectionIds, setSectionIds] = useState<ReadonlySet<string>>(new Set([first.sectionId]));
  const [choosing, setChoosing] = useState<'classes' | 'students' | null>(null);
  const [sentenced, setSentenced] = useState(nothing);
  const [groupName, setGroupName] = useState(asked);
  const [byBoard, setByBoard] = useState<ReadonlySet<string> | null>(null);
  const [byHand, setByHand] = useState<Record<string, string>>({});
  const [subject, setSubject] = useState('{class}: {full name}');
  const [isTold, setTold] = useState(false);
  const [chosenTone, setTone] = useState<ContactTone | null>(null);
  const [kept, setKept] = useState<{ id: string; words: string } | null>(null);
  const wanted = useMemo((): BlankName[] => {
    const blanks = blanksIn(sentenced.text);
    return asked === 'owes' ? [...blanks, 'work'] : blanks;
  }, [sentenced.text, asked]);
  const places = usePlaces(first, sectionIds);
  const owed = useOwedIn(
    useMemo(() => places.map(({ sectionId }) => sectionId), [places]),
    wanted.includes('work'),
  );
  const read = useReader(first.sectionId);
  const members = useMembers(places, owed);
  const groups = groupsOf(records, members, levelNames);
  const group = groups.find(({ value }) => value === groupName) ?? groups.at(-1);
  const tone = chosenTone ?? toneOf(group?.value);
  const chosen = byBoard ?? new Set(group?.members.map(({ student }) => student.id));
  const meant = members.filter(({ student }) => chosen.has(student.id));
  const lines = linesOf(records, meant, sentenced.text, sentenced.words, byHand);
  const unknown = unknownBlanks(isTold ? `${sentenced.text} ${subject}` : sentenced.text);
  const going = unknown.length > 0 ? [] : lines.filter(goes);
  const homes = isTold ? going.filter(({ addresses }) => addresses.length > 0).length : 0;
  const form = `each ${first.lesson?.id ?? first.sectionId}`;
  const keep = () => {
    const id = keepNotes(going, read);
    const occasion = `each ${first.lesson?.id ?? `${first.sectionId} ${first.date}`}`.slice(0, 200);
    const told = isTold ? tellHome(records, going, { subject, teacherName, occasion, tone }) : 0;
    if (sentenced.phraseId !== null) markUsed(sentenced.phraseId);
    forgetTyped(form);
    const letters =
      told > 0
        ? `; ${many(told, 'letter')} in the outbox, which cannot be taken back`
        : isTold
          ? '; no home has an address here'
          : '';
    setKept({ id, words: `${many(going.length, 'note')} kept${letters}.` });
    setSentenced(nothing);
    setByHand({});
  };
  const names = [...sectionIds]
    .map((id) => sections.find((one) => one.id === id)?.name ?? '')
    .filter(Boolean);
  const whom = (
    <>
      {kept ? (
        <Card style={{ gap: space(2) }}>
          <Words bold live>
            {kept.words}
          </Words>
          <TakeBack about={kept.id} of="the notes" />
        </Card>
      ) : null}
      <Sentence
        parts={[
          'To ',
          choicePhrase({
            name: 'Whom',
            words: byBoard ? `${meant.length} chosen` : (group?.label ?? 'nobody'),
            value: byBoard ? 'chosen' : (group?.value ?? 'everyone'),
            options: [
              ...groups.map(({ value, label }) => ({ value, label })),
              ...(byBoard ? [{ value: 'chosen', label: `those chosen (${meant.length})` }] : []),
            ],
            onChange: (value) => {
              if (value === 'chosen') return;
              setGroupName(value);
              setByBoard(null);
            },
          }),
          ' of ',
          {
            words: listed(names),
            name: 'Choose the classes',
            held: choosing === 'classes',
            onTap: () => {
              setChoosing(choosing === 'classes' ? null : 'classes');
            },
          },
          ': ',
          {
            words: listed(meant.map(({ student }) => shortName(student))) || 'nobody',
            name: 'Choose the students',
            held: choosing === 'students',
            onTap: () => {
              setChoosing(choosing === 'students' ? null : 'students');
            },
          },
          '.',
        ]}
      />
      {choosing === 'classes' ? (
        <SeveralOf
          name="Classes"
          values={sectionIds}
          options={sections.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(next) => {
            if (next.size > 0) setSectionIds(next);
          }}
        />
      ) : null}
      {choosing === 'students' ? (
        <ChooseBoard members={members} chosen={chosen} onChange={setByBoard} />
      ) : null}
      <SentenceCard sentenced={sentenced} unknown={unknown} onChange={setSentenced} />
    </>
  );
  const out = (
    <>
      {sentenced.text.trim() !== '' && lines.length > 0 ? (
        <>
          <TellCard
            lines={lines}
            isTold={isTold}
            subject={subject}
            tone={tone}
            onTone={setTone}
            onTold={setTold}
            onSubject={setSubject}
          />
          <Card style={{ padding: 0 }}>
            {lines.map((line) => (
              <LineCard
                key={line.member.student.id}
                line={line}
                isTold={isTold}
                onWrite={(text) => {
                  setByHand(({ [line.member.student.id]: _before, ...others }) =>
                    text === null ? others : { ...others, [line.member.student.id]: text },
                  );
                }}
              />
            ))}
          </Card>
        </>
      ) : null}
    </>
  );
  const back = first.lesson
    ? {
        to: { pathname: '/lessons/[lessonId]' as const, params: { lessonId: first.lesson.id } },
        name: 'Back to the lesson',
      }
    : {
        to: { pathname: '/classes/[sectionId]' as const, params: { sectionId: first.sectionId } },
        name: 'Back to the class',
      };
  return (
    <Page
      title="A sentence to each"
      note="Kept as a note on each of them; home is told if you say so"
      back={back}
      main={{
        label: going.length === 0 ? 'Keep' : `Keep ${many(going.length, 'note')}`,
        about: homes > 0 ? `and tell ${many(homes, 'home')}` : '',
        disabled: going.length === 0,
        onPress: keep,
      }}
    >
      {places.map((place) => (
        <AskOf key={place.sectionId} place={place} wanted={wanted} />
      ))}
      <Typing about={form}>
        {wide ? (
          <View style={{ flexDirection: 'row', gap: space(5), alignItems: 'flex-start' }}>
            <View style={{ flex: 1, gap: space(4) }}>{whom}</View>
            <View style={{ flex: 1, gap: space(4) }}>{out}</View>
          </View>
        ) : (
          <>
            {whom}
            {out}
          </>
        )}
      </Typing>
    </Page>
  );
}
