import Ellipsis from 'lucide-react-native/icons/ellipsis';
import X from 'lucide-react-native/icons/x';
import { useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { displayName } from '@slate-path/core/people/names';
import type { Records } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { emptyHand, tapWith, type Hold } from '@slate-path/core/observation/tallies/hold';
import { tallyHistory } from '@slate-path/core/observation/tallies/history';
import { Action } from '../../../parts/Action';
import { IconAction } from '../../../parts/IconAction';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useRecordsAfterPaint } from '../../../sync/afterPaint';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords, type RecordsState } from '../../../sync/useRecords';
import { FocusSheet } from './FocusSheet';
import { holdWords } from './holdWords';
import { LookForTray } from './LookForTray';
import { NoLookFors } from './NoLookFors';
import { StudentCounts } from './StudentCounts';
import { beginTallying, tallyOnce } from './tallying';
import { strokesIn, timedIn } from './tallySums';
import { TallyList } from './TallyList';
import { TimerQuestions } from './TimerQuestions';
import { TallyTiles } from './TallyTiles';
import { useFocus } from './useFocus';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { useTallyKeys } from './useTallyKeys';

interface TallyPanelProps {
  lesson: Lesson;
  /** Also those of the class that is on the same roll. */
  rows: readonly LessonRow[];
}

type Observation = 'not yet' | 'on' | 'no longer';

/** What some lessons' tallies say; the stroke itself comes first, its sum a frame later. */
function useSeen<T>(
  lessonIds: readonly string[],
  read: (records: Records, lessonIds: readonly string[]) => T,
): T {
  return useRecordsAfterPaint(
    useCallback(({ current }: RecordsState) => read(current, lessonIds), [lessonIds, read]),
  );
}

/** "5 tallies, 1 timed": what is timed has no strokes. */
function seenWords(records: Records, lessonIds: readonly string[]): string {
  const [strokes, timed] = [strokesIn(records, lessonIds), timedIn(records, lessonIds)];
  const words = strokes > 0 || timed === 0 ? [many(strokes, 'tally', 'tallies')] : [];
  return [...words, ...(timed > 0 ? [`${timed} timed`] : [])].join(', ');
}

const isAnythingSeen = (records: Records, lessonIds: readonly string[]) =>
  strokesIn(records, lessonIds) > 0 || timedIn(records, lessonIds) > 0;

/** How much was seen here, and whether anybody looked: by itself, so that a stroke more does not draw the page. */
function Observed({ observed, lessonIds }: { observed: Observation; lessonIds: readonly string[] }) {
  const seen = useSeen(lessonIds, seenWords);
  const words =
    observed === 'not yet'
      ? 'Not observed yet'
      : `${seen}${observed === 'no longer' ? ', no longer observed' : ''}`;
  return (
    <Words size="small" tone="inkQuiet" lines={1} testID="tally-state">
      {words}
    </Words>
  );
}

/** Whether a lesson is observed. */
function useObserved(lesson: Lesson, lessonIds: readonly string[]): Observation {
  const seen = useSeen(lessonIds, isAnythingSeen);
  const tallying = useRecords(({ current }) => current.tallying[lesson.id]);
  const on = tallying !== undefined && !tallying.removed;
  if (on) return tallying.offAt === null ? 'on' : 'no longer';
  return seen ? 'on' : 'not yet';
}

/** Seeing and counting, with one thumb: the students, and under them what is looked for. */
export default function TallyPanel({ lesson, rows }: TallyPanelProps) {
  const palette = usePalette();
  const wide = useWide();
  const [hold, setHold] = useState<Hold>(emptyHand);
  const [sheet, setSheet] = useState<'focus' | 'student' | null>(null);
  const { focuses, focus, lookFors, all, choose } = useFocus(lesson);
  const known = useRecords((state) => state.current.lookFor);
  const lessonIds = useMemo(
    () => [...new Set([lesson.id, ...rows.map((row) => row.lesson.id)])],
    [lesson.id, rows],
  );
  const observed = useObserved(lesson, lessonIds);
  const names = useShownNames(rows);
  const history = tallyHistory(lesson.id);
  const nameOf = (studentId: string | null) =>
    studentId === null ? 'The whole class' : (names.get(studentId) ?? '');
  // What is in hand at the moment of the tap, not when the tile was drawn: taps come faster than pictures.
  const hand = useRef(hold);
  const act = useCallback(
    (tap: Parameters<typeof tapWith>[1], lessonOf: (studentId: string | null) => Lesson) => {
      const { hold: next, tally } = tapWith(hand.current, tap);
      hand.current = next;
      setHold(next);
      if (tally) tallyOnce({ ...tally, lesson: lessonOf(tally.studentId) }, history);
    },
    [history],
  );
  const rowsNow = useRef(rows);
  rowsNow.current = rows;
  const lessonOf = useCallback(
    (studentId: string | null) =>
      rowsNow.current.find(({ student }) => student.id === studentId)?.lesson ?? lesson,
    [lesson],
  );
  const tapTile = useCallback(
    (own: Lesson, studentId: string | null) => {
      act({ student: studentId }, () => own);
    },
    [act],
  );
  const tapLookFor = useCallback(
    (lookForId: string) => {
      act({ lookFor: lookForId }, lessonOf);
    },
    [act, lessonOf],
  );
  const letGo = useCallback(() => {
    hand.current = emptyHand;
    setHold(emptyHand);
  }, []);
  useTallyKeys({
    rows,
    names,
    lookFors,
    hold,
    history,
    onStudent: tapTile,
    onLookFor: tapLookFor,
    onLetGo: letGo,
  });
  if (focuses.length === 0) return <NoLookFors />;
  const heldLookFor = hold.what === 'lookFor' ? hold.lookForId : null;
  const heldStudent = hold.what === 'student' ? hold.studentId : undefined;
  const { bold, rest } = holdWords(hold, nameOf, known);
  const inHand = bold.replace(/:$/, '');
  const status = (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1), minHeight: wide ? 84 : 52 }}>
      <View style={{ flex: 1 }} aria-live="polite">
        <Words lines={wide ? 3 : 2} style={holdStyle}>
          <Words bold style={holdStyle}>
            {bold}
          </Words>
          {bold ? ` ${rest}` : rest}
        </Words>
        <Observed observed={observed} lessonIds={lessonIds} />
      </View>
      {inHand ? <IconAction name={`Put ${inHand} down`} icon={X} onPress={letGo} /> : null}
      {observed === 'on' ? null : (
        <Action
          label="Observe"
          name="Observe from now on: the lesson counts as observed, also without a tally"
          onPress={() => {
            beginTallying(lesson, focus?.id ?? null);
          }}
        />
      )}
      {observed === 'not yet' ? null : <TakeBack about={history} />}
      <IconAction
        name={heldStudent === undefined ? 'Sets and look-fors' : `Counts of ${nameOf(heldStudent)}`}
        icon={Ellipsis}
        onPress={() => {
          setSheet(heldStudent === undefined ? 'focus' : 'student');
        }}
      />
    </View>
  );
  const tray = <LookForTray lookFors={lookFors} heldId={heldLookFor} column={wide} onTap={tapLookFor} />;
  return (
    <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column' }}>
      {wide ? null : <TimerQuestions lessonIds={lessonIds} names={names} />}
      <TallyTiles lesson={lesson} rows={rows} names={names} heldStudent={heldStudent} onTap={tapTile} />
      {wide ? (
        <ScrollView
          style={{
            width: 320,
            flexGrow: 0,
            backgroundColor: palette.surface,
            borderLeftWidth: 1,
            borderColor: palette.line,
          }}
          contentContainerStyle={{ padding: space(5), gap: space(3) }}
        >
          <Words size="large" serif heading={2}>
            {focus?.name ?? ''}
          </Words>
          <TimerQuestions lessonIds={lessonIds} names={names} />
          {status}
          {tray}
          {heldStudent === undefined ? (
            <TallyList lesson={lesson} rows={rows} names={names} most={8} />
          ) : (
            <StudentCounts lesson={lessonOf(heldStudent)} studentId={heldStudent} lookFors={all} />
          )}
        </ScrollView>
      ) : (
        <View
          style={{
            paddingHorizontal: space(4),
            paddingBottom: space(1),
            borderTopWidth: 1,
            borderColor: palette.line,
            backgroundColor: palette.surface,
          }}
        >
          {status}
          {tray}
        </View>
      )}
      {sheet === 'focus' ? (
        <FocusSheet
          lesson={lesson}
          rows={rows}
          names={names}
          focuses={focuses}
          focus={focus}
          all={all}
          onChoose={choose}
          onClose={() => {
            setSheet(null);
          }}
        />
      ) : null}
      {sheet === 'student' && heldStudent !== undefined ? (
        <Sheet
          title={
            heldStudent === null
              ? 'The whole class'
              : displayName(rows.find(({ student }) => student.id === heldStudent)?.student ?? noName)
          }
          note="Counted in this lesson"
          onClose={() => {
            setSheet(null);
          }}
        >
          <StudentCounts lesson={lessonOf(heldStudent)} studentId={heldStudent} lookFors={all} />
        </Sheet>
      ) : null}
    </View>
  );
}

const holdStyle = { lineHeight: 18 } as const;
const noName = { givenName: '', familyName: '', called: '' };
