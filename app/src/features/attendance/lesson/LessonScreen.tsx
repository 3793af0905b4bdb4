import { useLocalSearchParams, useRouter } from 'expo-router';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { lessonNow } from '@slate-path/core/calendar/lessonNow';
import { isOfTimetable } from '@slate-path/core/calendar/lessons';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson } from '@slate-path/core/records/schema';
import { rollRows, type RollRow } from '@slate-path/core/attendance/roll/rollRows';
import { longDay } from '../../../parts/dates';
import { useColumnLength } from '../../../parts/Board';
import { lazily } from '../../../parts/lazily';
import { Sheet } from '../../../parts/Sheet';
import { shortDay } from '../../../parts/dates';
import { useTabTitle } from '../../../parts/useTabTitle';
import { useWide } from '../../../theme/theme';
import { railWidth } from '../../../theme/tokens';
import { NodPanel } from '../../nods/lazyPages';
import { LessonNotesSheet } from '../../notes/lazyPages';
import { TickPanel } from '../../ticks/lazyPages';
import { openElsewhere } from '../../observation/circle/openElsewhere';
import {
  CirclePanel,
  SidesPanel,
  SweepPanel,
  TallyPanel,
  TallySheet,
  TileOrder,
  TonePanel,
  TurnsPanel,
  WatchPanel,
} from '../../observation/lazyPanels';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useRecordsAfterPaint } from '../../../sync/afterPaint';
import { useNow } from '../../../sync/clock';
import { useRecords, type RecordsState } from '../../../sync/useRecords';
import { useDay } from '../../../sync/sync';
import { partnerOf, rollBook, untakenLessons, useAllLessons } from './lessons';
import { rollShape } from './keptShape';
import { LessonHeader } from './LessonHeader';
import type { LessonRow } from './lessonRow';
import { ModeBar, modeOf, modesOf, type LessonMode } from './ModeBar';
import { Roll } from './Roll';
import { RollFooter } from './RollFooter';
import { RollShape } from './RollShape';
import { useLessonKeys } from './useLessonKeys';

// The roll is there at once; what else is done in a lesson is loaded when it is first wanted.
const CheckInPanel = lazily(() => import('../checkIn/CheckInPanel'));
const NoLesson = lazily(() => import('./NoLesson'));
const loadMarkDetail = () => import('./MarkDetail');
const MarkDetail = lazily(loadMarkDetail);
/** Of no use to the first screen, and soon wanted. */
const soonMs = 3000;
const UntakenSheet = lazily(() => import('./UntakenSheet'));
const WeeklyOffer = lazily(() => import('../now/WeeklyOffer'));
const OpenCircle = lazily(() => import('../../observation/circle/OpenCircle'));
const LessonSide = lazily(() => import('./LessonSide'));

/** Beside the roll, on a wide screen. */
const sideWidth = 320;

const bookOf = (state: RecordsState) => rollBook(state.current);

/** The students of a lesson (and of its partner's) with their marks; the same object while nothing of it changes. */
function useRollRows(lesson: Lesson, partner: Lesson | undefined): LessonRow[] {
  const students = useRecords((state) => state.current.student);
  const enrolments = useRecords((state) => state.current.enrolment);
  // A tapped row shows its own mark at once; the class's sums and its line follow a frame later.
  const book = useRecordsAfterPaint(bookOf);
  const order = useNameOrder();
  return useMemo(
    () =>
      [lesson, ...(partner ? [partner] : [])].flatMap((found) =>
        rollRows(found, students, Object.values(enrolments), book)
          .sort(byStudent(order))
          .map((row) => ({ ...row, lesson: found })),
      ),
    [lesson, partner, students, enrolments, book, order],
  );
}

/** What is on now, or the lesson that was asked for. */
export function LessonScreen() {
  const { lessonId } = useLocalSearchParams<{ lessonId?: string }>();
  const now = useNow();
  const lessons = useAllLessons();
  const inHand = lessonId ? undefined : lessonNow(lessons, now)?.lesson;
  const lesson = lessonId ? lessons.find(({ id }) => id === lessonId) : inHand;
  if (!lesson) return <NoLesson asked={lessonId} />;
  return <OpenLesson key={lesson.id} lesson={lesson} lessons={lessons} />;
}

function OpenLesson({ lesson, lessons }: { lesson: Lesson; lessons: Lesson[] }) {
  const wide = useWide();
  const router = useRouter();
  const now = useNow();
  const sections = useRecords((state) => state.current.section);
  const modes = modesOf(sections[lesson.sectionId]);
  const { mode: asked } = useLocalSearchParams<{ mode?: string }>();
  const mode = modeOf(asked, modes);
  const setMode = useCallback(
    (next: LessonMode) => {
      router.setParams({ mode: next });
    },
    [router],
  );
  const partner = useRecords((state) => partnerOf(lesson, state.current));
  const rows = useRollRows(lesson, partner);
  const [openStudent, setOpenStudent] = useState<string | null>(null);
  const [listing, setListing] = useState(false);
  const [checkIns, setCheckIns] = useState(false);
  const title = [lesson, ...(partner ? [partner] : [])]
    .map(({ sectionId }) => sections[sectionId]?.name ?? '')
    .sort()
    .join(' and ');
  useTabTitle(`${title}, ${shortDay(lesson.date)}, ${lesson.startsAt}`);
  const state = useDay(lesson.date);
  const connection = useRecords((known) => known.connection);
  const circleElsewhere = useRecords(({ current }) => openElsewhere(current, lesson.id) !== undefined);
  const untaken = useMemo(() => untakenLessons(lessons, now), [lessons, now]);
  const index = lessons.findIndex(({ id }) => id === lesson.id);
  const goTo = useCallback(
    (to: Lesson | undefined) => {
      if (!to) return;
      // What was chosen goes along to where it is one of the tabs; else the first of them opens.
      const kept = modesOf(sections[to.sectionId]).find((one) => one === asked);
      const params = { lessonId: to.id, ...(kept ? { mode: kept } : {}) };
      router.replace({ pathname: '/lessons/[lessonId]', params });
    },
    [router, sections, asked],
  );
  const openCheckIns = useCallback(() => {
    setCheckIns(true);
  }, []);
  const closeCheckIns = () => {
    setCheckIns(false);
  };
  const [notes, setNotes] = useState(false);
  const openNotes = useCallback(() => {
    setNotes(true);
  }, []);
  const [seen, setSeen] = useState(false);
  const openSeen = useCallback(() => {
    setSeen(true);
  }, []);
  const listUntaken = useCallback(() => {
    setListing(true);
  }, []);
  const open = openStudent === null ? undefined : rows.find(({ student }) => student.id === openStudent);
  const openRow = useCallback((row: RollRow) => {
    setOpenStudent(row.student.id);
  }, []);
  const close = () => {
    setOpenStudent(null);
  };
  useEffect(() => {
    const timer = setTimeout(() => void loadMarkDetail(), soonMs);
    return () => {
      clearTimeout(timer);
    };
  }, []);
  // Not while it is being taken: the board would move away under the thumb.
  const [offers] = useState(!isOfTimetable(lesson) && lesson.takenAt !== null);
  const shape = rollShape.use();
  const columnLength = useColumnLength(rows.length, wide ? railWidth + sideWidth : 0);
  useLessonKeys({
    on: mode === 'roll',
    lesson,
    rows,
    columnLength: shape === 'board' ? columnLength : 0,
    previous: () => goTo(lessons[index - 1]),
    next: () => goTo(lessons[index + 1]),
  });
  const working =
    mode === 'roll' || lesson.setAside || rows.length === 0 ? null : (
      <>
        {mode === 'tally' ? <TallyPanel lesson={lesson} rows={rows} /> : null}
        {mode === 'sweep' ? <SweepPanel lesson={lesson} rows={rows} /> : null}
        {mode === 'circle' ? <CirclePanel lesson={lesson} rows={rows} /> : null}
        {mode === 'turns' ? <TurnsPanel lesson={lesson} rows={rows} /> : null}
        {mode === 'nods' ? <NodPanel lesson={lesson} rows={rows} /> : null}
        {mode === 'ticks' ? <TickPanel lesson={lesson} rows={rows} /> : null}
        {mode === 'sides' ? <SidesPanel lesson={lesson} rows={rows} /> : null}
        {mode === 'tone' ? <TonePanel lesson={lesson} /> : null}
        {mode === 'watch' ? <WatchPanel lesson={lesson} rows={rows} /> : null}
      </>
    );
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1 }}>
        <LessonHeader
          lesson={lesson}
          title={title}
          rows={rows}
          now={now}
          untaken={mode === 'roll' ? untaken.length : 0}
          previous={lessons[index - 1]}
          next={lessons[index + 1]}
          onGo={goTo}
          onOpenRow={openRow}
          onListUntaken={listUntaken}
          onListCheckIns={openCheckIns}
          onOpenSeen={openSeen}
          onOpenNotes={openNotes}
          compact={mode === 'circle' && !wide}
          beside={working ? 0 : sideWidth}
        />
        {circleElsewhere ? <OpenCircle lessonId={lesson.id} /> : null}
        {lesson.setAside || rows.length === 0 ? null : (
          <ModeBar mode={mode} modes={modes} onMode={setMode}>
            {mode === 'roll' || mode === 'sweep' ? (
              <RollShape />
            ) : mode === 'tally' ? (
              <TileOrder lesson={lesson} />
            ) : null}
          </ModeBar>
        )}
        {working ?? (
          <>
            {offers ? <WeeklyOffer sectionId={lesson.sectionId} /> : null}
            <Roll lesson={lesson} partner={partner} rows={rows} now={now} onMore={setOpenStudent} />
            {rows.length > 0 && !lesson.setAside ? (
              <RollFooter
                lesson={lesson}
                rows={rows}
                loading={state === 'loading' && connection === 'online'}
              />
            ) : null}
          </>
        )}
      </View>
      {wide && !working ? (
        <View style={{ width: sideWidth }}>
          <LessonSide
            lesson={lesson}
            lessons={lessons}
            untaken={untaken}
            open={open}
            onGo={goTo}
            onClose={close}
            onOpen={setOpenStudent}
          />
        </View>
      ) : null}
      {!wide && open ? (
        <Sheet title={displayName(open.student)} note={longDay(lesson.date)} onClose={close}>
          <MarkDetail lesson={open.lesson} row={open} onDone={close} />
        </Sheet>
      ) : null}
      {checkIns ? (
        <Sheet title="Check-ins" note={longDay(lesson.date)} onClose={closeCheckIns}>
          <CheckInPanel
            lesson={lesson}
            onOpen={(studentId) => {
              setCheckIns(false);
              setOpenStudent(studentId);
            }}
          />
        </Sheet>
      ) : null}
      {notes ? (
        <LessonNotesSheet
          lesson={lesson}
          onClose={() => {
            setNotes(false);
          }}
        />
      ) : null}
      {seen ? (
        <TallySheet
          lesson={lesson}
          rows={rows}
          onClose={() => {
            setSeen(false);
          }}
        />
      ) : null}
      {listing ? (
        <UntakenSheet
          lessons={untaken}
          onGo={goTo}
          onClose={() => {
            setListing(false);
          }}
        />
      ) : null}
    </View>
  );
}
