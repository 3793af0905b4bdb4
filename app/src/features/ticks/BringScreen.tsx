import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { TableError } from '@slate-path/core/formats/tableError';
import type { PlannedColumn, Target } from '@slate-path/core/ticks/bring/planTicks';
import type { SheetReading } from '@slate-path/core/ticks/bring/readSheet';
import { holdsWords } from '@slate-path/core/ticks/legendTable';
import { mostColumnsAtOnce } from '@slate-path/core/ticks/limits';
import { ticksHistory } from '@slate-path/core/ticks/tickId';
import { many } from '@slate-path/core/words/many';
import { LinesSaid, ListSource } from '../../files/lazyListSource';
import { useLists } from '../../files/useLists';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { Page } from '../../parts/Page';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { forgetTyped } from '../../parts/typed';
import { Words } from '../../parts/Words';
import { makeChange } from '../../sync/outbox';
import { useSectionName } from '../../sync/sections';
import { TakeBack } from '../../sync/TakeBack';
import { space } from '../../theme/tokens';
import type { Answers } from '../attendance/participants/keptAnswers';
import { EntryQuestions } from '../attendance/participants/lazyEntryQuestions';
import { useClassList } from '../people/class/ofClass';
import { rememberAnswers } from '../work/rememberAnswers';
import { useConcerns } from './ticking';
import { forgetIds, useBringTicks, type BringTicks } from './useBringTicks';
import { useColumns } from './useSheet';

/** So large is a table of a class at most. */
const limits = { bytes: 2_000_000, rows: 500, what: 'a tick-sheet' };
const mostCells = 5000;

/** A table of small things, from a file or pasted: what becomes of it is shown before anything is kept. */
export function BringScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const router = useRouter();
  const name = useSectionName(sectionId);
  const lists = useLists();
  const { columns } = useColumns(sectionId);
  const { present, gone } = useClassList(sectionId);
  const students = useMemo(() => [...present, ...gone].map(({ student }) => student), [present, gone]);
  const [reading, setReading] = useState<SheetReading | null>(null);
  const [answers, setAnswers] = useState<Answers>(new Map());
  const [targets, setTargets] = useState<ReadonlyMap<number, Target>>(new Map());
  const [problem, setProblem] = useState<string>();
  const [done, setDone] = useState('');
  const bring = useBringTicks(sectionId, reading, students, answers, targets);
  const concerns = useConcerns(sectionId);
  const about = `ticks of ${sectionId}`;
  const read = async (file: Blob) => {
    setProblem(undefined);
    setDone('');
    if (!lists) return;
    try {
      const rows = await lists.readTable(new Uint8Array(await file.arrayBuffer()), limits);
      const isSomebody = (written: string) => {
        const person = {
          written,
          name: written.includes('@') ? '' : written,
          email: '',
          schoolId: '',
          lines: [],
        };
        const asked = written.includes('@') ? { ...person, email: written.toLowerCase() } : person;
        return written !== '' && lists.matchWritten([asked], students, new Map()).students.size > 0;
      };
      setTargets(new Map());
      setAnswers(new Map());
      setReading(lists.readSheet(rows, isSomebody));
    } catch (error) {
      if (!(error instanceof TableError)) throw error;
      setProblem(error.message);
    }
  };
  const accept = () => {
    if (!bring) return;
    const { toMake, ticks } = bring.plan;
    if (toMake.length > mostColumnsAtOnce || ticks.length > mostCells) {
      setProblem(
        `At most ${mostColumnsAtOnce} new columns and ${mostCells} cells at once. Nothing was changed; split the table.`,
      );
      return;
    }
    rememberAnswers(sectionId, answers);
    const made = toMake.map(({ removed: _removed, ...column }) => column);
    makeChange('ticks.bring', { columns: made, ticks }, ticksHistory);
    forgetIds();
    forgetTyped(about);
    setReading(null);
    setDone(
      `Taken in: ${[made.length > 0 ? many(made.length, 'new column') : '', many(ticks.length, 'cell')].filter(Boolean).join(', ')}.`,
    );
  };
  const leftOut = [
    ...(bring?.plan.problems ?? []).map(({ line, heading, reason }) => ({
      line,
      reason: `${heading}: ${reason}`,
    })),
    ...(reading?.leftOut ?? []),
  ];
  const isIdle = !bring || (bring.plan.ticks.length === 0 && bring.plan.toMake.length === 0);
  return (
    <Page
      title="Bring in a table"
      tab={`Bring in a tick-sheet, ${name}`}
      note={name}
      back={{ to: { pathname: '/classes/[sectionId]/ticks', params: { sectionId } }, name: 'The tick-sheet' }}
    >
      {done ? (
        <Card style={{ gap: space(2), alignItems: 'flex-start' }}>
          <Words bold live>
            {done}
          </Words>
          <Action
            label="Show it"
            kind="main"
            onPress={() => {
              router.push({ pathname: '/classes/[sectionId]/ticks', params: { sectionId } });
            }}
          />
          <TakeBack about={ticksHistory} concerns={concerns} />
        </Card>
      ) : null}
      {reading && bring ? (
        <>
          <Card style={{ gap: space(3) }}>
            <Words bold>{summaryOf(bring)}</Words>
            {bring.plan.columns.map((planned) => (
              <PlannedLine
                key={planned.index}
                planned={planned}
                known={columns}
                target={targets.get(planned.index)}
                onTarget={(target) => {
                  setTargets(new Map([...targets, [planned.index, target]]));
                }}
              />
            ))}
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
              <Action label="Take it in" kind="main" disabled={isIdle} onPress={accept} />
              <Action
                label="Another table"
                onPress={() => {
                  setReading(null);
                }}
              />
            </View>
            <Words size="small" tone="inkQuiet">
              {isIdle
                ? 'There is nothing new in it for anybody of this class.'
                : 'Nothing is kept before you take it in; it is one step, and can be taken back as one. Empty cells leave what is here.'}
            </Words>
            {problem ? (
              <Words tone="ember" live>
                {problem}
              </Words>
            ) : null}
          </Card>
          <EntryQuestions
            questions={bring.questions}
            students={students}
            answers={answers}
            onAnswer={(entry, studentId) => {
              const next = new Map(answers);
              if (studentId === undefined) next.delete(entry);
              else next.set(entry, studentId);
              setAnswers(next);
            }}
          />
          <LinesSaid title="Left out" lines={leftOut} count={leftOut.length} />
        </>
      ) : (
        <ListSource
          name="File of a tick-sheet"
          what="cells"
          accept=".csv,.tsv,.txt,.xlsx"
          problem={problem}
          onRead={(file) => void read(file)}
          about={about}
          testID="ticks"
        >
          A row a student, a column a thing: yes or x, 7/8, numbers, days, words; “n/a” where it is not
          needed. You see what becomes of it before anything is kept.
        </ListSource>
      )}
    </Page>
  );
}

function summaryOf({ plan: { ticks, columns, toMake } }: BringTicks): string {
  const sum = (fate: 'new' | 'changed' | 'same') => columns.reduce((all, { fates }) => all + fates[fate], 0);
  const going = columns.filter(({ column }) => column !== null).length;
  return `${many(going, 'column')} (${toMake.length} new), ${many(ticks.length, 'cell')} to be written: ${sum('new')} new, ${sum('changed')} changed, ${sum('same')} the same`;
}

interface PlannedLineProps {
  planned: PlannedColumn;
  known: ReturnType<typeof useColumns>['columns'];
  target: Target | undefined;
  onTarget: (target: Target) => void;
}

/** Where a column of the table goes. */
function PlannedLine({
  planned: { heading, column, isNew, fates },
  known,
  target,
  onTarget,
}: PlannedLineProps) {
  const value = column === null ? 'nowhere' : isNew ? 'new' : column.id;
  const cells = fates.new + fates.changed + fates.same;
  return (
    <Sentence
      parts={[
        `“${heading || 'without a heading'}”, ${many(cells, 'cell')}, goes `,
        choicePhrase({
          name: `choose where ${heading || 'this column'} goes`,
          value:
            target === undefined
              ? value
              : target === 'new' || target === 'nowhere'
                ? target
                : target.columnId,
          options: [
            { value: 'new', label: 'into a new column' },
            ...known.map(({ id, name }) => ({ value: id, label: `into ${name}` })),
            { value: 'nowhere', label: 'nowhere' },
          ],
          onChange: (next) => {
            onTarget(next === 'new' || next === 'nowhere' ? next : { columnId: next });
          },
        }),
        column === null
          ? '.'
          : isNew
            ? `: ${holdsWords(column)}.`
            : `: ${fates.new} new, ${fates.changed} changed.`,
      ]}
    />
  );
}
