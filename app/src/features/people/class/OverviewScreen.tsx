import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { shownNames } from '@slate-path/core/attendance/checkIn/shownNames';
import type { Student } from '@slate-path/core/records/schema';
import { classSentence, type ClassPhrase } from '@slate-path/core/watch/classSentence';
import type { ClassGlance } from '@slate-path/core/watch/signals/glance';
import { latelyDays } from '@slate-path/core/watch/signals/latelyDays';
import { streamWords } from '@slate-path/core/watch/signals/words';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { dayMonth } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Sentence, type SentencePart } from '../../../parts/Sentence';
import { Words } from '../../../parts/Words';
import { useNow } from '../../../sync/clock';
import { useLastDay } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';
import { useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { untakenLessons, useAllLessons } from '../../attendance/lesson/lessons';
import { concernName } from '../../watch/concernName';
import { useWatch } from '../../watch/useWatch';
import { ClassPage } from './lazyClassPage';
import { useClassList, useLessonToOpen, whenWords } from './ofClass';
import { columns, OverviewRow, type Reason } from './OverviewRow';

type Narrowed = 'needs' | 'not_heard' | null;

/** What the server told of the class; of an older version's answer on this device nothing. */
function useGlance(sectionId: string) {
  const { state, answer } = useView(addressOf('glance', { sectionId }));
  const usable = answer?.students.every((student) => 'lately' in student) ? answer : undefined;
  return { state, seen: usable };
}

/** Concerns that are open in this class, by student; and whether the list has come: nobody would be an answer. */
function useConcerns(sectionId: string): { told: boolean; concerns: ReadonlyMap<string, Reason> } {
  const { state, concerns } = useWatch();
  const open = useMemo(() => {
    const found = new Map<string, Reason>();
    for (const { item, quiet } of concerns)
      if (item.sectionId === sectionId && quiet === null && !found.has(item.studentId))
        found.set(item.studentId, {
          words: `${concernName(item.concern)} since ${dayMonth(item.since)}`,
          needs: true,
        });
    return found;
  }, [concerns, sectionId]);
  return { told: state !== 'loading', concerns: open };
}

/** What else is worth a look in a student whom nothing concerns yet. */
function quietReason({ changed, stream, fact }: ClassGlance['students'][number]): Reason | null {
  if (fact !== null) return { words: fact, needs: false };
  return stream !== null && changed >= 1 ? { words: `changed: ${streamWords[stream]}`, needs: false } : null;
}

/** A class at one look: what it comes to in a sentence, and everybody, those who changed most first. */
export function OverviewScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const asking = useAsking('for the last lessons');
  const [narrowed, setNarrowed] = useState<Narrowed>(null);
  const { state, seen } = useGlance(sectionId);
  const section = useRecords(({ current }) => current.section[sectionId]);
  const { present } = useClassList(sectionId);
  const { told, concerns } = useConcerns(sectionId);
  const known = new Map(seen?.students.map((student) => [student.studentId, student]));
  // Who needs the teacher, then who changed most; those as usual stay in the order of names.
  const rankOf = ({ id }: Student) => (concerns.has(id) ? 1000 : 0) + (known.get(id)?.changed ?? 0);
  const students = present.map(({ student }) => student).toSorted((a, b) => rankOf(b) - rankOf(a));
  const parts = useSentence({ sectionId, students, seen, concerns, narrowed, setNarrowed });
  const isShown = (id: string) => {
    if (narrowed === 'needs') return concerns.has(id);
    const lately = known.get(id)?.lately;
    return narrowed === null || (lately !== undefined && lately.observed > 0 && lately.heard === 0);
  };
  const rows = students.filter(({ id }) => isShown(id));
  const hasWork = seen?.students.some(({ lately }) => lately.due > 0) ?? false;
  const bring = () => {
    router.push({ pathname: '/classes/[sectionId]/roster', params: { sectionId } });
  };
  if (section && present.length === 0)
    return (
      <ClassPage
        sectionId={sectionId}
        page="Overview"
        note="0 students"
        main={{ label: 'Bring a roster', onPress: bring }}
      >
        <Empty
          title="Nobody is in this class yet"
          action={wide ? <Action label="Bring a roster" kind="main" onPress={bring} /> : undefined}
        >
          A roster is the list of a class’s students. Bring the one you have: a CSV or XLSX file, or cells
          pasted from anywhere. You see what becomes of every row before anything is saved.
        </Empty>
      </ClassPage>
    );
  return (
    <ClassPage sectionId={sectionId} page="Overview" note={many(present.length, 'student')} full>
      {section ? (
        <>
          {seen && told ? (
            <Sentence parts={parts} />
          ) : state === 'missing' ? null : (
            <Words tone="inkQuiet">{asking}</Words>
          )}
          <Card style={{ padding: 0, gap: 0 }}>
            {wide && seen ? <Heads lessons={seen.lessons} hasWork={hasWork} /> : null}
            {rows.map((student, index) => {
              const own = known.get(student.id);
              return (
                <OverviewRow
                  key={student.id}
                  student={student}
                  seen={own}
                  lessons={seen?.lessons ?? []}
                  under={index > 0 || wide}
                  hasWork={hasWork}
                  reason={concerns.get(student.id) ?? (own ? quietReason(own) : null)}
                />
              );
            })}
          </Card>
          {seen && seen.lessons.length > 0 ? <Patterns patterns={seen.patterns} /> : null}
        </>
      ) : null}
    </ClassPage>
  );
}

interface ToSay {
  sectionId: string;
  /** In the order in which they stand below. */
  students: readonly Student[];
  seen: ClassGlance | undefined;
  concerns: ReadonlyMap<string, Reason>;
  narrowed: Narrowed;
  setNarrowed: (to: Narrowed) => void;
}

/** The class's sentence with what each of its phrases does. */
function useSentence({ sectionId, students, seen, concerns, narrowed, setNarrowed }: ToSay): SentencePart[] {
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const from = addDays(now.date, 1 - latelyDays);
  const untaken = untakenLessons(useAllLessons(), now).filter(
    (lesson) => lesson.sectionId === sectionId && lesson.date >= from,
  );
  const names = new Map(shownNames(students, true).map(({ id, name }) => [id, name]));
  const narrow = (to: Narrowed) => () => {
    setNarrowed(narrowed === to ? null : to);
  };
  const does = (to: ClassPhrase): { name: string; held?: boolean; onTap: () => void } => {
    switch (to.kind) {
      case 'attendance': {
        const params = { sectionId, month: lastDay.slice(0, 7) };
        return {
          name: 'open the month',
          onTap: () => {
            router.push({ pathname: '/classes/[sectionId]/months/[month]', params });
          },
        };
      }
      case 'student':
        return {
          name: 'open the path',
          onTap: () => {
            router.push({ pathname: '/students/[studentId]', params: { studentId: to.studentId } });
          },
        };
      case 'work':
        return {
          name: 'open the work',
          onTap: () => {
            router.push({ pathname: '/classes/[sectionId]/work', params: { sectionId } });
          },
        };
      case 'lesson':
        return {
          name: 'open the lesson',
          onTap: () => {
            if (lesson) router.push({ pathname: '/lessons/[lessonId]', params: { lessonId: lesson.id } });
          },
        };
      case 'untaken':
        return {
          name: 'catch up',
          onTap: () => {
            router.push({ pathname: '/classes/[sectionId]/days', params: { sectionId } });
          },
        };
      default:
        return { name: 'show only them', held: narrowed === to.kind, onTap: narrow(to.kind) };
    }
  };
  const lately = seen?.students.flatMap((one) => (names.has(one.studentId) ? [one.lately] : [])) ?? [];
  const needs = students
    .filter(({ id }) => concerns.has(id))
    .map(({ id }) => ({ studentId: id, name: names.get(id) ?? '' }));
  const lesson = useLessonToOpen(sectionId);
  const lastDay = useLastDay(sectionId);
  return [
    ...classSentence({
      lately,
      needs,
      untaken: untaken.length,
      next: wide ? '' : whenWords(lesson, now),
    }).map((part) => (typeof part === 'string' ? part : { words: part.words, ...does(part.to) })),
    ...(narrowed === null
      ? []
      : [' ', { words: 'Show everybody', name: 'the whole class', onTap: narrow(narrowed) }]),
  ];
}

function Heads({ lessons, hasWork }: { lessons: ClassGlance['lessons']; hasWork: boolean }) {
  const [first, last] = [lessons[0], lessons.at(-1)];
  const head = (words: string, width?: number, end = false) => (
    <View
      style={{
        width,
        flex: width === undefined ? 1 : undefined,
        alignItems: end ? 'flex-end' : 'flex-start',
      }}
    >
      <Words size="small" tone="inkQuiet" lines={1}>
        {words}
      </Words>
    </View>
  );
  return (
    <View
      style={{ flexDirection: 'row', gap: space(4), paddingHorizontal: space(4), paddingVertical: space(2) }}
    >
      {head('Who changed most first', columns.name)}
      {head(first && last ? `${dayMonth(first.date)} to ${dayMonth(last.date)}` : '', columns.path)}
      {head('there', columns.there, true)}
      {head('4 weeks', columns.heard, true)}
      {hasWork ? head('work', columns.work, true) : null}
      {head('')}
    </View>
  );
}

function Patterns({ patterns }: Pick<ClassGlance, 'patterns'>) {
  return (
    <View style={{ gap: space(1) }}>
      {patterns.length > 0 ? (
        <Words bold heading={2}>
          Patterns beyond chance
        </Words>
      ) : null}
      {patterns.map(({ words }) => (
        <Words key={words}>{words}</Words>
      ))}
      <Words size="small" tone="inkQuiet">
        {`${patterns.length > 0 ? '' : 'No weekday and no time of day stands out against chance. '}The line is engagement; under it a slim bar for a lesson there, an open box for one missed.`}
      </Words>
    </View>
  );
}
