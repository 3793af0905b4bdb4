import X from 'lucide-react-native/icons/x';
import { useCallback, useMemo, useRef, useState } from 'react';
import { ScrollView, View } from 'react-native';
import type { Circle, Lesson } from '@slate-path/core/records/schema';
import { emptyHand, tapWith, type Hold } from '@slate-path/core/observation/tallies/hold';
import { tallyHistory } from '@slate-path/core/observation/tallies/history';
import { evennessWords } from '@slate-path/core/observation/circle/gini';
import { Action } from '../../../parts/Action';
import { IconAction } from '../../../parts/IconAction';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useRecordsAfterPaint } from '../../../sync/afterPaint';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords, type RecordsState } from '../../../sync/useRecords';
import { holdWords } from '../tallies/holdWords';
import { LookForTray } from '../tallies/LookForTray';
import { tallyOnce } from '../tallies/tallying';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { useTallyKeys } from '../tallies/useTallyKeys';
import { endCircle, membersOf, movesOf, sharesOf } from './circles';
import { JoinSheet } from './JoinSheet';
import { Ring } from './Ring';
import { ShareRibbon } from './ShareRibbon';

interface CircleRoundProps {
  circle: Circle;
  lesson: Lesson;
  rows: readonly LessonRow[];
}

interface TalkProps {
  circle: Circle;
  names: ReadonlyMap<string, string>;
  arranging: boolean;
  /** What is in hand, and what the next tap does with it; empty: nothing is. */
  inHand: string;
}

/** What the numbers say while they talk. */
function Talk({ circle, names, arranging, inHand }: TalkProps) {
  const shares = useRecordsAfterPaint(
    useCallback(
      ({ current }: RecordsState) => sharesOf(current.circle[circle.id] ?? circle, current),
      [circle],
    ),
  );
  const unheard = shares.unheard.map((id) => names.get(id) ?? '');
  const heard =
    shares.spoken === 0
      ? 'Tap whoever speaks, then what it was; or hold a look-for and tap who does it.'
      : unheard.length === 0
        ? 'Everyone has spoken.'
        : `Not heard yet: ${unheard.join(', ')}`;
  const words = arranging ? 'Drag a seat onto another, or tap one and then where it goes.' : heard;
  const both = inHand !== '' && !arranging;
  return (
    <View style={{ gap: space(1) }} aria-live="polite" testID="circle-talk">
      <ShareRibbon shares={shares.members} names={names} />
      {/* Of one height whatever it says: a seat must not move away under the thumb. */}
      <View style={{ height: 40 }}>
        {both ? (
          <Words bold lines={1} style={{ lineHeight: 20 }}>
            {inHand}
          </Words>
        ) : null}
        <Words lines={both ? 1 : 2} style={{ lineHeight: 20 }}>
          {words}
        </Words>
      </View>
      <Words size="small" tone="inkQuiet" figures lines={1} style={{ height: 20 }}>
        {`${evennessWords(shares.members.map(({ spoken }) => spoken))} Gini ${shares.gini.toFixed(2)}`}
      </Words>
    </View>
  );
}

/** The circle as it sits, strokes by each, and how the talk is shared. */
export function CircleRound({ circle, lesson, rows }: CircleRoundProps) {
  const palette = usePalette();
  const wide = useWide();
  const names = useShownNames(rows);
  const lookFor = useRecords((state) => state.current.lookFor);
  const circleMember = useRecords((state) => state.current.circleMember);
  const [hold, setHold] = useState<Hold>(emptyHand);
  const [arranging, setArranging] = useState(false);
  const [joining, setJoining] = useState(false);
  const hand = useRef(hold);
  const history = tallyHistory(lesson.id);
  const rowsNow = useRef(rows);
  rowsNow.current = rows;
  const lookFors = useMemo(
    () => movesOf(circle, { lookFor }).filter(({ removed }) => !removed),
    [circle, lookFor],
  );
  const members = useMemo(() => membersOf({ circleMember }, circle.id), [circleMember, circle.id]);
  const act = useCallback(
    (tap: Parameters<typeof tapWith>[1]) => {
      const { hold: next, tally } = tapWith(hand.current, tap);
      hand.current = next;
      setHold(next);
      if (!tally) return;
      // Of two classes with one roll, what is counted is of the class that the student is in.
      const own = rowsNow.current.find(({ student }) => student.id === tally.studentId)?.lesson ?? lesson;
      tallyOnce({ ...tally, lesson: own, circleId: circle.id }, history);
    },
    [lesson, circle.id, history],
  );
  const tapSeat = useCallback(
    (studentId: string) => {
      act({ student: studentId });
    },
    [act],
  );
  const tapLookFor = useCallback(
    (lookForId: string) => {
      act({ lookFor: lookForId });
    },
    [act],
  );
  const inside = new Set(members.map(({ studentId }) => studentId));
  const letGo = () => {
    hand.current = emptyHand;
    setHold(emptyHand);
  };
  useTallyKeys({
    rows: rows.filter(({ student }) => inside.has(student.id)),
    names,
    lookFors,
    hold,
    history,
    onStudent: (_own, studentId) => {
      tapSeat(studentId);
    },
    onLookFor: tapLookFor,
    onLetGo: letGo,
  });
  const { bold, rest } = holdWords(hold, (studentId) => names.get(studentId ?? '') ?? '', lookFor);
  const controls = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space(2) }}>
      <Action
        label={arranging ? 'Done' : 'Seats'}
        name={arranging ? 'Seats are right' : 'Arrange the seats'}
        onPress={() => {
          setArranging(!arranging);
        }}
      />
      {arranging ? (
        <Action
          label="Bring in"
          name="Bring somebody into the circle"
          onPress={() => {
            setJoining(true);
          }}
        />
      ) : null}
      <TakeBack about={arranging ? circle.id : history} always />
      <View style={{ flex: 1 }} />
      {bold && !arranging ? (
        <IconAction name={`Put ${bold.replace(/:$/, '')} down`} icon={X} onPress={letGo} />
      ) : null}
      {arranging ? null : (
        <Action
          label="End"
          name="End the circle"
          kind="main"
          onPress={() => {
            endCircle(circle.id);
          }}
        />
      )}
    </View>
  );
  const ring = (
    <Ring
      circle={circle}
      members={members}
      names={names}
      heldId={hold.what === 'student' ? hold.studentId : null}
      arranging={arranging}
      onTap={tapSeat}
    />
  );
  const joinSheet = joining ? (
    <JoinSheet
      circle={circle}
      members={members}
      rows={rows}
      onClose={() => {
        setJoining(false);
      }}
    />
  ) : null;
  const tray = (
    <LookForTray
      lookFors={lookFors}
      heldId={hold.what === 'lookFor' ? hold.lookForId : null}
      column={wide}
      onTap={tapLookFor}
    />
  );
  if (wide)
    return (
      <View style={{ flex: 1, flexDirection: 'row' }}>
        <View style={{ flex: 1, padding: space(4), backgroundColor: palette.ground }}>{ring}</View>
        <ScrollView
          style={{
            width: 340,
            flexGrow: 0,
            backgroundColor: palette.surface,
            borderLeftWidth: 1,
            borderColor: palette.line,
          }}
          contentContainerStyle={{ padding: space(5), gap: space(3) }}
        >
          <Words size="large" serif heading={2}>
            {circle.groupName || 'Circle'}
          </Words>
          <Talk circle={circle} names={names} arranging={arranging} inHand={bold ? `${bold} ${rest}` : ''} />
          {controls}
          {tray}
        </ScrollView>
        {joinSheet}
      </View>
    );
  return (
    <View style={{ flex: 1 }}>
      <View style={{ flex: 1, padding: space(2), backgroundColor: palette.ground }}>{ring}</View>
      <View
        style={{
          paddingHorizontal: space(4),
          paddingVertical: space(2),
          gap: space(2),
          borderTopWidth: 1,
          borderColor: palette.line,
          backgroundColor: palette.surface,
        }}
      >
        <Talk circle={circle} names={names} arranging={arranging} inHand={bold ? `${bold} ${rest}` : ''} />
        {arranging ? null : tray}
        {controls}
      </View>
      {joinSheet}
    </View>
  );
}
