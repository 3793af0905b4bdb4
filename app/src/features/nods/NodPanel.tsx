import Bell from 'lucide-react-native/icons/bell';
import Pencil from 'lucide-react-native/icons/pencil';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { displayName, shortName } from '@slate-path/core/people/names';
import type { Lesson, Nod } from '@slate-path/core/records/schema';
import { groupBy } from '@slate-path/core/records/groupBy';
import { listed } from '@slate-path/core/words/listed';
import { many } from '@slate-path/core/words/many';
import { Board } from '../../parts/Board';
import { IconAction } from '../../parts/IconAction';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { isAway } from '../attendance/lesson/isAway';
import type { LessonRow } from '../attendance/lesson/lessonRow';
import { useShownNames } from '../attendance/lesson/useShownNames';
import { useClassRole } from '../sharing/colleagues';
import { giveNods, nodsHistory, stillHere, useReasons } from './giving';
import { NodTile } from './NodTile';
import { NodWordsSheet } from './NodWordsSheet';
import { NoReasons } from './NoReasons';
import { ReasonsSheet } from './ReasonsSheet';
import { ReasonTray } from './ReasonTray';
import { TellingSheet, tellingWords } from './TellingSheet';

interface NodPanelProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
}

const daysBefore = 28;
/** More names than that do not stand in a line. */
const mostNamed = 6;

/** By student: the nods of this lesson, and of the four weeks to it. */
function useNodCounts(lesson: Lesson) {
  const from = addDays(lesson.date, -daysBefore);
  useView(addressOf('nods', { sectionId: lesson.sectionId, from, to: lesson.date }));
  const nods = useRecords(({ current }) => current.nod);
  return useMemo(() => {
    const here = new Map<string, number>();
    const lately = new Map<string, number>();
    const count = (counts: Map<string, number>, id: string) => counts.set(id, (counts.get(id) ?? 0) + 1);
    for (const { removed, studentId, at } of Object.values(nods)) {
      const date = at.slice(0, 10);
      if (removed || date < from || date > lesson.date) continue;
      count(lately, studentId);
      const time = at.slice(11, 16);
      if (date === lesson.date && lesson.startsAt <= time && time <= lesson.endsAt) count(here, studentId);
    }
    return { here, lately };
  }, [nods, from, lesson]);
}

/** The last nods that are for the same and say the same. */
function runOf(given: readonly Nod[]): Nod[] {
  const last = given.at(-1);
  const before = given.findLastIndex(
    ({ reason, comment }) => reason !== last?.reason || comment !== last.comment,
  );
  return given.slice(before + 1);
}

/** Who did well, and for what: a reason is in hand, a tap on a student gives a nod for it. */
export default function NodPanel({ lesson, rows }: NodPanelProps) {
  const palette = usePalette();
  const wide = useWide();
  const router = useRouter();
  const names = useShownNames(rows);
  const reasons = useReasons();
  const isTeacher = useClassRole(lesson.sectionId) === 'teacher';
  const room = useRecords(({ current }) => current.section[lesson.sectionId]?.room ?? '');
  const telling = useRecords(({ current }) => current.nodTelling[lesson.sectionId]);
  const nods = useRecords(({ current }) => current.nod);
  const { here, lately } = useNodCounts(lesson);
  const [held, setHeld] = useState<string | null>(null);
  const [last, setLast] = useState<readonly string[]>([]);
  const [open, setOpen] = useState<'words' | 'reasons' | 'telling' | null>(null);
  const hand = reasons.find(({ id }) => id === held) ?? reasons[0];
  // Those given one after the other for the same: a few words go to all of them.
  const given = runOf(last.flatMap((id): Nod[] => (nods[id] && !nods[id].removed ? [nods[id]] : [])));
  const latest = useRef({ rows, hand, room });
  latest.current = { rows, hand, room };
  const onTap = useCallback((studentId: string) => {
    const { rows: all, hand: reason, room: place } = latest.current;
    const row = all.find(({ student }) => student.id === studentId);
    if (!row || !reason) return;
    const ids = giveNods(row.lesson, [row.student], { reason: reason.name, place, comment: '' });
    setLast((before) => [...before, ...ids]);
  }, []);
  const present = rows.filter((row) => !isAway(row));
  const giveAll = (all: readonly LessonRow[]) => {
    if (!hand) return;
    const words = { reason: hand.name, place: room, comment: '' };
    // Classes that are taught together each have their own lesson.
    const lessons = [...groupBy(all, ({ lesson: of }) => of.id).values()];
    const ids = lessons.flatMap((of) =>
      of[0]
        ? giveNods(
            of[0].lesson,
            of.map(({ student }) => student),
            words,
          )
        : [],
    );
    setLast((before) => [...before, ...ids]);
  };
  const close = () => {
    setOpen(null);
  };
  if (!hand)
    return (
      <>
        <NoReasons
          onOwn={() => {
            setOpen('reasons');
          }}
        />
        {open === 'reasons' ? <ReasonsSheet onClose={close} /> : null}
      </>
    );
  const nameOf = (studentId: string) => {
    const row = rows.find(({ student }) => student.id === studentId);
    return row ? shortName(row.student) : '';
  };
  return (
    <View style={{ flex: 1 }}>
      <Board
        name="Nods"
        tiles={rows}
        tile={(row, { height }) => (
          <NodTile
            key={row.student.id}
            student={row.student}
            name={wide ? displayName(row.student) : (names.get(row.student.id) ?? '')}
            here={here.get(row.student.id) ?? 0}
            lately={lately.get(row.student.id) ?? 0}
            away={isAway(row)}
            reason={hand.name}
            height={height}
            onTap={onTap}
          />
        )}
      />
      <View
        style={{
          paddingHorizontal: space(3),
          paddingVertical: space(2),
          gap: space(1),
          borderTopWidth: 1,
          borderColor: palette.line,
          backgroundColor: palette.surface,
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', height: 52 }}>
          <View style={{ flex: 1 }} aria-live="polite" testID="nod-summary">
            {given.length > 0 ? (
              <TapArea
                name="Add a few words"
                onTap={() => {
                  setOpen('words');
                }}
                style={{ minHeight: 52, justifyContent: 'center' }}
              >
                <Words bold size="small" lines={1}>
                  {`${given.length > mostNamed ? many(given.length, 'student') : listed(given.map(({ studentId }) => nameOf(studentId)))}: ${given[0]?.reason ?? ''}`}
                </Words>
                <Words bold size="small" tone="slate" lines={1}>
                  {given[0]?.comment || 'Add a few words'}
                </Words>
              </TapArea>
            ) : (
              <>
                <Words bold size="small" lines={1}>
                  {`Tap who gets a nod for: ${hand.name.toLocaleLowerCase()}`}
                </Words>
                <Words size="small" tone="inkQuiet" lines={1}>
                  {isTeacher ? tellingWords(telling) : ''}
                </Words>
              </>
            )}
          </View>
          <TakeBack about={nodsHistory} concerns={stillHere} small />
          {isTeacher ? (
            <IconAction
              name="Whom nods are told to"
              icon={Bell}
              tone="inkQuiet"
              onPress={() => {
                setOpen('telling');
              }}
            />
          ) : null}
          <IconAction
            name="Change what nods are for"
            icon={Pencil}
            tone="inkQuiet"
            onPress={() => {
              setOpen('reasons');
            }}
          />
        </View>
        <ReasonTray reasons={reasons} heldId={hand.id} onHold={setHeld} />
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: space(3) }}>
          <TapArea
            name="All nods of the class"
            onTap={() => {
              router.push({ pathname: '/classes/[sectionId]/nods', params: { sectionId: lesson.sectionId } });
            }}
            style={{ minHeight: 44, justifyContent: 'center' }}
          >
            <Words bold tone="slate">
              All nods of the class
            </Words>
          </TapArea>
          {present.length > 1 ? (
            <TapArea
              name={`To all ${present.length} who are here: ${hand.name}`}
              onTap={() => {
                giveAll(present);
              }}
              style={{ minHeight: 44, justifyContent: 'center' }}
            >
              <Words bold tone="slate">
                {`To all ${present.length}`}
              </Words>
            </TapArea>
          ) : null}
        </View>
      </View>
      {open === 'words' && given.length > 0 ? (
        <NodWordsSheet nods={given} lesson={lesson} onClose={close} />
      ) : null}
      {open === 'reasons' ? <ReasonsSheet onClose={close} /> : null}
      {open === 'telling' ? <TellingSheet sectionId={lesson.sectionId} onClose={close} /> : null}
    </View>
  );
}
