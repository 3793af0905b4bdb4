import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { isEnrolledOn } from '@slate-path/core/attendance/roll/totals';
import { byName, displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Student, TickColumn } from '@slate-path/core/records/schema';
import { inSheetOrder } from '@slate-path/core/ticks/sheetTable';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { isOwing, tickState } from '@slate-path/core/ticks/tickState';
import { owedWords } from '@slate-path/core/ticks/tickWords';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { useNow } from '../../sync/clock';
import { useNameOrder } from '../../sync/nameOrder';
import { useSections } from '../../sync/sections';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { usePalette, useWide } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { handsOf, tapped } from './hands';
import { setCells, today } from './ticking';
import { TickSign } from './TickSign';
import { tickIn } from './useSheet';
import { ValueSheet } from './ValueSheet';

interface Owing {
  student: Student;
  /** In how many classes something of theirs is missing is told by their names. */
  classes: string[];
  columns: TickColumn[];
}

const everywhere = 'all';

/** Who owes something in these classes, each once, with all of it. */
function useOwing(sections: readonly { id: string; name: string }[], columnName: string): Owing[] {
  const current = useRecords((state) => state.current);
  const { date } = useNow();
  const order = useNameOrder();
  return useMemo(() => {
    const tickOf = tickIn(current);
    const names = new Map(sections.map(({ id, name }) => [id, name]));
    const columns = listOf(current, 'tickColumn')
      .filter(({ sectionId, name }) => names.has(sectionId) && (columnName === '' || name === columnName))
      .sort(inSheetOrder);
    const found = new Map<string, Owing>();
    for (const enrolment of listOf(current, 'enrolment')) {
      const student = current.student[enrolment.studentId];
      if (!student || student.removed || !isEnrolledOn(enrolment, date)) continue;
      const own = columns.filter(
        (column) => column.sectionId === enrolment.sectionId && isOwing(column, tickOf(column, student.id)),
      );
      if (own.length === 0) continue;
      const before = found.get(student.id);
      const name = names.get(enrolment.sectionId) ?? '';
      found.set(student.id, {
        student,
        classes: [...new Set([...(before?.classes ?? []), name])],
        columns: [...new Set([...(before?.columns ?? []), ...own])],
      });
    }
    return [...found.values()].sort((a, b) => byName(order)(a.student, b.student));
  }, [current, date, order, sections, columnName]);
}

/** Who still owes, in one class or in all: one after the other, a tap for what comes in. */
export function OwingScreen() {
  const { sectionId = everywhere } = useLocalSearchParams<{ sectionId?: string }>();
  const router = useRouter();
  const all = useSections();
  const going = useMemo(
    () => all.filter(({ endedOn, id }) => endedOn === null || id === sectionId),
    [all, sectionId],
  );
  const chosen = useMemo(
    () => (sectionId === everywhere ? going : going.filter(({ id }) => id === sectionId)),
    [going, sectionId],
  );
  const columnNames = useRecords(({ current }) => current.tickColumn);
  const [columnName, setColumnName] = useState('');
  const owing = useOwing(chosen, columnName);
  const [opened, setOpened] = useState<{ column: TickColumn; studentId: string } | null>(null);
  const current = useRecords((state) => state.current);
  const tickOf = tickIn(current);
  const ids = new Set(chosen.map(({ id }) => id));
  const names = [
    ...new Set(
      Object.values(columnNames).flatMap((one) => (!one.removed && ids.has(one.sectionId) ? [one.name] : [])),
    ),
  ].sort((a, b) => a.localeCompare(b));
  const one = going.find(({ id }) => id === sectionId);
  const openedStudent = opened ? current.student[opened.studentId] : undefined;
  return (
    <Page
      title="Who still owes"
      back={
        one
          ? { to: { pathname: '/classes/[sectionId]/ticks', params: { sectionId } }, name: 'The tick-sheet' }
          : { to: '/people', name: 'All classes' }
      }
      tools={<TakeBack about={ticksHistory} />}
    >
      <Sentence
        parts={[
          'In ',
          choicePhrase({
            name: 'choose the class',
            value: sectionId,
            options: [
              { value: everywhere, label: 'all classes' },
              ...going.map(({ id, name }) => ({ value: id, label: name })),
            ],
            onChange: (value) => {
              setColumnName('');
              router.setParams({ sectionId: value });
            },
          }),
          `, ${owing.length === 0 ? 'nobody owes' : `${owing.length} still ${owing.length === 1 ? 'owes' : 'owe'}`} `,
          choicePhrase({
            name: 'choose what is owed',
            value: columnName,
            options: [
              { value: '', label: 'anything' },
              ...names.map((name) => ({ value: name, label: name })),
            ],
            words: columnName === '' ? (owing.length === 0 ? 'anything' : 'something') : columnName,
            onChange: setColumnName,
          }),
          owing.length === 0 ? '.' : '. A tap says it is here.',
        ]}
      />
      {owing.length === 0 ? (
        <Empty title={names.length === 0 ? 'There are no tick-sheets yet' : 'Nothing is missing'}>
          {names.length === 0
            ? 'A class’s tick-sheet has a column for each small thing: slips, fees, homework seen.'
            : 'Everything that was asked for is here.'}
        </Empty>
      ) : (
        <Card style={{ padding: 0 }}>
          {owing.map(({ student, classes, columns }) => (
            <OwingRow
              key={student.id}
              student={student}
              classes={one ? [] : classes}
              columns={columns}
              words={(column) => owedWords(column, tickOf(column, student.id))}
              stateOf={(column) => tickState(column, tickOf(column, student.id))}
              onTap={(column) => {
                // What is counted in steps is typed here: a tap means that all of it is.
                const hand = handsOf(column).find(({ holds, id }) => holds && id !== 'exempt');
                const isChoice = column.kind === 'choice';
                const cell = hand && !isChoice ? tapped(hand, tickOf(column, student.id), today()) : null;
                if (cell) setCells(column, [[student.id, cell]]);
                else setOpened({ column, studentId: student.id });
              }}
            />
          ))}
        </Card>
      )}
      {opened && openedStudent ? (
        <ValueSheet
          column={opened.column}
          student={openedStudent}
          tick={tickOf(opened.column, opened.studentId)}
          onClose={() => {
            setOpened(null);
          }}
        />
      ) : null}
    </Page>
  );
}

interface OwingRowProps {
  student: Student;
  classes: readonly string[];
  columns: readonly TickColumn[];
  words: (column: TickColumn) => string;
  stateOf: (column: TickColumn) => ReturnType<typeof tickState>;
  onTap: (column: TickColumn) => void;
}

function OwingRow({ student, classes, columns, words, stateOf, onTap }: OwingRowProps) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <View
      testID="owing-row"
      style={{
        paddingHorizontal: space(4),
        paddingTop: wide ? 0 : space(1),
        flexDirection: wide ? 'row' : 'column',
        alignItems: wide ? 'center' : undefined,
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <Words bold lines={1} style={wide ? { width: 320 } : {}}>
        {displayName(student)}
        {classes.length > 0 ? (
          <Words size="small" tone="inkQuiet">
            {`  ${classes.join(', ')}`}
          </Words>
        ) : null}
      </Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(4), flexShrink: 1 }}>
        {columns.map((column) => (
          <TapArea
            key={column.id}
            name={`${displayName(student)}: ${words(column)} is here`}
            onTap={() => {
              onTap(column);
            }}
            style={{
              minHeight: target,
              flexDirection: 'row',
              alignItems: 'center',
              gap: space(1),
            }}
          >
            <TickSign state={stateOf(column)} />
            <Words>{words(column)}</Words>
          </TapArea>
        ))}
      </View>
    </View>
  );
}
