import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { isDate } from '@slate-path/core/calendar/isDate';
import { displayName } from '@slate-path/core/people/names';
import { seatingOn } from '@slate-path/core/people/room/seatings';
import { paperSizes } from '@slate-path/core/sharing/papers/sizes';
import { clipboardList, clipboardPlan, mostBoxes } from '@slate-path/core/ticks/clipboard/page';
import type { ClipboardContents, ClipboardShape } from '@slate-path/core/ticks/clipboard/wish';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { many } from '@slate-path/core/words/many';
import { choosePaperSize, usePaperSize } from '../../files/paperSize';
import { useGiveFile } from '../../files/useGiveFile';
import { readDate } from '../../forms/readDate';
import { Card } from '../../parts/Card';
import { DateField } from '../../parts/DateField';
import { longDay } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Field } from '../../parts/Field';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { SeveralOf } from '../../parts/SeveralOf';
import { Words } from '../../parts/Words';
import { useNameOrder } from '../../sync/nameOrder';
import { makeChange, newId } from '../../sync/outbox';
import { useLastDay, useSectionName, useSections } from '../../sync/sections';
import { TakeBack } from '../../sync/TakeBack';
import { useRecords } from '../../sync/useRecords';
import { useWide } from '../../theme/theme';
import { railWidth, space } from '../../theme/tokens';
import { ClassPage } from '../people/class/lazyClassPage';
import { useClassRole } from '../sharing/colleagues';
import { ClipboardPreview } from './ClipboardPreview';
import { useConcerns } from './ticking';
import { useColumns } from './useSheet';

const contentWords: Record<ClipboardContents, string> = {
  lines: 'lines to write on',
  ticks: 'the columns of the tick-sheet',
  roll: 'the roll of a day',
  tallies: 'what is tallied',
};

/** So large the preview is at most, in pixels. */
const widest = 900;

const count = (typed: string): number => {
  const number = Number(typed.trim());
  return Number.isInteger(number) && number >= 1 && number <= mostBoxes ? number : 0;
};

/** A page for the clipboard: the class as it sits or as a list, with numbered boxes and what they mean. */
export function ClipboardScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const wide = useWide();
  const window = useWindowDimensions();
  const name = useSectionName(sectionId);
  const isTeacher = useClassRole(sectionId) === 'teacher';
  const order = useNameOrder();
  const paper = usePaperSize();
  const lastDay = useLastDay(sectionId);
  const { giveMade, busy, sheet: giving } = useGiveFile();
  const { students, columns } = useColumns(sectionId);
  const concerns = useConcerns(sectionId);
  const seatings = useRecords(({ current }) => current.seating);
  const sections = useSections().filter(({ id, endedOn }) => endedOn === null || id === sectionId);
  const [shape, setShape] = useState<ClipboardShape>('plan');
  const [rows, setRows] = useState('2');
  const [across, setAcross] = useState('5');
  const [contents, setContents] = useState<ClipboardContents>(columns.length > 0 ? 'ticks' : 'lines');
  const [filled, setFilled] = useState<'empty' | 'filled'>('empty');
  const [from, setFrom] = useState<'front' | 'back'>('front');
  const [day, setDay] = useState(lastDay);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set([sectionId]));
  const date = readDate(day);
  const [down, beside] = [count(rows), count(across)];
  const boxes = useMemo(() => ({ rows: down, columns: beside }), [down, beside]);
  const number = boxes.rows * boxes.columns;
  const isCounted = number >= 1 && number <= mostBoxes;
  const layout = useMemo(() => {
    if (!isCounted) return null;
    const ids = students.map(({ id }) => id);
    if (shape === 'list') return clipboardList(ids, { boxes, paper });
    const own = Object.values(seatings).filter((one) => one.sectionId === sectionId && !one.removed);
    const places = isDate(date) ? (seatingOn(own, date)?.places ?? []) : [];
    return clipboardPlan(ids, places, { boxes, paper, back: from === 'back' });
  }, [isCounted, students, shape, paper, seatings, sectionId, date, from, boxes]);
  const legend = new Map(
    contents === 'ticks' ? columns.map((column) => [column.number, column.name] as const) : [],
  );
  const beyond = contents === 'ticks' ? columns.filter((column) => column.number > number) : [];
  const free = Array.from({ length: number }, (_, at) => at + 1).filter(
    (one) => !columns.some((column) => column.number === one),
  );
  const names = new Map(students.map((student) => [student.id, displayName(student)]));
  // Without a plan there is no front and no back.
  const isSeated =
    layout === null || 'problem' in layout || layout.pages[0]?.front != null || shape === 'list';
  const problem = !isCounted
    ? `From 1 to ${mostBoxes} boxes for each student: rows times boxes in a row.`
    : !isDate(date)
      ? 'Which day? As 4 December or 2026-12-04.'
      : layout && 'problem' in layout
        ? layout.problem
        : null;
  const make = () => {
    giveMade({
      address: addressOf('clipboardPages'),
      body: {
        ...{
          sectionIds: sections.flatMap(({ id }) => (chosen.has(id) ? [id] : [])),
          shape,
          ...boxes,
          contents,
        },
        ...{ filled: filled === 'filled', date, back: from === 'back', order, paper },
      },
    });
  };
  return (
    <ClassPage
      sectionId={sectionId}
      page="Tick-sheets"
      tab="Page for the clipboard"
      note="A page for the clipboard"
      tools={<TakeBack about={ticksHistory} concerns={concerns} />}
      main={{
        label: busy ? 'Making it…' : 'Make the PDF',
        disabled: busy || problem !== null || students.length === 0 || chosen.size === 0,
        onPress: make,
      }}
      more={
        isTeacher && isCounted && free.length > 0
          ? [
              {
                title: 'The way back from paper',
                items: [
                  {
                    label: `Columns for ${free.length === number ? `boxes 1 to ${number}` : many(free.length, 'box', 'boxes')}`,
                    note: 'A column each, to type in what was written by hand',
                    onPress: () => {
                      makeChange(
                        'tickColumn.set',
                        {
                          columns: free.map((one) => ({
                            ...{ id: newId(), sectionId, name: `Box ${one}`, kind: 'text', number: one },
                            ...{ dueOn: null, legend: '', most: null, unit: '', choices: [], shown: false },
                          })),
                        },
                        ticksHistory,
                      );
                    },
                  },
                ],
              },
            ]
          : []
      }
    >
      <Sentence
        parts={[
          'The class ',
          choicePhrase({
            name: 'choose the plan or a list',
            value: shape,
            options: [
              { value: 'plan', label: isSeated ? 'as it sits' : 'in rows, by name' },
              { value: 'list', label: 'as a list' },
            ],
            onChange: setShape,
          }),
          ...(shape === 'plan' && isSeated
            ? [
                ', seen from the ',
                choicePhrase({
                  name: 'choose from where it is seen',
                  value: from,
                  options: [
                    { value: 'front', label: 'front' },
                    { value: 'back', label: 'back' },
                  ],
                  onChange: setFrom,
                }),
              ]
            : []),
          ', with ',
          choicePhrase({
            name: 'choose what the boxes mean',
            value: contents,
            options: Object.entries(contentWords).map(([value, label]) => ({
              value: value as ClipboardContents,
              label,
            })),
            onChange: setContents,
          }),
          ...(contents === 'lines'
            ? []
            : [
                ', ',
                choicePhrase({
                  name: 'choose whether it is filled in',
                  value: filled,
                  options: [
                    { value: 'empty', label: 'empty' },
                    { value: 'filled', label: 'filled with what is known' },
                  ],
                  onChange: setFilled,
                }),
              ]),
          ', on ',
          choicePhrase({
            name: 'choose the sheet',
            value: paper,
            options: paperSizes.map((value) => ({ value, label: value })),
            onChange: choosePaperSize,
          }),
          '.',
        ]}
      />
      <View style={{ flexDirection: 'row', gap: space(3), alignItems: 'flex-end' }}>
        <Field label="Rows of boxes" value={rows} onChange={setRows} keyboard="numeric" width={104} />
        <Field label="In a row" value={across} onChange={setAcross} keyboard="numeric" width={88} />
        <View style={{ flex: 1, maxWidth: 280 }}>
          <DateField label="Day" value={day} onChange={setDay} />
        </View>
      </View>
      {sections.length > 1 ? (
        <SeveralOf
          name="Of these classes, one after the other"
          values={chosen}
          options={sections.map((one) => ({ value: one.id, label: one.name }))}
          onChange={setChosen}
        />
      ) : null}
      {problem ? (
        <Words tone="ember" live>
          {problem}
        </Words>
      ) : null}
      {beyond.length > 0 ? (
        <Words tone="inkQuiet">
          {`Not on it, for their numbers are beyond the boxes: ${beyond.map((column) => `${column.number} ${column.name}`).join(', ')}.`}
        </Words>
      ) : null}
      {students.length === 0 ? (
        <Empty title="Nobody is in this class">Bring its students first; the page has their names.</Empty>
      ) : layout && !('problem' in layout) ? (
        <Card style={{ padding: 0, alignSelf: 'flex-start', overflow: 'hidden' }}>
          <ClipboardPreview
            layout={layout}
            names={names}
            legend={legend}
            title={`${name}, ${isDate(date) ? longDay(date) : ''}`}
            width={Math.min(window.width - (wide ? railWidth + space(16) : space(8)), widest)}
          />
        </Card>
      ) : null}
      {giving}
    </ClassPage>
  );
}
