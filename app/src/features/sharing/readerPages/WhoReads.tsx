import { View } from 'react-native';
import { listOf } from '@slate-path/core/records/records';
import type { Student } from '@slate-path/core/records/schema';
import type { ReaderRelation } from '@slate-path/core/sharing/readerPage/limits';
import { Action } from '../../../parts/Action';
import { Field } from '../../../parts/Field';
import { choicePhrase, Sentence } from '../../../parts/Sentence';
import { space } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';
import { languagePhrase } from '../languagePhrase';
import type { PageForm } from './form';

export const relationNames: Record<ReaderRelation, string> = {
  home: 'home',
  head: 'a head',
  counsellor: 'a counsellor',
  specialist: 'a specialist',
  other: 'somebody else',
};

const relations = Object.entries(relationNames).map(([value, label]) => ({
  value: value as ReaderRelation,
  label,
}));

interface WhoReadsProps {
  /** Null where a class is told of. */
  student: Student | null;
  form: PageForm;
  errorOf: (field: string) => string | undefined;
  onChange: (some: Partial<PageForm>) => void;
}

/** For whom a page is, how the link gets there, and in which language its fixed words are. */
export function WhoReads({ student, form, errorOf, onChange }: WhoReadsProps) {
  const current = useRecords((state) => state.current);
  const guardians = listOf(current, 'guardian').filter(({ studentId }) => studentId === student?.id);
  return (
    <View style={{ gap: space(3) }}>
      {guardians.length > 0 && form.reader === '' ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
          {guardians.map(({ id, name, email, relation }) => (
            <Action
              key={id}
              label={[name, relation].filter(Boolean).join(', ')}
              onPress={() => {
                onChange({ reader: name, email, relation: 'home' });
              }}
            />
          ))}
        </View>
      ) : null}
      <Field
        label="Who reads it"
        value={form.reader}
        onChange={(reader) => {
          onChange({ reader });
        }}
        error={errorOf('settings.reader')}
      />
      <Field
        label="Their e-mail (empty: you hand the link on)"
        value={form.email}
        onChange={(email) => {
          onChange({ email });
        }}
        error={errorOf('email')}
      />
      <Sentence
        parts={[
          'For ',
          choicePhrase<ReaderRelation>({
            name: student
              ? 'choose what the reader is to the student'
              : 'choose what the reader is to the class',
            value: form.relation,
            options: relations,
            onChange: (relation) => {
              onChange({ relation });
            },
          }),
          ', its fixed words in ',
          languagePhrase(form.language, (language) => {
            onChange({ language });
          }),
          '; what you write stays as you write it.',
        ]}
      />
    </View>
  );
}
