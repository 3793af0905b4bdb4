import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import type { Records } from '@slate-path/core/records/records';
import type { Fact, FactRecord } from '@slate-path/core/watch/signals/summary';
import { shortDay } from '../../../parts/dates';
import { LinkRow } from '../../../parts/LinkRow';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';

/** What a record is, in words, and its page where it has one. */
function placeOf({ id, day }: FactRecord, { lesson, note, step, section, work }: Records) {
  const to = (words: string, href: Href | null) => ({ words: `${shortDay(day)}: ${words}`, href });
  const lessonHere = lesson[id];
  if (lessonHere)
    return to(`${section[lessonHere.sectionId]?.name ?? 'lesson'}, ${lessonHere.startsAt}`, {
      pathname: '/lessons/[lessonId]',
      params: { lessonId: id },
    });
  if (note[id]) return to(note[id].text, { pathname: '/notes/[noteId]', params: { noteId: id } });
  if (step[id]) return to(step[id].text ? `${step[id].kind}: ${step[id].text}` : step[id].kind, null);
  if (id === day) return to('the day as a whole', null);
  return to(work[id]?.title ?? 'a piece of work', null);
}

/** One record behind a fact. */
function RecordLine({ record }: { record: FactRecord }) {
  const router = useRouter();
  const { words, href } = placeOf(
    record,
    useRecords((state) => state.current),
  );
  const open = href === null ? null : () => router.push(href);
  return <LinkRow words={words} name={`Open ${words}`} onOpen={open} />;
}

/** A sentence of the summary; a tap on what it rests on shows the records. */
export function FactLine({ fact: { sentence, records } }: { fact: Fact }) {
  const [open, setOpen] = useState(false);
  const palette = usePalette();
  const label = open ? 'Hide the records' : `From ${many(records.length, 'record')}`;
  return (
    <View>
      <Words>{sentence}</Words>
      {records.length === 0 ? null : (
        <Pressable
          role="button"
          aria-expanded={open}
          aria-label={`${label}: ${sentence}`}
          onPress={() => {
            setOpen(!open);
          }}
          style={{ minHeight: target, justifyContent: 'center', alignSelf: 'flex-start' }}
        >
          <Words tone="slate">{label}</Words>
        </Pressable>
      )}
      {open ? (
        <View
          role="group"
          style={{
            marginLeft: space(3),
            borderTopWidth: 1,
            borderColor: palette.line,
            marginBottom: space(2),
          }}
        >
          {records.map((record) => (
            <RecordLine key={record.id} record={record} />
          ))}
        </View>
      ) : null}
    </View>
  );
}
