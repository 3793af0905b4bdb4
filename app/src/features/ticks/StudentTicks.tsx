import { useState } from 'react';
import { View } from 'react-native';
import type { Enrolment, TickColumn } from '@slate-path/core/records/schema';
import { tickState } from '@slate-path/core/ticks/tickState';
import { tickWords } from '@slate-path/core/ticks/tickWords';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { Card } from '../../parts/Card';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { TakeBack } from '../../sync/TakeBack';
import { useSectionNames } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { usePalette } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { dayShown } from './dayShown';
import { TickSign, tickStateWords } from './TickSign';
import { columnsOf, tickIn } from './useSheet';
import { ValueSheet } from './ValueSheet';

interface StudentTicksProps {
  studentId: string;
  enrolments: readonly Enrolment[];
}

/** What stands on the tick-sheets of a student's classes about this one. */
export function StudentTicks({ studentId, enrolments }: StudentTicksProps) {
  const palette = usePalette();
  const current = useRecords((state) => state.current);
  const names = useSectionNames();
  const [opened, setOpened] = useState<TickColumn | null>(null);
  const tickOf = tickIn(current);
  const sectionIds = [...new Set(enrolments.map(({ sectionId }) => sectionId))];
  const columns = sectionIds.flatMap((sectionId) => columnsOf(current, sectionId));
  const student = current.student[studentId];
  if (columns.length === 0 || !student) return null;
  return (
    <Card style={{ gap: space(1) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center' }}>
        <View style={{ flex: 1 }}>
          <Words size="large" serif heading={2}>
            Tick-sheets
          </Words>
        </View>
        <TakeBack about={ticksHistory} of="a tick-sheet" />
      </View>
      {columns.map((column) => {
        const tick = tickOf(column, studentId);
        const state = tickState(column, tick);
        const words = tickWords(column, tick, dayShown);
        const said = words === 'yes' || words === '' ? tickStateWords[state] : words;
        return (
          <TapArea
            key={column.id}
            name={`${column.name}: ${said}`}
            onTap={() => {
              setOpened(column);
            }}
            style={{
              minHeight: target,
              flexDirection: 'row',
              alignItems: 'center',
              gap: space(3),
              borderTopWidth: 1,
              borderColor: palette.line,
            }}
          >
            <TickSign state={state} />
            <View style={{ flex: 1 }}>
              <Words lines={1}>{column.name}</Words>
              {sectionIds.length > 1 ? (
                <Words size="small" tone="inkQuiet" lines={1}>
                  {names[column.sectionId] ?? ''}
                </Words>
              ) : null}
            </View>
            <Words tone="inkQuiet" figures lines={1}>
              {said}
            </Words>
          </TapArea>
        );
      })}
      {opened ? (
        <ValueSheet
          column={opened}
          student={student}
          tick={tickOf(opened, studentId)}
          onClose={() => {
            setOpened(null);
          }}
        />
      ) : null}
    </Card>
  );
}
