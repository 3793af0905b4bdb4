import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { columnSentence } from '@slate-path/core/ticks/columnSentence';
import { holdsWords } from '@slate-path/core/ticks/legendTable';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { isOwing } from '@slate-path/core/ticks/tickState';
import { usePaperSize } from '../../files/paperSize';
import { useGiveFile } from '../../files/useGiveFile';
import { shortDay } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useNameOrder } from '../../sync/nameOrder';
import { makeChange } from '../../sync/outbox';
import { useSectionName } from '../../sync/sections';
import { TakeBack } from '../../sync/TakeBack';
import { useWide } from '../../theme/theme';
import { useClassRole } from '../sharing/colleagues';
import { ColumnForm } from './ColumnForm';
import { handsOf } from './hands';
import { TickBoard } from './TickBoard';
import { setCells, today, useConcerns } from './ticking';
import { hasAmount } from './typing';
import { sumsOf, useColumns, useTickOfAfterPaint } from './useSheet';
import { ValueColumn } from './ValueColumn';
import { ValueSheet } from './ValueSheet';

/** One column: everybody on the board, or typed down the class; who still owes. */
export function ColumnScreen() {
  const { sectionId, columnId } = useLocalSearchParams<{ sectionId: string; columnId: string }>();
  const router = useRouter();
  const wide = useWide();
  const name = useSectionName(sectionId);
  const isTeacher = useClassRole(sectionId) === 'teacher';
  const order = useNameOrder();
  const paper = usePaperSize();
  const { give, sheet: giving } = useGiveFile();
  const ofClass = useColumns(sectionId);
  const tickOf = useTickOfAfterPaint();
  const sheet = { ...ofClass, tickOf };
  const concerns = useConcerns(sectionId, columnId);
  const column = sheet.columns.find(({ id }) => id === columnId);
  const [page, setPage] = useState<'board' | 'list'>('board');
  const [owingOnly, setOwingOnly] = useState(false);
  const [handId, setHand] = useState('');
  const [changing, setChanging] = useState(false);
  const [opened, setOpened] = useState<string | null>(null);
  const [begins, setBegins] = useState(false);
  const back = {
    to: { pathname: '/classes/[sectionId]/ticks', params: { sectionId } },
    name: 'The whole tick-sheet',
  } as const;
  if (!column)
    return (
      <Page title="A column" back={back} tools={<TakeBack about={ticksHistory} concerns={concerns} />}>
        <Empty title="This column is not there">
          It may have been removed. The tick-sheet brings it back.
        </Empty>
      </Page>
    );
  const { students } = sheet;
  const hands = handsOf(column);
  const hand = hands.find(({ id }) => id === handId) ?? hands[0];
  const owing = students.filter(({ id }) => isOwing(column, tickOf(column, id)));
  const { have, owe } = columnSentence(column, sumsOf(sheet, column));
  const listed = page === 'list' && owingOnly ? owing : students;
  const due = column.dueOn === null ? '' : `due ${shortDay(column.dueOn)}`;
  const late = column.dueOn !== null && column.dueOn < today() && owing.length > 0 ? 'the day is past' : '';
  const student = students.find(({ id }) => id === opened);
  const next = sheet.columns[sheet.columns.indexOf(column) + 1];
  const goOn = () => {
    if (!next) return;
    setBegins(true);
    router.setParams({ columnId: next.id });
  };
  const fill = hand?.all !== undefined && hand.cell && owing.length > 0 ? hand : null;
  return (
    <Page
      title={column.name}
      tab={`Tick-sheet, ${name}`}
      note={[wide ? name : '', holdsWords(column), due, late, wide ? column.legend : '']
        .filter(Boolean)
        .join(' · ')}
      back={back}
      tools={<TakeBack about={ticksHistory} concerns={concerns} />}
      main={
        fill
          ? {
              label: fill.all ?? '',
              about: 'Then tap the few who differ',
              onPress: () => {
                setCells(
                  column,
                  owing.map(({ id }) => [id, fill.cell?.(tickOf(column, id), today()) ?? {}]),
                );
              },
            }
          : null
      }
      acts={[
        isTeacher
          ? {
              label: 'Change',
              onPress: () => {
                setChanging(true);
              },
            }
          : null,
        isTeacher && owing.length > 0
          ? {
              label: 'Write to who owes',
              ...(wide ? {} : { note: 'To each of them or their guardians, with what is missing filled in' }),
              onPress: () => {
                router.push({ pathname: '/write', params: { sectionId, owes: 'ticks', column: column.id } });
              },
            }
          : null,
      ]}
      more={[
        ...(column.kind === 'fee' && students.some(({ id }) => hasAmount(tickOf(column, id)))
          ? [
              {
                title: 'On paper',
                items: [
                  {
                    label: 'Receipts as PDF',
                    note: 'For all who paid, three to a sheet',
                    onPress: () => {
                      give(addressOf('receipts', { columnId: column.id, order, paper }));
                    },
                  },
                ],
              },
            ]
          : []),
        ...(isTeacher
          ? [
              {
                title: 'Rarely',
                items: [
                  {
                    label: 'Remove the column',
                    note: 'What stands in it is kept with it; Take back on the tick-sheet brings both back',
                    onPress: () => {
                      makeChange('tickColumn.remove', { ids: [column.id] }, ticksHistory);
                      router.replace({ pathname: '/classes/[sectionId]/ticks', params: { sectionId } });
                    },
                  },
                ],
              },
            ]
          : []),
      ]}
      tabs={{
        name: 'Ways to fill the column',
        items: (['board', 'list'] as const).map((one) => ({
          label: one === 'board' ? 'Board' : 'Down the class',
          chosen: page === one,
          onTap: () => {
            setPage(one);
            setOwingOnly(false);
          },
        })),
      }}
    >
      <Sentence
        parts={[
          `${have}; `,
          owing.length === 0
            ? owe
            : {
                words: owe,
                name: 'only these, one under the other',
                held: page === 'list' && owingOnly,
                onTap: () => {
                  setOwingOnly(page === 'board' || !owingOnly);
                  setPage('list');
                },
              },
          ...(page === 'board' && hand
            ? [
                '. A tap says ',
                choicePhrase({
                  name: 'choose what a tap says',
                  value: hand.id,
                  options: hands.map(({ id, label }) => ({ value: id, label })),
                  onChange: setHand,
                }),
                '.',
              ]
            : [`. Enter goes on${next ? `, at the end to ${next.name}` : ' to the next'}.`]),
        ]}
      />
      {students.length === 0 ? (
        <Empty title="Nobody is in this class">Bring its students first; they stand here then.</Empty>
      ) : page === 'board' && hand ? (
        <View style={{ minHeight: 200 }}>
          <TickBoard column={column} students={students} hand={hand} />
        </View>
      ) : (
        <ValueColumn
          key={column.id}
          column={column}
          students={listed}
          tickOf={tickOf}
          onOpen={setOpened}
          onEnd={goOn}
          begins={begins}
        />
      )}
      {!wide && column.legend ? (
        <Words size="small" tone="inkQuiet">
          {column.legend}
        </Words>
      ) : null}
      {student ? (
        <ValueSheet
          column={column}
          student={student}
          tick={tickOf(column, student.id)}
          onClose={() => {
            setOpened(null);
          }}
        />
      ) : null}
      {changing ? (
        <ColumnForm
          sectionId={sectionId}
          column={column}
          onClose={() => {
            setChanging(false);
          }}
        />
      ) : null}
      {giving}
    </Page>
  );
}
