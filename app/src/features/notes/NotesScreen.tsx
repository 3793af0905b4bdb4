import Search from 'lucide-react-native/icons/search';
import Tag from 'lucide-react-native/icons/tag';
import { useLocalSearchParams, useRouter } from 'expo-router';
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
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { readDate } from '../../forms/readDate';
import { TakeBack } from '../../sync/TakeBack';
import { useSectionNames, useSections } from '../../sync/sections';
import { useRecords } from '../../sync/useRecords';
import { StudentSearch } from './CorrectionPanels';
import { openDraft } from './draft';
import { NoteDays } from './NoteDays';
import { anyNote, useSearch, type NoteQuery } from './useSearch';
import { WhoElse } from './WhoElse';
import { notesHistory } from './write';

/** Looked for by words and by what the address and the fields say. */
export function NotesScreen() {
  const wide = useWide();
  const router = useRouter();
  const asked = useLocalSearchParams<Partial<NoteQuery>>();
  const [query, setQuery] = useState<NoteQuery>({ ...anyNote, ...asked });
  const [filters, setFilters] = useState(false);
  const set = (news: Partial<NoteQuery>) => {
    setQuery((last) => ({ ...last, ...news }));
  };
  const isDay = (typed: string) => typed === '' || isDate(typed);
  const usable = { ...query, from: isDay(query.from) ? query.from : '', to: isDay(query.to) ? query.to : '' };
  const { hits, offline, more } = useSearch(usable);
  const any = Object.values(query).every((value) => value === '');
  const tools = (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <TakeBack about={notesHistory} />
      <Action
        label="Topics"
        icon={Tag}
        onPress={() => {
          router.push('/topics');
        }}
      />
    </View>
  );
  const side = <Filters query={query} onChange={set} />;
  return (
    <Page title="Notes" note={useFilterWords(query)} back={{ to: '/watch', name: 'Watch' }} tools={tools}>
      <View style={{ flexDirection: 'row', gap: space(8), alignItems: 'flex-start' }}>
        <View style={{ flex: 1, gap: space(3) }}>
          <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: space(2) }}>
            <Field
              label="Words, or a “phrase”"
              value={query.words}
              onChange={(words) => {
                set({ words });
              }}
              testID="note-search"
            />
            {wide ? null : (
              <Action
                label={filters ? 'Fewer' : 'Filter'}
                icon={Search}
                onPress={() => {
                  setFilters(!filters);
                }}
              />
            )}
          </View>
          {!wide && filters ? side : null}
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
        {wide ? (
          <View style={{ width: 300, gap: space(4) }}>
            {side}
            {query.topicId ? <WhoElse topicId={query.topicId} /> : null}
          </View>
        ) : null}
      </View>
    </Page>
  );
}

/** What is shown, in words. */
function useFilterWords(query: NoteQuery): string {
  const { words: typed, sectionId, studentId, topicId, lessonId, from, to } = query;
  const { student, topic, lesson } = useRecords((state) => state.current);
  const names = useSectionNames();
  const one = student[studentId];
  const words = [
    typed.trim() === '' ? '' : `with “${typed.trim()}”`,
    one ? `about ${displayName(one)}` : '',
    topic[topicId]?.name ? `on ${topic[topicId].name}` : '',
    names[sectionId] ?? '',
    lesson[lessonId] ? `in the lesson of ${longDay(lesson[lessonId].date)}` : '',
    isDate(from) ? `from ${from}` : '',
    isDate(to) ? `to ${to}` : '',
  ];
  const said = words.filter(Boolean).join(', ');
  return said === '' ? 'All of them, the latest first' : said.charAt(0).toUpperCase() + said.slice(1);
}

interface FiltersProps {
  query: NoteQuery;
  onChange: (news: Partial<NoteQuery>) => void;
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

function Filters({ query, onChange }: FiltersProps) {
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
      <Words bold>Class</Words>
      <Choice
        name="Class"
        value={query.sectionId}
        options={[any, ...sections.map(({ id, name }) => ({ value: id, label: name }))]}
        onChange={(sectionId) => {
          onChange({ sectionId });
        }}
      />
      <Words bold>Student</Words>
      {student ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <Words>{displayName(student)}</Words>
          <Action
            label="Anybody"
            kind="plain"
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
          kind="plain"
          onPress={() => {
            onChange(anyNote);
          }}
        />
      ) : null}
    </View>
  );
}
