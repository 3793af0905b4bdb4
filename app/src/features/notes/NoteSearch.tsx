import { useState } from 'react';
import { View } from 'react-native';
import { isDate } from '@slate-path/core/calendar/isDate';
import { standingTopics } from '@slate-path/core/notes/topics';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { Choice } from '../../parts/Choice';
import { DateField } from '../../parts/DateField';
import { longDay } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Field } from '../../parts/Field';
import { Sentence } from '../../parts/Sentence';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { readDate } from '../../forms/readDate';
import { useSectionNames, useSections } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { StudentSearch } from './StudentSearch';
import { openDraft } from './draft';
import { NoteDays } from './NoteDays';
import { anyNote, type NoteQuery } from './query';
import { useSearch } from './useSearch';
import { WhoElse } from './WhoElse';

interface NoteSearchProps {
  query: NoteQuery;
  onChange: (query: NoteQuery) => void;
  /** The notes of one class: it is not chosen here. */
  ofClass?: true;
}

/** Notes looked for by words and by what the fields say. */
export default function NoteSearch({ query, onChange, ofClass }: NoteSearchProps) {
  const wide = useWide();
  const [filters, setFilters] = useState(false);
  const set = (news: Partial<NoteQuery>) => {
    onChange({ ...query, ...news });
  };
  const isDay = (typed: string) => typed === '' || isDate(typed);
  const usable = { ...query, from: isDay(query.from) ? query.from : '', to: isDay(query.to) ? query.to : '' };
  const { hits, offline, more } = useSearch(usable);
  const any = Object.entries(query).every(
    ([field, value]) => value === '' || (ofClass && field === 'sectionId'),
  );
  const side = <Filters query={query} onChange={set} ofClass={ofClass} />;
  return (
    <View style={{ flexDirection: 'row', gap: space(8), alignItems: 'flex-start' }}>
      <View style={{ flex: 1, gap: space(3) }}>
        <Sentence
          parts={[
            {
              words: useFilterWords(query, any),
              name: filters ? 'close the filter' : 'filter',
              ...(wide ? {} : { held: filters }),
              onTap: () => {
                setFilters(!filters);
              },
            },
            ', the latest first.',
          ]}
        />
        {!wide && filters ? side : null}
        <Field
          label="Words, or a “phrase”"
          value={query.words}
          onChange={(words) => {
            set({ words });
          }}
          testID="note-search"
        />
        {offline ? (
          <Words tone="inkQuiet" live>
            The server does not answer: these are the notes on this device, of the last six weeks.
          </Words>
        ) : null}
        {hits.length === 0 ? (
          <Empty
            title={any ? 'Your notes will stand here' : 'No note says this'}
            action={any ? <Action label="Write a note" kind="main" onPress={openDraft} /> : undefined}
          >
            {any
              ? 'Type what you see, in your own words. Who is meant, what it is about and when to look again are read from them.'
              : 'Words are found in all their forms. Fewer of them, or fewer filters, find more.'}
          </Empty>
        ) : null}
        <NoteDays hits={hits} except={query.studentId || null} />
        {more ? <Action label="Show earlier ones" onPress={() => void more()} /> : null}
      </View>
      {wide && !(ofClass && !filters) ? (
        <View style={{ width: 300, gap: space(4) }}>
          {side}
          {query.topicId ? <WhoElse topicId={query.topicId} /> : null}
        </View>
      ) : null}
    </View>
  );
}

/** What is shown, in words. */
function useFilterWords(query: NoteQuery, any: boolean): string {
  const { words: typed, sectionId, studentId, topicId, lessonId, from, to } = query;
  const { student, topic, lesson } = useRecords((state) => state.current);
  const names = useSectionNames();
  const one = student[studentId];
  const words = [
    typed.trim() === '' ? '' : `with “${typed.trim()}”`,
    one ? `about ${displayName(one)}` : '',
    topic[topicId]?.name ? `on ${topic[topicId].name}` : '',
    names[sectionId] ? `in ${names[sectionId]}` : '',
    lesson[lessonId] ? `in the lesson of ${longDay(lesson[lessonId].date)}` : '',
    isDate(from) ? `from ${from}` : '',
    isDate(to) ? `to ${to}` : '',
  ];
  return any ? 'All notes' : `Notes ${words.filter(Boolean).join(', ')}`;
}

interface FiltersProps {
  query: NoteQuery;
  onChange: (news: Partial<NoteQuery>) => void;
  ofClass: true | undefined;
}

/** What is typed stays as it is typed; what it is read as goes on. */
function DayField({ label, value, onDay }: { label: string; value: string; onDay: (day: string) => void }) {
  const [typed, setTyped] = useState(value);
  const read = typed.trim() === '' ? '' : readDate(typed);
  return (
    <DateField
      label={label}
      value={typed}
      error={read === '' || isDate(read) ? undefined : 'A date looks like 2026-11-23'}
      onChange={(next) => {
        setTyped(next);
        onDay(next.trim() === '' ? '' : readDate(next));
      }}
    />
  );
}

function Filters({ query, onChange, ofClass }: FiltersProps) {
  const current = useRecords((state) => state.current);
  const sections = useSections();
  const topics = standingTopics(current.topic);
  const student = current.student[query.studentId];
  const any = { value: '', label: 'Any' };
  const day = (label: string, field: 'from' | 'to') => (
    <DayField
      label={label}
      value={query[field]}
      onDay={(read) => {
        onChange({ [field]: read });
      }}
    />
  );
  return (
    <View style={{ gap: space(3) }}>
      {ofClass ? null : (
        <>
          <Words bold>Class</Words>
          <Choice
            name="Class"
            value={query.sectionId}
            options={[any, ...sections.map(({ id, name }) => ({ value: id, label: name }))]}
            onChange={(sectionId) => {
              onChange({ sectionId });
            }}
          />
        </>
      )}
      <Words bold>Student</Words>
      {student ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <Words>{displayName(student)}</Words>
          <Action
            label="Anybody"
            onPress={() => {
              onChange({ studentId: '' });
            }}
          />
        </View>
      ) : (
        <StudentSearch
          left={[]}
          onChoose={(studentId) => {
            onChange({ studentId });
          }}
        />
      )}
      {topics.length > 0 ? (
        <>
          <Words bold>Topic</Words>
          <Choice
            name="Topic"
            value={query.topicId}
            options={[any, ...topics.map(({ id, name }) => ({ value: id, label: name }))]}
            onChange={(topicId) => {
              onChange({ topicId });
            }}
          />
        </>
      ) : null}
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        {day('From', 'from')}
        {day('To', 'to')}
      </View>
      {Object.values(query).some((value) => value !== '') ? (
        <Action
          label="Show all notes"
          onPress={() => {
            onChange({ ...anyNote, ...(ofClass ? { sectionId: query.sectionId } : {}) });
          }}
        />
      ) : null}
    </View>
  );
}
