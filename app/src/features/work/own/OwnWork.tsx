import { useState } from 'react';
import { View } from 'react-native';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Section, Student } from '@slate-path/core/records/schema';
import { displayName } from '@slate-path/core/people/names';
import { many } from '@slate-path/core/words/many';
import { durationWords } from '@slate-path/core/work/durationWords';
import type { Finished } from '@slate-path/core/work/own/finished';
import { workDay, type WorkDay } from '@slate-path/core/work/own/planWork';
import { dueWords } from '@slate-path/core/work/pieceWords';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Choice } from '../../../parts/Choice';
import { longDay } from '../../../parts/dates';
import { Empty } from '../../../parts/Empty';
import { Field } from '../../../parts/Field';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { setAttendedByWork } from './setOwnWork';

interface OwnWorkProps {
  section: Section;
  student: Student;
  /** Of this student in this class. */
  pieces: readonly Finished[];
  onOpen: (piece: Finished) => void;
}

/** A student's own pieces of work by the days on which they were finished, and from when a day is a whole one. */
export function OwnWork(props: OwnWorkProps) {
  const wide = useWide();
  const { section } = props;
  return (
    <View style={{ flexDirection: wide ? 'row' : 'column', gap: space(4), alignItems: 'flex-start' }}>
      <Days {...props} />
      <Counting key={String(section.wholeDayMinutes)} section={section} />
    </View>
  );
}

const dayWords: Record<WorkDay, string> = { whole: 'a whole day', half: 'half a day', none: '' };

function Days({ section, student, pieces, onOpen }: OwnWorkProps) {
  const palette = usePalette();
  if (pieces.length === 0)
    return (
      <Empty title={`Nothing of ${displayName(student)} alone yet`}>
        A piece of work that is this student’s alone: what was done and on which day, or by when it is due.
      </Empty>
    );
  // What is not done yet first, then the last day first.
  const byDay = [...groupBy(pieces, ({ doneOn }) => doneOn ?? '')].sort(([a], [b]) =>
    a === '' ? -1 : b === '' ? 1 : a < b ? 1 : -1,
  );
  const done = pieces.filter(({ doneOn }) => doneOn !== null);
  const dayOf = (date: string) => workDay(pieces, student.id, date, section.wholeDayMinutes);
  const parts = byDay.map(([date]) => dayOf(date));
  const days =
    parts.filter((day) => day === 'whole').length + parts.filter((day) => day === 'half').length / 2;
  const minutes = done.reduce((sum, piece) => sum + (piece.minutes ?? 0), 0);
  return (
    <Card style={{ padding: 0, flexGrow: 2, width: '100%', flexShrink: 1 }}>
      <Words bold figures style={{ padding: space(4) }}>
        {`${[section.attendedByWork ? many(days, 'day') : '', minutes > 0 ? durationWords(minutes) : '', many(done.length, 'piece')].filter(Boolean).join(', ')} finished`}
      </Words>
      {byDay.map(([date, found]) => (
        <View key={date} style={{ borderTopWidth: 1, borderColor: palette.line, paddingVertical: space(2) }}>
          <Words size="small" tone="inkQuiet" style={{ paddingHorizontal: space(4) }}>
            {date === ''
              ? 'Not done yet'
              : [longDay(date), section.attendedByWork ? dayWords[dayOf(date)] : '']
                  .filter(Boolean)
                  .join(', ')}
          </Words>
          {found.map((piece) => (
            <PieceRow key={piece.work.id} piece={piece} onOpen={onOpen} />
          ))}
        </View>
      ))}
    </Card>
  );
}

function PieceRow({ piece, onOpen }: { piece: Finished; onOpen: (piece: Finished) => void }) {
  const { work, doneOn, minutes } = piece;
  const figures = [
    doneOn === null && work.dueAt !== null ? dueWords(work) : '',
    minutes === null ? '' : durationWords(minutes),
  ];
  const words = figures.filter(Boolean).join(' · ');
  return (
    <TapArea
      name={`Change ${work.title}${words && `, ${words}`}`}
      onTap={() => {
        onOpen(piece);
      }}
      style={{
        ...{ minHeight: rowHeight, flexDirection: 'row', alignItems: 'center', gap: space(2) },
        paddingHorizontal: space(4),
      }}
    >
      <View style={{ flex: 1 }}>
        <Words>{work.title}</Words>
      </View>
      <Words figures tone="inkQuiet">
        {words}
      </Words>
    </TapArea>
  );
}

const counting = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
] as const;

/** Whether days with finished work count as attended, and from how many minutes one is whole. */
function Counting({ section }: { section: Section }) {
  const { attendedByWork, wholeDayMinutes } = section;
  const [minutes, setMinutes] = useState(wholeDayMinutes === null ? '' : String(wholeDayMinutes));
  const [wrong, setWrong] = useState(false);
  const accept = () => {
    const value = minutes.trim() === '' ? null : Number(minutes);
    const good = value === null || (Number.isInteger(value) && value >= 1 && value <= 720);
    setWrong(!good);
    if (good) setAttendedByWork(section, { attendedByWork, wholeDayMinutes: value });
  };
  return (
    <Card style={{ gap: space(3), flexGrow: 1, width: '100%', flexShrink: 1 }}>
      <Words bold>Does a day with finished work count as attended?</Words>
      <Choice
        name="Does a day with finished work count as attended?"
        value={attendedByWork ? 'yes' : 'no'}
        options={counting}
        onChange={(value) => {
          setAttendedByWork(section, { attendedByWork: value === 'yes', wholeDayMinutes });
        }}
      />
      <Words size="small" tone="inkQuiet">
        For a class that has no roll of its own, as at home: whoever finished something on a day was there,
        whoever did not is away. Marks made by hand stay.
      </Words>
      {attendedByWork ? (
        <>
          <Field
            label="Minutes of a whole day (empty: any work is one)"
            value={minutes}
            onChange={setMinutes}
            keyboard="numeric"
            error={wrong ? 'Whole minutes from 1 to 720' : undefined}
            hint="With less it is half a day."
          />
          <Action label="Count so" onPress={accept} />
        </>
      ) : null}
    </Card>
  );
}
