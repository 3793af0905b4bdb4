import { useState } from 'react';
import { View } from 'react-native';
import { findByName } from '@slate-path/core/people/findByName';
import { byDisplayName, displayName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { Words } from '../../parts/Words';
import { useRecords } from '../../sync/useRecords';
import { space } from '../../theme/tokens';

const row = { flexDirection: 'row', flexWrap: 'wrap', gap: space(2) } as const;
const mostFound = 6;

/** Students by the letters typed, those of any class. */
export function StudentSearch({
  left,
  onChoose,
}: {
  left: readonly string[];
  onChoose: (studentId: string) => void;
}) {
  const [typed, setTyped] = useState('');
  const current = useRecords((state) => state.current);
  const wanted = typed.trim();
  const found =
    wanted === ''
      ? []
      : findByName(listOf(current, 'student'), wanted)
          .filter(({ id }) => !left.includes(id))
          .sort(byDisplayName)
          .slice(0, mostFound);
  return (
    <View style={{ gap: space(2) }}>
      <Field label="A student’s name" value={typed} onChange={setTyped} />
      <View style={row}>
        {found.map((student) => (
          <Action
            key={student.id}
            label={displayName(student)}
            onPress={() => {
              onChoose(student.id);
            }}
          />
        ))}
        {wanted !== '' && found.length === 0 ? <Words tone="inkQuiet">Nobody of this name.</Words> : null}
      </View>
    </View>
  );
}
