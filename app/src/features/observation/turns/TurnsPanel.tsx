import Dices from 'lucide-react-native/icons/dices';
import { useMemo, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson, Turn } from '@slate-path/core/records/schema';
import {
  drawTurn,
  turnChances,
  turnRule,
  type TurnCandidate,
} from '@slate-path/core/observation/turns/fairTurns';
import { turnHistory } from '@slate-path/core/observation/turns/history';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { keyOf } from '../../attendance/lesson/marking';
import { now } from '../../../sync/clock';
import { freshSeed } from '../../../sync/freshSeed';
import { makeChange, newId } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { useHeard } from './useHeard';

interface TurnsPanelProps {
  lesson: Lesson;
  /** Also those of the class that is on the same roll. */
  rows: readonly LessonRow[];
}

const outcomeWords: Record<Turn['outcome'], string> = {
  drawn: 'drawn',
  spoke: 'spoke',
  passed: 'passed',
  skipped: 'skipped',
};

const timesWords = (count: number) => (count === 1 ? 'once' : `${count} times`);

/** Whose turn it is, drawn in favour of the least heard. */
export default function TurnsPanel({ lesson, rows }: TurnsPanelProps) {
  const palette = usePalette();
  const [explained, setExplained] = useState(false);
  const wide = useWide();
  const names = useShownNames(rows);
  const records = useRecords(({ current }) => current.turn);
  const partner = rows.find((row) => row.lesson.id !== lesson.id)?.lesson;
  const turns = useMemo(
    () =>
      Object.values(records)
        .filter(({ removed, lessonId }) => !removed && (lessonId === lesson.id || lessonId === partner?.id))
        .sort((a, b) => (a.id < b.id ? -1 : 1)),
    [records, lesson.id, partner?.id],
  );
  const { heard, known } = useHeard([lesson, partner], turns);
  const here = rows.filter((row) => !isAway(row));
  const candidates: TurnCandidate[] = here.map(({ student }) => ({
    studentId: student.id,
    heard: heard.get(student.id) ?? 0,
    drawn: turns.filter(({ studentId, outcome }) => studentId === student.id && outcome !== 'skipped').length,
  }));
  const last = turns.at(-1);
  const open = last?.outcome === 'drawn' ? last : undefined;
  const chances = turnChances(candidates, last?.studentId ?? null);
  const history = turnHistory(lesson.id);
  const draw = () => {
    const seed = freshSeed();
    const studentId = drawTurn(chances, seed);
    // Of two classes on one roll the turn is in the lesson of whoever is drawn, as a tally is.
    const own = here.find(({ student }) => student.id === studentId)?.lesson;
    if (studentId === null || !own) return;
    const at = new Date(now()).toISOString();
    makeChange('turn.draw', { lesson: keyOf(own), id: newId(), studentId, at, seed, chances }, history);
  };
  const settle = (outcome: Turn['outcome']) => () => {
    if (open) makeChange('turn.settle', { id: open.id, lessonId: open.lessonId, outcome }, history);
  };
  const drawnStudent = rows.find(({ student }) => student.id === last?.studentId)?.student;
  const weight = open?.chances.find(({ studentId }) => studentId === open.studentId)?.weight ?? 0;
  const total = open?.chances.reduce((sum, chance) => sum + chance.weight, 0) ?? 0;
  const unheard = candidates.filter((candidate) => candidate.heard === 0);
  const nameOf = (id: string) => names.get(id) ?? '';
  const card = (
    <Card style={{ gap: space(3), flex: wide ? 3 : undefined }}>
      <View aria-live="polite" testID="turn" style={{ minHeight: 96, justifyContent: 'center' }}>
        <Words
          size="title"
          serif
          heading={2}
          style={wide ? { fontSize: 56, lineHeight: 64 } : { fontSize: 36, lineHeight: 44 }}
        >
          {open && drawnStudent
            ? displayName(drawnStudent)
            : turns.length === 0
              ? 'Whose turn is it?'
              : 'Who is next?'}
        </Words>
        <Words tone="inkQuiet" figures>
          {open
            ? `heard ${timesWords(heard.get(open.studentId) ?? 0)} this week · chance ${Math.round((weight / Math.max(total, 1e-9)) * 100)} % among ${open.chances.length} · lot ${open.seed}`
            : last
              ? `${drawnStudent ? displayName(drawnStudent) : 'Somebody'} ${outcomeWords[last.outcome]}`
              : known
                ? `${here.length} here; ${unheard.length} not heard this week`
                : `${here.length} here; what was heard before today is not on this device yet`}
        </Words>
      </View>
      {open ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          <Action label="Spoke" kind="main" onPress={settle('spoke')} />
          <Action label="Passed" name="Passed: had the turn" onPress={settle('passed')} />
          <Action label="Skip" name="Skip: not now, stays in the round" onPress={settle('skipped')} />
        </View>
      ) : (
        <Action
          label={turns.length === 0 ? 'Draw' : 'Draw the next'}
          kind="main"
          icon={Dices}
          disabled={here.length === 0}
          onPress={draw}
        />
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        <Action
          label={explained ? 'Hide the rule' : 'How it is drawn'}
          onPress={() => {
            setExplained(!explained);
          }}
        />
        <TakeBack about={history} />
      </View>
      {explained ? <Words tone="inkQuiet">{turnRule}</Words> : null}
    </Card>
  );
  const side = (
    <View style={{ gap: space(4), flex: wide ? 2 : undefined }}>
      <Card style={{ gap: space(1) }}>
        <Words size="large" serif heading={2}>
          {`Not heard this week: ${unheard.length}`}
        </Words>
        <Words>
          {unheard.length === 0
            ? 'Everyone who is here was heard.'
            : unheard.map(({ studentId }) => nameOf(studentId)).join(', ')}
        </Words>
      </Card>
      {turns.length > 0 ? (
        <Card style={{ gap: space(1) }}>
          <Words size="large" serif heading={2}>
            Turns in this lesson
          </Words>
          {turns.toReversed().map(({ id, studentId, outcome }) => (
            <View key={id} style={{ flexDirection: 'row', gap: space(2) }}>
              <View style={{ flex: 1 }}>
                <Words lines={1}>{nameOf(studentId)}</Words>
              </View>
              <Words tone="inkQuiet">{outcomeWords[outcome]}</Words>
            </View>
          ))}
        </Card>
      ) : null}
    </View>
  );
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{
        padding: space(4),
        gap: space(4),
        flexDirection: wide ? 'row' : 'column',
        alignItems: wide ? 'flex-start' : 'stretch',
      }}
    >
      {card}
      {side}
    </ScrollView>
  );
}
