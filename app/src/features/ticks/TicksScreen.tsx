import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { many } from '@slate-path/core/words/many';
import { usePaperSize } from '../../files/paperSize';
import { useGiveFile } from '../../files/useGiveFile';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Empty } from '../../parts/Empty';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { useNameOrder } from '../../sync/nameOrder';
import { makeChange } from '../../sync/outbox';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useWide } from '../../theme/theme';
import { ClassPage } from '../people/class/lazyClassPage';
import { useClassRole } from '../sharing/colleagues';
import { ColumnForm } from './ColumnForm';
import { ColumnRow } from './ColumnRow';
import { CopySheet } from './CopySheet';
import { TickGrid } from './TickGrid';
import { useConcerns } from './ticking';
import { owedBy, useSheet } from './useSheet';

type Shown = 'all' | 'open';

/** The small things that are kept of each student of a class: all columns, and what is missing. */
export function TicksScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const wide = useWide();
  const isTeacher = useClassRole(sectionId) === 'teacher';
  const order = useNameOrder();
  const paper = usePaperSize();
  const { give, sheet: giving } = useGiveFile();
  const sheet = useSheet(sectionId);
  const concerns = useConcerns(sectionId);
  const removed = useRecords(({ current }) => current.tickColumn);
  const [shown, setShown] = useState<Shown>('all');
  const [open, setOpen] = useState<'add' | 'copy' | null>(null);
  const { columns, students } = sheet;
  const params = { sectionId };
  const owing = students.filter(({ id }) => owedBy(sheet, id).length > 0);
  const lacking = columns.filter((column) =>
    students.some(({ id }) => owedBy({ ...sheet, columns: [column] }, id).length > 0),
  );
  const gone = Object.values(removed).filter((one) => one.removed && one.sectionId === sectionId);
  const fileIn = (format: FileFormat) => () => {
    give(addressOf('ticksFile', { sectionId, format: format === 'html' ? 'pdf' : format, order, paper }));
  };
  const add = () => {
    setOpen('add');
  };
  const bring = () => {
    router.push({ pathname: '/classes/[sectionId]/ticks/bring', params });
  };
  const scan = () => {
    router.push({ pathname: '/owing', params });
  };
  const shownColumns = shown === 'open' ? lacking : columns;
  return (
    <ClassPage
      sectionId={sectionId}
      page="Tick-sheets"
      full={wide}
      tools={<TakeBack about={ticksHistory} concerns={concerns} />}
      main={isTeacher ? { label: 'Add a column', onPress: add } : undefined}
      more={[
        {
          title: 'Tick-sheet',
          items: [
            columns.length > 0
              ? {
                  label: 'Who still owes',
                  note: 'One student after the other, with all that is missing',
                  onPress: scan,
                }
              : null,
            isTeacher
              ? {
                  label: 'Bring in a table',
                  note: 'A file or pasted cells: a row a student, a column a thing',
                  onPress: bring,
                }
              : null,
            isTeacher && columns.length > 0
              ? {
                  label: 'Copy columns',
                  note: 'Into other classes, or the same class of a new term',
                  onPress: () => {
                    setOpen('copy');
                  },
                }
              : null,
            isTeacher && owing.length > 0
              ? {
                  label: 'Write to who owes',
                  note: 'To each of them or their guardians, with all that is missing filled in',
                  onPress: () => {
                    router.push({ pathname: '/write', params: { sectionId, owes: 'ticks' } });
                  },
                }
              : null,
          ],
        },
        {
          title: 'On paper',
          items: [
            {
              label: 'A page for the clipboard',
              note: 'The class as it sits, each with numbered boxes; empty, or filled with what is known',
              onPress: () => {
                router.push({ pathname: '/classes/[sectionId]/clipboard', params });
              },
            },
          ],
        },
        ...(columns.length > 0
          ? [
              {
                title: 'As a file',
                items: [
                  { label: 'Tick-sheet as workbook', onPress: fileIn('xlsx') },
                  { label: 'Tick-sheet as CSV', onPress: fileIn('csv') },
                  { label: 'Tick-sheet as PDF', onPress: fileIn('pdf') },
                ],
              },
            ]
          : []),
        ...(isTeacher && gone.length > 0
          ? [
              {
                title: 'Removed columns',
                items: gone.map(({ removed: _removed, ...column }) => ({
                  label: `Bring back: ${column.name}`,
                  note: 'With all that stood in it',
                  onPress: () => {
                    makeChange('tickColumn.set', { columns: [column] }, ticksHistory);
                  },
                })),
              },
            ]
          : []),
      ]}
    >
      {columns.length === 0 ? (
        <Empty
          title="The small things will stand here"
          action={
            isTeacher ? (
              <View style={{ gap: 8, alignItems: 'flex-start' }}>
                <Action label="Bring in a table" onPress={bring} />
              </View>
            ) : undefined
          }
        >
          Slip returned, fee paid, homework seen, 7 of 8, a locker's number: a column for each, a tap for each
          student. It says who still owes, and writes to them.
        </Empty>
      ) : (
        <>
          <Sentence
            parts={[
              'Of ',
              choicePhrase({
                name: 'choose which columns are shown',
                value: shown,
                options: [
                  { value: 'all', label: many(columns.length, 'column') },
                  { value: 'open', label: `the ${lacking.length} that lack something` },
                ],
                words:
                  shown === 'all'
                    ? many(columns.length, 'column')
                    : `the ${lacking.length} that lack something`,
                onChange: setShown,
              }),
              owing.length === 0 ? ', nothing is missing.' : ', ',
              ...(owing.length === 0
                ? []
                : [
                    {
                      words: `${owing.length} of ${students.length} still ${owing.length === 1 ? 'owes' : 'owe'} something`,
                      name: 'go through them',
                      onTap: scan,
                    },
                    '.',
                  ]),
            ]}
          />
          {wide ? (
            <TickGrid
              sheet={{ ...sheet, columns: shownColumns }}
              students={shown === 'open' ? owing : students}
              onOpen={(columnId) => {
                router.push({
                  pathname: '/classes/[sectionId]/ticks/[columnId]',
                  params: { sectionId, columnId },
                });
              }}
            />
          ) : (
            <Card style={{ padding: 0 }}>
              {shownColumns.map((column) => (
                <ColumnRow key={column.id} sheet={sheet} column={column} />
              ))}
            </Card>
          )}
        </>
      )}
      {open === 'add' ? (
        <ColumnForm
          sectionId={sectionId}
          column={null}
          onClose={(made) => {
            setOpen(null);
            if (made !== undefined && !wide)
              router.push({
                pathname: '/classes/[sectionId]/ticks/[columnId]',
                params: { sectionId, columnId: made },
              });
          }}
        />
      ) : null}
      {open === 'copy' ? (
        <CopySheet
          sectionId={sectionId}
          columns={columns}
          onClose={() => {
            setOpen(null);
          }}
        />
      ) : null}
      {giving}
    </ClassPage>
  );
}
