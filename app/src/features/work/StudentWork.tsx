import { useRouter } from 'expo-router';
import { View } from 'react-native';
import Svg from 'react-native-svg';
import { addDays } from '@slate-path/core/calendar/localTime';
import type { Enrolment, Work } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { isWaiting } from '@slate-path/core/work/feedback';
import { handInId } from '@slate-path/core/work/handInId';
import { statusOf, type PieceStatus } from '@slate-path/core/work/pieceStatus';
import { dueWords, statusWords } from '@slate-path/core/work/pieceWords';
import { notSeenWords } from '@slate-path/core/work/seen';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { Diamonds } from '../../parts/Diamonds';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { useNow } from '../../sync/clock';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { useLastDay, useSectionName } from '../../sync/sections';
import { usePalette, useWide } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { DayHeads } from './DayHeads';
import { Rails, railsHeight } from './Rails';
import { useClassWork } from './useClassWork';

const daysBack = 28;

/** A student's work, class by class: what is owed, what waits for the teacher, and four weeks on two rails. */
export function StudentWork({
  studentId,
  enrolments,
}: {
  studentId: string;
  enrolments: readonly Enrolment[];
}) {
  return enrolments.length === 0 ? (
    <Empty title="In no class">What is done for a class stands here.</Empty>
  ) : (
    enrolments.map(({ id, sectionId }) => (
      <WorkInClass key={id} studentId={studentId} sectionId={sectionId} />
    ))
  );
}

function WorkInClass({ studentId, sectionId }: { studentId: string; sectionId: string }) {
  const router = useRouter();
  const wide = useWide();
  const now = useNow();
  const name = useSectionName(sectionId);
  const asking = useAsking('for this work');
  const to = useLastDay(sectionId);
  const from = addDays(to, 1 - daysBack);
  const { state, rows, work } = useClassWork(sectionId, { from, to });
  const handIns = useRecords(({ current }) => current.handIn);
  const row = rows.find(({ student }) => student.id === studentId);
  const asOf = `${now.date}T${now.time}:59`;
  const waits = ({ id, studentId: whose }: Work) => {
    const handIn = handIns[handInId(id, studentId)];
    return whose === null && handIn !== undefined && isWaiting(handIn, asOf);
  };
  // What has no day on which it is due is the student's own, and stands here too.
  const own = work.flatMap(({ id, dueAt, studentId: whose }) =>
    whose === studentId && dueAt === null
      ? [{ workId: id, status: statusOf(null, handIns[handInId(id, studentId)], asOf) }]
      : [],
  );
  const pieces = [...(row?.pieces ?? []), ...own]
    .flatMap(({ workId, status }) => {
      const piece = work.find(({ id }) => id === workId);
      return piece ? [{ piece, status, waits: waits(piece) }] : [];
    })
    .sort((a, b) => ((a.piece.dueAt ?? '') < (b.piece.dueAt ?? '') ? 1 : -1));
  const owed = pieces.filter(({ status }) => status === 'missing').length;
  const waiting = pieces.filter((one) => one.waits).length;
  const width = wide ? 1000 : 310;
  const openDay = (day?: string) => {
    router.push({
      pathname: '/classes/[sectionId]/work/[studentId]',
      params: { sectionId, studentId, ...(day !== undefined && { date: day }) },
    });
  };
  return (
    <Card style={{ gap: space(3) }}>
      <Words size="large" serif heading={2}>
        {name}
      </Words>
      {row ? (
        <>
          <Words figures>
            {`In the last four weeks ${row.seen.actions > 0 ? `${many(row.seen.actions, 'action')} on ${many(row.seen.days, 'day')}` : notSeenWords(row.seen, to)}; ${owed > 0 ? `${many(owed, 'piece')} owed` : 'nothing owed'}${waiting > 0 ? `, ${waiting} waiting for you` : ''}.`}
          </Words>
          <View>
            <DayHeads from={from} to={to} today={to} width={width} onDay={openDay} />
            <View style={{ height: railsHeight }}>
              <Rails row={row} from={from} to={to} width={width} />
            </View>
          </View>
          <View>
            {pieces.map((one) => (
              <PieceRow
                key={one.piece.id}
                {...one}
                onOpen={() => {
                  router.push({
                    pathname: '/classes/[sectionId]/pieces/[workId]',
                    params: { sectionId, workId: one.piece.id },
                  });
                }}
              />
            ))}
          </View>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
            <Action
              label="Day by day"
              name={`Day by day in ${name}`}
              onPress={() => {
                openDay();
              }}
            />
            {owed > 0 ? (
              <Action
                label="Write about what is owed"
                name={`Write about what is owed in ${name}`}
                onPress={() => {
                  router.push({ pathname: '/write', params: { sectionId, owes: 'work', studentId } });
                }}
              />
            ) : null}
          </View>
        </>
      ) : (
        <Words tone="inkQuiet">
          {state === 'loading' ? asking : 'Nothing of these four weeks is known.'}
        </Words>
      )}
    </Card>
  );
}

interface PieceRowProps {
  piece: Work;
  status: PieceStatus;
  waits: boolean;
  onOpen: () => void;
}

/** A piece of work of the student: how it stands, and when it was due. Opens the piece. */
function PieceRow({ piece, status, waits, onOpen }: PieceRowProps) {
  const palette = usePalette();
  const stands = `${statusWords[status]}${waits ? ', waits for you' : ''} · ${dueWords(piece)}`;
  const isOwn = piece.studentId !== null && piece.dueAt === null;
  const words = isOwn ? (status === 'on_time' ? 'own work, done' : 'own work, not done yet') : stands;
  return (
    <TapArea
      name={`${piece.title}: ${words}`}
      onTap={onOpen}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(3),
        minHeight: target,
        paddingVertical: space(1),
        borderTopWidth: 1,
        borderColor: palette.line,
      }}
    >
      <Svg width={16} height={16} aria-hidden>
        <Diamonds marks={[{ x: 8, y: 8, status }]} size={6} />
      </Svg>
      <View style={{ flex: 1 }}>
        <Words bold>{piece.title}</Words>
        <Words size="small" tone="inkQuiet" figures>
          {words}
        </Words>
      </View>
    </TapArea>
  );
}
