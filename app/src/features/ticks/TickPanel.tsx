import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { columnSentence } from '@slate-path/core/ticks/columnSentence';
import { columnSums } from '@slate-path/core/ticks/columnSums';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import type { Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../parts/Action';
import { Empty } from '../../parts/Empty';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { TakeBack } from '../../sync/TakeBack';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { isAway } from '../attendance/lesson/isAway';
import type { LessonRow } from '../attendance/lesson/lessonRow';
import { handsOf } from './hands';
import { TickBoard } from './TickBoard';
import { useConcerns } from './ticking';
import { useColumns, useTickOfAfterPaint } from './useSheet';

interface TickPanelProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
}

/** A column of the class's tick-sheet in the lesson, when slips are collected at the door. */
export default function TickPanel({ lesson, rows }: TickPanelProps) {
  const palette = usePalette();
  const router = useRouter();
  const { sectionId } = lesson;
  const { columns } = useColumns(sectionId);
  const tickOf = useTickOfAfterPaint();
  const concerns = useConcerns(sectionId);
  const [chosen, setChosen] = useState('');
  const [handId, setHand] = useState('');
  // Of classes that are taught together only this one has these columns.
  const own = useMemo(() => rows.filter((row) => row.lesson.id === lesson.id), [rows, lesson.id]);
  const students = useMemo(() => own.map(({ student }) => student), [own]);
  const away = useMemo(() => new Set(own.filter(isAway).map(({ student }) => student.id)), [own]);
  const open = () => {
    router.push({ pathname: '/classes/[sectionId]/ticks', params: { sectionId } });
  };
  const column = columns.find(({ id }) => id === chosen) ?? columns[0];
  const hands = column ? handsOf(column) : [];
  const hand = hands.find(({ id }) => id === handId) ?? hands[0];
  if (!column || !hand)
    return (
      <View style={{ padding: space(4) }}>
        <Empty title="No columns yet" action={<Action label="Make a column" kind="main" onPress={open} />}>
          Slips, fees, homework seen: the small things that are kept of each student stand in a tick-sheet.
        </Empty>
      </View>
    );
  const { have, owe } = columnSentence(
    column,
    columnSums(
      column,
      students.map(({ id }) => tickOf(column, id)),
    ),
  );
  return (
    <View style={{ flex: 1 }}>
      <TickBoard column={column} students={students} hand={hand} isAway={(id) => away.has(id)} />
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
        <Sentence
          parts={[
            choicePhrase({
              name: 'choose the column',
              value: column.id,
              options: columns.map(({ id, name }) => ({ value: id, label: name })),
              onChange: setChosen,
            }),
            `: ${have}; ${owe}. A tap says `,
            choicePhrase({
              name: 'choose what a tap says',
              value: hand.id,
              options: hands.map(({ id, label }) => ({ value: id, label })),
              onChange: setHand,
            }),
            '.',
          ]}
        />
        <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
          <TapArea
            name="The whole tick-sheet"
            onTap={open}
            style={{ minHeight: 44, justifyContent: 'center' }}
          >
            <Words bold tone="slate">
              The whole tick-sheet
            </Words>
          </TapArea>
          <TakeBack about={ticksHistory} concerns={concerns} small />
        </View>
      </View>
    </View>
  );
}
